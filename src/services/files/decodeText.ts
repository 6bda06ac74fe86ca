/** The text of a file: what its first marks say, else UTF-8, else what Windows writes in the West. Null where it is no text. */
export const decodeText = (bytes: Uint8Array): string | null => {
  const utf16 = bytes[0] === 0xff && bytes[1] === 0xfe
  const labels = utf16 ? ['utf-16le'] : ['utf-8', 'windows-1252']
  for (const label of labels) {
    try {
      const text = new TextDecoder(label, { fatal: true }).decode(bytes)
      // Control characters stand in no table.
      return /[\u0000-\u0008\u000e-\u001f]/.test(text) ? null : text
    } catch {
      continue
    }
  }
  return null
}
