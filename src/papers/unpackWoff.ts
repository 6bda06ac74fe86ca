import { inflateSync } from 'node:zlib'

/**
 * A WOFF 1.0 typeface as the plain sfnt it was made from (W3C, WOFF File Format 1.0, sections 3 to 5).
 *
 * The library that draws the papers would unpack a table anew for every letter; unpacked once, a paper of many lines is
 * drawn several times as fast.
 */
export const unpackWoff = (woff: Buffer): Buffer => {
  if (woff.toString('latin1', 0, 4) !== 'wOFF') throw new Error('not a WOFF typeface')
  const count = woff.readUInt16BE(12)
  const tables = Array.from({ length: count }, (_, i) => {
    const at = 44 + i * 20
    const [offset, packed, length] = [
      woff.readUInt32BE(at + 4),
      woff.readUInt32BE(at + 8),
      woff.readUInt32BE(at + 12),
    ]
    const body = woff.subarray(offset, offset + packed)
    return {
      tag: woff.subarray(at, at + 4),
      checksum: woff.readUInt32BE(at + 16),
      body: packed < length ? inflateSync(body) : body,
    }
  })
  const header = Buffer.alloc(12 + count * 16)
  const power = Math.floor(Math.log2(count))
  woff.copy(header, 0, 4, 8)
  header.writeUInt16BE(count, 4)
  header.writeUInt16BE(2 ** power * 16, 6)
  header.writeUInt16BE(power, 8)
  header.writeUInt16BE(count * 16 - 2 ** power * 16, 10)
  const parts: Buffer[] = [header]
  let offset = header.length
  tables.forEach((t, i) => {
    const at = 12 + i * 16
    t.tag.copy(header, at)
    header.writeUInt32BE(t.checksum, at + 4)
    header.writeUInt32BE(offset, at + 8)
    header.writeUInt32BE(t.body.length, at + 12)
    const padding = Buffer.alloc((4 - (t.body.length % 4)) % 4)
    parts.push(t.body, padding)
    offset += t.body.length + padding.length
  })
  return Buffer.concat(parts)
}
