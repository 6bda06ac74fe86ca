import { day } from '@/core/day'
import { openDatabase } from '@/data/connect'
import { findBusiness } from '@/data/queries/business'
import { readStockOn, readWorthiest } from '@/model/goods/stockOn'
import { readFileSync } from 'node:fs'
const url = /postgres:\/\/.*/.exec(readFileSync('/tmp/s/keep.log', 'utf8'))![0].replace(/\/postgres$/, '/large')
const { db, close } = openDatabase(url)
const business = (await findBusiness(db))!
const today = day('2026-11-25')
const where = { db, business, today, currency: 'USD' }
const time = async (name: string, work: () => Promise<unknown>) => {
  await work(); const t: number[] = []
  for (let i = 0; i < 7; i++) { const a = performance.now(); await work(); t.push(performance.now() - a) }
  console.log(name, t.sort((a, b) => a - b)[3]!.toFixed(1))
}
for (const d of ['2026-11-25', '2024-06-30', '2021-07-30', '2021-01-30', '2018-06-30']) await time(d, () => readWorthiest(where, day(d), 61))
await time('all', () => readStockOn(where, day('2024-06-30')))
await close()
