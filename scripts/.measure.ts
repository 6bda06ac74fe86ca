import { readFileSync } from 'node:fs'
import { openDatabase } from '@/data/connect'
import { PAGES, openServer } from '../tests/bench/http'
const databaseUrl = process.env.DBURL ?? readFileSync('/tmp/s/url', 'utf8')
const { db, close } = openDatabase(databaseUrl, { patient: true })
const shop = await openServer({ db, databaseUrl }, true)
const wanted = process.argv.slice(2)
const pages = Object.entries(PAGES).filter(([n]) => wanted.length === 0 || wanted.includes(n))
for (let i = 0; i < 3; i++) for (const [, p] of Object.entries(PAGES)) if (i < 2 || wanted.length) await shop.get(p)
for (const [n, p] of pages) {
  const c = await shop.measure(p)
  console.log(n.padEnd(32), (c.server + c.database).toFixed(0).padStart(6), c.server.toFixed(0).padStart(6), c.database.toFixed(0).padStart(6), 'sql', c.sql.toFixed(1), 'n', c.statements, 'kB', (c.bytes / 1000).toFixed(0), 'ms', c.wall.toFixed(0))
}
shop.close()
await close()
process.exit(0)
