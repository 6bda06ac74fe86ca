import { day } from '@/core/day'
import { listEntries } from '@/data/queries/ledger'
import { countInHand, listSaleIds } from '@/data/queries/sales'
import { readFlags } from '@/data/queries/receivables'
import { refundHeld } from '@/services/money/refundHeld'
import { takeReceipt } from '@/services/money/takeReceipt'
import { readBalanceSheet, readCashFlow, readCashFlowByMonth, readProfitAndLoss } from '@/model/books/books'
import { readCustomer } from '@/model/people/customers'
import { readQuickOffers } from '@/model/quickline/quickOffers'
import { readToday } from '@/model/today/today'
import { listRegister, sumRegister } from '@/data/queries/invoiceRegister'
import { readForecastFacts } from '@/model/receivables/expected'
import { readOweMost, readPayHabits } from '@/model/receivables/payHabits'
import { readPlanBook } from '@/model/plan/planBook'
import { readDrawer } from '@/model/bank/drawer'
import { benchProposals } from './bank'
import { testCluster } from '../cluster'
import { BUYING } from './buying'
import { benchBeside } from './beside'
import { benchBrowser } from './browser'
import { benchHttp } from './http'
import { benchReceipts } from './receipts'
import { fillTrade, runFile, today, type Shop } from './fill'
import { STOCK } from './stock'
import { listToBank } from '@/data/queries/bank'
import { readStories } from '@/model/sale/readStories'
import { readSheet } from '@/model/sale/readSheet'
import { readLayawayBook } from '@/model/plan/layawayBook'
import { readHeldReport } from '@/model/held/heldReport'
import { readTies } from '@/model/books/ties'
import { readOwed } from '@/model/receivables/owed'

/**
 * How long the server takes for what each main page reads, with little and with ten years of trade (100,000 sales, about a
 * million journal lines), in one run on one machine. What counts is the ratio; milliseconds depend on the machine.
 */
const SIZES = { little: 1_000, 'ten years': 100_000 } as const

const ABOUT = { today, currency: 'USD' }

const PAGES: Readonly<Record<string, (s: Shop) => Promise<unknown>>> = {
  'the band': ({ db }) => Promise.all([readFlags(db, today, 'USD'), countInHand(db)]),
  Today: ({ db, business }) => readToday(db, business, today),
  'Sales, first page': async ({ db, business }) =>
    readStories(db, await listSaleIds(db, {}, { limit: 50 }, today), business, today),
  'Sales, searched': async ({ db, business }) =>
    readStories(db, await listSaleIds(db, { search: 'customer 77' }, { limit: 50 }, today), business, today),
  'a sale sheet': ({ db, business }) => readSheet(db, 500, business, today),
  'a customer': ({ db, business }) => readCustomer(db, 50, business, today),
  'Owed, today': ({ db, business }) => readOwed(db, { asOf: today, by: 'due' }, business),
  'Owed, a year ago': ({ db, business }) => readOwed(db, { asOf: day('2025-11-25'), by: 'due' }, business),
  'expected money': ({ db }) => readForecastFacts(db, today),
  'how they pay': ({ db }) => Promise.all([readPayHabits(db, today, 12), readOweMost(db, today, 12, 'USD')]),
  'held money': ({ db }) => readHeldReport(db, today, 'USD'),
  'plans and layaways': ({ db, business }) =>
    Promise.all([readPlanBook(db, { ended: false }, business, today), readLayawayBook(db, business, today)]),
  'invoices, first page': ({ db }) =>
    Promise.all([listRegister(db, {}, { limit: 60 }, ABOUT), sumRegister(db, {}, ABOUT)]),
  'invoices that are late': ({ db }) =>
    Promise.all([listRegister(db, { state: 'late' }, { limit: 60 }, ABOUT), sumRegister(db, { state: 'late' }, ABOUT)]),
  'the drawer': ({ db }) => readDrawer(db, today, 'USD'),
  'to the bank': ({ db }) =>
    Promise.all([listToBank(db, 'cheque', today, 'USD'), listToBank(db, 'card', today, 'USD')]),
  'the journal': ({ db }) => listEntries(db, {}, { limit: 60 }, 'USD'),
  'balance sheet': ({ db }) => readBalanceSheet(db, today, 'USD'),
  'profit and loss': ({ db }) => readProfitAndLoss(db, { from: day('2026-01-01'), to: today }, 'USD'),
  'cash flow, a year': ({ db }) => readCashFlow(db, { from: day('2026-01-01'), to: today }, 'USD'),
  'cash flow by month': ({ db }) => readCashFlowByMonth(db, { from: day('2026-01-01'), to: today }, 'USD'),
  'cash flow, all years': ({ db }) => readCashFlow(db, { from: day('2016-01-01'), to: today }, 'USD'),
  'do they agree?': ({ db }) => readTies(db, today, 'USD'),
  'go to the quick line': ({ db, business }) => readQuickOffers({ db, business, today }, 'customer 77'),
  'taking money': ({ db }) => takeReceipt.run({ db, today }, { customerId: 50, method: 'cash', amount: '1.00' }),
}

/** The median of some runs, after one to warm up. */
const time = async (work: () => Promise<unknown>): Promise<number> => {
  await work()
  const times: number[] = []
  for (let i = 0; i < 7; i++) {
    const began = performance.now()
    await work()
    times.push(performance.now() - began)
  }
  return times.sort((a, b) => a - b)[3]!
}

/** How long two hundred commands on one customer take for so many hands at once. */
const withHands = async ({ db }: Shop, hands: number): Promise<number> => {
  const till = { db, today }
  const tasks = Array.from(
    { length: 200 },
    (_, i) => () =>
      i % 4 === 3
        ? refundHeld.run(till, { customerId: 50, amount: '0.50', method: 'cash' })
        : takeReceipt.run(till, {
            customerId: 50,
            method: 'cash',
            amount: '1.00',
            for: i % 2 === 0 ? 'account' : 'oldest',
          }),
  )
  let next = 0
  const began = performance.now()
  await Promise.all(
    Array.from({ length: hands }, async () => {
      for (let mine = next++; mine < tasks.length; mine = next++) await tasks[mine]!()
    }),
  )
  return performance.now() - began
}

const sayProposals = (): void => {
  benchProposals()
  const { ms, found } = benchProposals()
  console.log(
    `proposals for 5,000 lines of a statement among 10,000 dues: ${ms.toFixed(0)} ms, ${found} lines have one`,
  )
}

const main = async (): Promise<void> => {
  if (process.argv[2] === 'http') return benchHttp(process.argv.slice(3))
  if (process.argv[2] === 'receipts') return benchReceipts()
  if (process.argv[2] === 'beside') return benchBeside(process.argv.slice(3))
  if (process.argv[2] === 'browser') return benchBrowser(process.argv.slice(3))
  sayProposals()
  if (process.argv[2] === 'bank') return
  const cluster = await testCluster({ onDisk: true })
  try {
    const little = await fillTrade(cluster.url, 'little', SIZES.little)
    const large = await fillTrade(cluster.url, 'large', SIZES['ten years'])
    console.log(
      `${'page'.padEnd(20)} ${'1,000 sales'.padStart(12)} ${'100,000 sales'.padStart(14)} ${'ratio'.padStart(7)}`,
    )
    // `npm run bench buying` measures that alone.
    const only = process.argv[2]
    for (const [name, page] of Object.entries(only ? {} : PAGES)) {
      const [a, b] = [await time(() => page(little)), await time(() => page(large))]
      console.log(
        `${name.padEnd(20)} ${`${a.toFixed(1)} ms`.padStart(12)} ${`${b.toFixed(1)} ms`.padStart(14)} ${(b / a).toFixed(1).padStart(7)}${b > 100 ? '  over 100 ms' : ''}`,
      )
    }
    await runFile(large.db, 'stock.sql')
    for (const [name, ask] of Object.entries(only === 'buying' ? {} : STOCK)) {
      const took = await time(() => ask(large))
      console.log(`${name.padEnd(22)} ${`${took.toFixed(1)} ms`.padStart(10)}, with 10,000 things and 200,000 moves`)
    }
    await runFile(large.db, 'buying.sql')
    for (const [name, ask] of Object.entries(BUYING)) {
      const took = await time(() => ask(large))
      console.log(`${name.padEnd(28)} ${`${took.toFixed(1)} ms`.padStart(10)}, with 30,000 bills and 10,000 orders`)
    }
    await withHands(little, 4)
    const [four, many] = [await withHands(little, 4), await withHands(little, 32)]
    console.log(
      `200 commands on one customer: 4 hands ${four.toFixed(0)} ms, 32 hands ${many.toFixed(0)} ms, ratio ${(many / four).toFixed(2)}`,
    )
    await Promise.all([little.close(), large.close()])
  } finally {
    await cluster.remove()
  }
}

await main()
