import { deflateRawSync } from 'node:zlib'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { fromAddress } from '@/api/fromAddress'
import { toAddress } from '@/contract/inAddress'

test('any text comes back from an address, in letters that need no percent sign', async () => {
  await fc.assert(
    fc.asyncProperty(fc.string({ unit: 'grapheme', maxLength: 300 }), async (text) => {
      const held = await toAddress(text)
      expect(encodeURIComponent(held)).toBe(held)
      expect(fromAddress(held)).toBe(text)
    }),
  )
})

test('4,000 letters of an alphabet of two bytes, in no order, are let in', async () => {
  const letters = fc.sample(fc.integer({ min: 0x410, max: 0x44f }), { numRuns: 4000, seed: 1 })
  const held = await toAddress(String.fromCodePoint(...letters))
  expect(held.length).toBeLessThan(6000)
})

test.each([
  ['no packed text', '{'],
  ['letters of no address', 'ä%7B'],
  ['no UTF-8', deflateRawSync(Buffer.from([0xff, 0xfe])).toString('base64url')],
  ['more than any form holds', deflateRawSync(Buffer.alloc(10_000_000, 'x')).toString('base64url')],
])('%s is none', (_, held) => {
  expect(fromAddress(held)).toBeNull()
})
