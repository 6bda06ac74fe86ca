import { readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import { fontFiles } from '@/documents/draw/fonts'
import { unpackFont } from '@/documents/draw/unpackFont'

/** The sum of a table as its directory keeps it: words of four bytes, what is missing of the last one taken as zero. */
const sumOf = (table: Buffer): number => {
  const words = Buffer.concat([table], (table.length + 3) & ~3)
  let sum = 0
  for (let at = 0; at < words.length; at += 4) sum = (sum + words.readUInt32BE(at)) >>> 0
  return sum
}

const tablesOf = (font: Buffer) =>
  Array.from({ length: font.readUInt16BE(4) }, (_, i) => {
    const at = 12 + i * 16
    const [offset, length] = [font.readUInt32BE(at + 8), font.readUInt32BE(at + 12)]
    return {
      tag: font.toString('latin1', at, at + 4),
      kept: font.readUInt32BE(at + 4),
      offset,
      bytes: Buffer.from(font.subarray(offset, offset + length)),
    }
  })

test('every typeface is unpacked whole: each table comes to the sum that was kept of it', () => {
  for (const font of fontFiles().values()) {
    const tables = tablesOf(font)
    expect(tables.map(({ tag }) => tag)).toEqual(
      expect.arrayContaining(['cmap', 'glyf', 'head', 'hmtx', 'loca', 'name']),
    )
    for (const { tag, kept, offset, bytes } of tables) {
      expect(offset % 4).toBe(0)
      // The head keeps the sum of the whole file in itself, which its own leaves out.
      if (tag === 'head') bytes.writeUInt32BE(0, 8)
      expect([tag, sumOf(bytes)]).toEqual([tag, kept])
    }
  }
})

test('it is as long as its packing says, and what is not packed so is refused', () => {
  const packed = readFileSync('node_modules/@fontsource/zilla-slab/files/zilla-slab-latin-600-normal.woff')
  expect(unpackFont(packed)).toHaveLength(packed.readUInt32BE(16))
  expect(() => unpackFont(unpackFont(packed))).toThrow('not packed as WOFF')
})
