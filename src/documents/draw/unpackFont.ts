import { inflateSync } from 'node:zlib'

const [HEADER, ENTRY] = [44, 20]
const [SFNT_HEADER, SFNT_ENTRY] = [12, 16]

const padded = (length: number): number => (length + 3) & ~3

/**
 * A typeface as it was before it was packed for the web (WOFF 1.0, https://www.w3.org/TR/WOFF/): its tables unpacked, one after
 * the other, under the directory of an OpenType file. A library that sets text unpacks them anew for each document, slowly.
 * Fails where the file is not packed so.
 */
export const unpackFont = (woff: Buffer): Buffer => {
  if (woff.toString('latin1', 0, 4) !== 'wOFF') throw new Error('this typeface is not packed as WOFF')
  const count = woff.readUInt16BE(12)
  const tables = Array.from({ length: count }, (_, i) => {
    const at = HEADER + i * ENTRY
    const [offset, packed, length] = [woff.readUInt32BE(at + 4), woff.readUInt32BE(at + 8), woff.readUInt32BE(at + 12)]
    const bytes = woff.subarray(offset, offset + packed)
    return {
      tag: woff.subarray(at, at + 4),
      checksum: woff.subarray(at + 16, at + 20),
      // A table that would not be shorter is kept as it is.
      bytes: packed < length ? inflateSync(bytes) : bytes,
    }
  })
  const power = Math.floor(Math.log2(count))
  const directory = Buffer.alloc(SFNT_HEADER + count * SFNT_ENTRY)
  woff.copy(directory, 0, 4, 8)
  directory.writeUInt16BE(count, 4)
  directory.writeUInt16BE(16 * 2 ** power, 6)
  directory.writeUInt16BE(power, 8)
  directory.writeUInt16BE(16 * (count - 2 ** power), 10)
  let offset = directory.length
  for (const [i, { tag, checksum, bytes }] of tables.entries()) {
    const at = SFNT_HEADER + i * SFNT_ENTRY
    tag.copy(directory, at)
    checksum.copy(directory, at + 4)
    directory.writeUInt32BE(offset, at + 8)
    directory.writeUInt32BE(bytes.length, at + 12)
    offset += padded(bytes.length)
  }
  const parts = tables.flatMap(({ bytes }) => [bytes, Buffer.alloc(padded(bytes.length) - bytes.length)])
  return Buffer.concat([directory, ...parts], offset)
}
