import { readFileSync } from 'node:fs'
import { openDatabase } from '@/data/connect'
import { sumInvoices, sumReceived } from '@/data/queries/paperMonths'
import { sumRegister, listRegister } from '@/data/queries/invoiceRegister'
import { sumReceipts } from '@/data/queries/receipt'
import { day } from '@/core/day'
const { db, close } = openDatabase(readFileSync('/tmp/s/url', 'utf8'))
const show = (x: unknown) => console.log(JSON.stringify(x, (_, v) => (typeof v === 'bigint' ? String(v) : v)))
try {
  show(await sumInvoices(db, {}, 'USD'))
  show(await sumInvoices(db, { from: day('2020-03-05'), to: day('2021-02-07') }, 'USD', 'invoice'))
  show(await sumReceived(db, { from: day('2020-03-05'), to: day('2021-02-07') }, 'USD'))
  for (const search of ['customer 77', 'sale', 'Sale 4711', '2020-000', 'zq']) {
    const t = performance.now()
    const l = (await listRegister(db, { search }, { limit: 61 }, { today: day('2026-11-25'), currency: 'USD' })).length
    const t2 = performance.now()
    show([search, l, await sumRegister(db, { search }, { today: day('2026-11-25'), currency: 'USD' }), t2 - t, performance.now() - t2])
  }
  show(await sumReceipts(db, { search: 'customer 77' }, 'USD'))
} catch (e) { console.log((e as Error).message, (e as Error).cause) }
await close()
