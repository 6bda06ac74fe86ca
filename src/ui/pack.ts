/**
 * A value as one text, for a component of the browser to make it a value again (`useUnpacked`). The framework takes each value
 * of what it sends in hand by itself, on both sides, and a list has thousands. Only what JSON can say goes through it.
 */
export interface Packed<T> {
  readonly text: string
  /** Of what kind it is; never there. */
  readonly of?: T
}

export const pack = <T>(value: T): Packed<T> => ({ text: JSON.stringify(value) })
