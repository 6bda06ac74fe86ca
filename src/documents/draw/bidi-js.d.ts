/** Which part of a line runs which way; the package brings no types. */
declare module 'bidi-js' {
  interface Levels {
    readonly levels: Uint8Array
  }
  const factory: () => { getEmbeddingLevels: (text: string, base?: 'ltr' | 'rtl') => Levels }
  export default factory
}
