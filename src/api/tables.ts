import { isDay, yearStart, type Day } from '@/core/day'
import { toDecimalString, type Money } from '@/core/money'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { listCustomers } from '@/data/queries/customers'
import { listEntries } from '@/data/queries/ledger'
import { listReceipts } from '@/data/queries/money'
import { listSaleIds } from '@/data/queries/sales'
import { readOwed, readBalanceSheet, readProfitAndLoss, readTrialBalance } from '@/services/read/books'
import { readGoodsList } from '@/services/read/goods'
import { readStories } from '@/services/read/stories'

/** A table on its way out: column names and rows of text. */
export interface Table {
  readonly columns: readonly string[]
  readonly rows: readonly (readonly string[])[]
}

interface Asked {
  readonly db: Db
  readonly business: Business
  readonly today: Day
  readonly query: URLSearchParams
}

/** A table on its way out is read in pages, so that memory does not grow with the trade. */
const PAGE = 500
const m = (amount: Money): string => toDecimalString(amount)
const dayOf = (query: URLSearchParams, name: string, otherwise: Day): Day => {
  const given = query.get(name)
  return given && isDay(given) ? given : otherwise
}

const everyPage = async <T>(read: (after: T | undefined) => Promise<readonly T[]>): Promise<T[]> => {
  const all: T[] = []
  for (;;) {
    const page = await read(all.at(-1))
    all.push(...page)
    if (page.length < PAGE) return all
  }
}

const customers = async ({ db, business, today }: Asked): Promise<Table> => {
  const rows = await everyPage((last: Awaited<ReturnType<typeof listCustomers>>[number] | undefined) =>
    listCustomers(db, {}, { limit: PAGE, after: last }, { today, currency: business.currency }),
  )
  return {
    columns: ['id', 'name', 'contact', 'email', 'phone', 'kind', 'owed', 'late', 'held'],
    rows: rows.map((c) => [
      String(c.id),
      c.name,
      c.contact,
      c.email,
      c.phone,
      c.kind,
      m(c.owed),
      m(c.late),
      m(c.held),
    ]),
  }
}

const goods = async ({ db, business }: Asked): Promise<Table> => {
  const rows = await everyPage((last: Awaited<ReturnType<typeof readGoodsList>>[number] | undefined) =>
    readGoodsList(db, {}, { limit: PAGE, after: last && { code: last.goods.code } }, business),
  )
  return {
    columns: [
      'code',
      'name',
      'kind',
      'price',
      'taxCode',
      'barcode',
      'onHand',
      'setAside',
      'available',
      'unitCost',
    ],
    rows: rows.map((g) => [
      g.goods.code,
      g.goods.name,
      g.goods.kind,
      g.goods.price.toString(),
      g.taxCode,
      g.goods.barcode,
      g.onHand.toString(),
      g.setAside.toString(),
      g.available.toString(),
      g.unitCost.toDecimalPlaces(4).toString(),
    ]),
  }
}

const sales = async ({ db, business, today }: Asked): Promise<Table> => {
  const ids = await everyPage((last: number | undefined) =>
    listSaleIds(db, {}, { limit: PAGE, after: last }, today),
  )
  const rows: string[][] = []
  for (let at = 0; at < ids.length; at += PAGE) {
    for (const s of await readStories(db, ids.slice(at, at + PAGE), business, today)) {
      rows.push([
        String(s.sale.number),
        s.sale.customerName,
        s.sale.title,
        s.stands,
        s.sale.startedOn,
        s.sale.agreedOn ?? '',
        m(s.bar.total),
        m(s.received),
        m(s.held),
        m(s.billed),
        m(s.open),
        m(s.late),
      ])
    }
  }
  return {
    columns: [
      'number',
      'customer',
      'title',
      'stands',
      'startedOn',
      'agreedOn',
      'total',
      'received',
      'held',
      'billed',
      'open',
      'late',
    ],
    rows,
  }
}

const receipts = async ({ db, business }: Asked): Promise<Table> => {
  const rows = await everyPage((last: Awaited<ReturnType<typeof listReceipts>>[number] | undefined) =>
    listReceipts(db, {}, { limit: PAGE, after: last?.id }, business.currency),
  )
  return {
    columns: ['number', 'customer', 'on', 'method', 'amount', 'reference', 'voidedOn'],
    rows: rows.map((r) => [
      r.number,
      r.customerName,
      r.on,
      r.method,
      m(r.amount),
      r.reference,
      r.voidedOn ?? '',
    ]),
  }
}

const receivables = async ({ db, business, today, query }: Asked): Promise<Table> => {
  const owed = await readOwed(
    db,
    { asOf: dayOf(query, 'asOf', today), by: query.get('by') === 'invoice' ? 'invoice' : 'due' },
    business,
  )
  const row = (name: string, r: (typeof owed)['totals']) => [
    name,
    m(r.notDue),
    m(r.d1to30),
    m(r.d31to60),
    m(r.d61to90),
    m(r.over90),
    m(r.total),
    m(r.held),
  ]
  return {
    columns: ['customer', 'notDue', 'd1to30', 'd31to60', 'd61to90', 'over90', 'total', 'held'],
    rows: [...owed.rows.map((r) => row(r.name, r)), row('total', owed.totals)],
  }
}

const trialBalance = async ({ db, business, today, query }: Asked): Promise<Table> => {
  const t = await readTrialBalance(db, dayOf(query, 'asOf', today), business.currency)
  return {
    columns: ['account', 'name', 'debit', 'credit'],
    rows: [
      ...t.rows.map((r) => [r.code, r.name, m(r.debit), m(r.credit)]),
      ['', 'total', m(t.debit), m(t.credit)],
    ],
  }
}

const profitAndLoss = async ({ db, business, today, query }: Asked): Promise<Table> => {
  const to = dayOf(query, 'to', today)
  const p = await readProfitAndLoss(db, { from: dayOf(query, 'from', yearStart(to)), to }, business.currency)
  const part = (name: string, rows: typeof p.income) => rows.map((r) => [name, r.code, r.name, m(r.amount)])
  return {
    columns: ['part', 'account', 'name', 'amount'],
    rows: [
      ...part('income', p.income),
      ...part('cost of goods', p.costOfGoods),
      ...part('expenses', p.expenses),
      ['profit', '', '', m(p.profit)],
    ],
  }
}

const balanceSheet = async ({ db, business, today, query }: Asked): Promise<Table> => {
  const b = await readBalanceSheet(db, dayOf(query, 'asOf', today), business.currency)
  const part = (name: string, rows: typeof b.assets) => rows.map((r) => [name, r.code, r.name, m(r.amount)])
  return {
    columns: ['part', 'account', 'name', 'amount'],
    rows: [
      ...part('assets', b.assets),
      ...part('liabilities', b.liabilities),
      ...part('equity', b.equity),
      ['equity', '', 'earned so far', m(b.earnings)],
    ],
  }
}

const journal = async ({ db, business }: Asked): Promise<Table> => {
  const entries = await everyPage((last: Awaited<ReturnType<typeof listEntries>>[number] | undefined) =>
    listEntries(db, {}, { limit: PAGE, after: last && { on: last.on, id: last.id } }, business.currency),
  )
  return {
    columns: ['entry', 'on', 'text', 'account', 'name', 'debit', 'credit'],
    rows: entries.flatMap((e) =>
      e.lines.map((l) => [
        String(e.id),
        e.on,
        e.text,
        l.code,
        l.account,
        l.amount.minor > 0n ? m(l.amount) : '',
        l.amount.minor < 0n ? m({ ...l.amount, minor: -l.amount.minor }) : '',
      ]),
    ),
  }
}

/** Every table that can be saved, by the name in its address. */
export const TABLES: Readonly<Record<string, (asked: Asked) => Promise<Table>>> = {
  customers,
  goods,
  sales,
  receipts,
  receivables,
  journal,
  'trial-balance': trialBalance,
  'profit-and-loss': profitAndLoss,
  'balance-sheet': balanceSheet,
}
