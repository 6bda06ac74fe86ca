import { readFileSync } from 'node:fs'
import { openDatabase } from '@/data/connect'
import { PAGES, openServer } from '../tests/bench/http'
import { gzipSync } from 'node:zlib'
const databaseUrl = readFileSync('/tmp/s/url', 'utf8')
const { db, close } = openDatabase(databaseUrl)
const shop = await openServer({ db, databaseUrl }, true)
const sizes = new Map<string, number>()
for (const [n, p] of Object.entries({ ...PAGES, 'new sale': '/sales/new', counter: '/counter', settings: '/settings/business' })) {
  const html = await shop.text(p)
  const srcs = [...new Set([...html.matchAll(/src="(\/_next\/[^"]+\.js)"/g)].map((m) => m[1]!))]
  let sum = 0
  for (const s of srcs) {
    if (!sizes.has(s)) sizes.set(s, gzipSync(Buffer.from(await shop.text(s)), { level: 6 }).length)
    sum += sizes.get(s)!
  }
  console.log(n.padEnd(32), (sum / 1000).toFixed(1), srcs.length)
}
shop.close(); await close(); process.exit(0)
