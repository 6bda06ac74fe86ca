import { unzipSync } from 'fflate'
import { expect, test } from 'vitest'
import { zipStream, type ZipEntry } from '@/api/zip'

test('a ZIP holds each file as it was, however large or empty', async () => {
  const large = 'Fernhollow Strings\n'.repeat(40_000)
  const scan = Uint8Array.from({ length: 300_000 }, (_, i) => (i * 7919) % 251)
  async function* entries(): AsyncGenerator<ZipEntry> {
    yield ['journal.csv', await Promise.resolve(large)]
    yield ['empty.csv', '']
    yield ['bills/scan.pdf', scan]
  }
  const files = unzipSync(new Uint8Array(await new Response(zipStream(entries())).arrayBuffer()))
  expect(Object.keys(files)).toEqual(['journal.csv', 'empty.csv', 'bills/scan.pdf'])
  expect(Buffer.from(files['journal.csv']!).toString()).toBe(large)
  expect(files['empty.csv']).toHaveLength(0)
  expect(files['bills/scan.pdf']).toEqual(scan)
})

test('nothing more is made after whoever takes it has gone; what breaks ends it', async () => {
  let made = 0
  let ended = false
  async function* endless(): AsyncGenerator<ZipEntry> {
    try {
      for (;;) yield [`${++made}.pdf`, await Promise.resolve(new Uint8Array(50_000))]
    } finally {
      ended = true
    }
  }
  const reader = zipStream(endless()).getReader()
  await reader.read()
  await reader.cancel()
  const before = made
  await new Promise((done) => setTimeout(done, 20))
  expect([made, ended]).toEqual([before, true])
  async function* broken(): AsyncGenerator<ZipEntry> {
    yield ['one.csv', await Promise.resolve('1')]
    throw new Error('the printer is out of ink')
  }
  await expect(new Response(zipStream(broken())).arrayBuffer()).rejects.toThrow('out of ink')
})
