// Long, because it is the list of every table that can be saved, one after the other.
import { addMonths, isDay, yearStart, type Day } from '@/core/day'
import { toDecimalString, type Money, negateMoney } from '@/core/money'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { listCustomers } from '@/data/queries/customers'
import { listEntries } from '@/data/queries/ledger'
import { AGE_GROUPS } from '@/data/queries/receivables'
import { listSaleIds } from '@/data/queries/sales'
import { readBalanceSheet, readProfitAndLoss, readTrialBalance } from '@/model/books/books'
import { readGoodsList } from '@/model/goods/goods'
import { invoiceFilter, listRegister, type RegisterRow } from '@/data/queries/invoiceRegister'
import { readPlanBook } from '@/model/plan/planBook'
import { readDrawer } from '@/services/till/drawer'
import { listPost, type PostRow } from '@/data/queries/post'
import { listRepeats } from '@/data/queries/repeats'
import { OFFER_GROUPS, readOffers, readSaleCosts, type SaleCost } from '@/model/sale/reports'
import { readUsual } from '@/model/sale/usualGoods'
import { listReceipts } from '@/data/queries/receipt'
import { readStories } from '@/model/sale/readStories'
import { readLayawayBook } from '@/model/plan/layawayBook'
import { readHeldReport } from '@/model/held/heldReport'
import { readOwed } from '@/model/receivables/owed'

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
    rows: rows.map((c) => [String(c.id), c.name, c.contact, c.email, c.phone, c.kind, m(c.owed), m(c.late), m(c.held)]),
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
      'note',
      'tags',
      'weight',
      'size',
      'reorderAt',
      'onShopfront',
      'onHand',
      'setAside',
      'available',
      'unitCost',
    ],
    rows: rows.map((g) => [
      g.goods.code,
      g.goods.name,
      g.goods.kind,
      g.listPrice.toString(),
      g.taxCode,
      g.goods.barcode,
      g.goods.note,
      g.goods.tags.join('; '),
      g.goods.weight?.toString() ?? '',
      g.goods.size,
      g.goods.reorderAt?.toString() ?? '',
      g.goods.onShopfront ? 'yes' : 'no',
      g.onHand.toString(),
      g.setAside.toString(),
      g.available.toString(),
      g.unitCost.toDecimalPlaces(4).toString(),
    ]),
  }
}

const sales = async ({ db, business, today }: Asked): Promise<Table> => {
  const ids = await everyPage((last: number | undefined) => listSaleIds(db, {}, { limit: PAGE, after: last }, today))
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
    rows: rows.map((r) => [r.number, r.customerName, r.on, r.method, m(r.amount), r.reference, r.voidedOn ?? '']),
  }
}

const receivables = async ({ db, business, today, query }: Asked): Promise<Table> => {
  const owed = await readOwed(
    db,
    {
      asOf: dayOf(query, 'asOf', today),
      by: query.get('by') === 'invoice' ? 'invoice' : 'due',
      group: AGE_GROUPS.find((g) => g === query.get('group')),
    },
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
    m(r.onAccount),
  ]
  return {
    columns: [owed.group, 'notDue', 'd1to30', 'd31to60', 'd61to90', 'over90', 'total', 'held', 'onAccount'],
    rows: [...owed.rows.map((r) => row(r.name, r)), row('total', owed.totals)],
  }
}

const trialBalance = async ({ db, business, today, query }: Asked): Promise<Table> => {
  const t = await readTrialBalance(db, dayOf(query, 'asOf', today), business.currency)
  return {
    columns: ['account', 'name', 'debit', 'credit'],
    rows: [...t.rows.map((r) => [r.code, r.name, m(r.debit), m(r.credit)]), ['', 'total', m(t.debit), m(t.credit)]],
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
        l.amount.minor < 0n ? m(negateMoney(l.amount)) : '',
      ]),
    ),
  }
}

const spanOf = ({ query, today }: Asked) => {
  const to = dayOf(query, 'to', today)
  return { from: dayOf(query, 'from', addMonths(to, -12)), to }
}

const offers = async (asked: Asked): Promise<Table> => {
  const { db, business, today, query } = asked
  const by = OFFER_GROUPS.find((g) => g === query.get('by')) ?? 'month'
  const rows = await readOffers(db, spanOf(asked), by, business, today)
  return {
    columns: [by, 'sent', 'agreed', 'lost', 'open', 'ratePercent', 'daysToYes', 'sentAmount', 'agreedAmount'],
    rows: rows.map((r) => [
      r.group,
      ...[r.sent, r.agreed, r.lost, r.open].map(String),
      r.rate?.toString() ?? '',
      r.days?.toString() ?? '',
      m(r.sentAmount),
      m(r.agreedAmount),
    ]),
  }
}

const saleCosts = async (asked: Asked): Promise<Table> => {
  const span = spanOf(asked)
  const rows = await everyPage((last: SaleCost | undefined) =>
    readSaleCosts(asked.db, span, asked.business, { limit: PAGE, after: last?.saleId }),
  )
  return {
    columns: [
      'sale',
      'customer',
      'title',
      'offered',
      'agreed',
      'billed',
      'billedNet',
      'expectedCost',
      'actualCost',
      'marginPercent',
    ],
    rows: rows.map((r) => [
      String(r.number),
      r.customer,
      r.title,
      r.offered ? m(r.offered) : '',
      ...[r.agreed, r.billed, r.billedNet, r.expectedCost, r.actualCost].map(m),
      r.margin?.toString() ?? '',
    ]),
  }
}

const post = async ({ db }: Asked): Promise<Table> => {
  const rows = await everyPage((last: PostRow | undefined) => listPost(db, {}, { limit: PAGE, after: last?.id }))
  return {
    columns: ['written', 'sent', 'to', 'customer', 'paper', 'subject', 'state', 'problem'],
    rows: rows.map((p) => [
      p.writtenOn,
      p.sentOn ?? '',
      p.recipient,
      p.customerName,
      p.paper,
      p.subject,
      p.state,
      p.problem,
    ]),
  }
}

const usual = async ({ db, business, today, query }: Asked): Promise<Table> => {
  const rows = (await readUsual(db, Number(query.get('customer')) || 0, business, today, 500)) ?? []
  return {
    columns: [
      'code',
      'name',
      'lastOn',
      'lastQuantity',
      'lastPrice',
      'times',
      'quantity',
      'perMonth',
      'available',
      'price',
    ],
    rows: rows.map((u) => [
      u.standing.goods.code,
      u.standing.goods.name,
      u.lastOn,
      u.lastQuantity.toString(),
      u.lastPrice.toString(),
      String(u.times),
      u.quantity.toString(),
      u.perMonth.toString(),
      u.standing.available.toString(),
      u.price,
    ]),
  }
}

const repeats = async ({ db, business }: Asked): Promise<Table> => ({
  columns: ['customer', 'title', 'every', 'makes', 'byItself', 'next', 'until', 'times', 'done', 'total'],
  rows: (await listRepeats(db, {}, business.currency)).map((r) => [
    r.customerName,
    r.title,
    r.every,
    r.makes,
    r.byItself ? 'yes' : 'no',
    r.nextOn ?? '',
    r.untilDay ?? '',
    r.times === null ? '' : String(r.times),
    String(r.done),
    m(r.total),
  ]),
})

const plans = async ({ db, business, today, query }: Asked): Promise<Table> => ({
  columns: [
    'plan',
    'sale',
    'customer',
    'started',
    'financed',
    'charge',
    'notEarned',
    'paid',
    'open',
    'late',
    'next',
    'nextAmount',
    'ends',
    'ended',
  ],
  rows: (await readPlanBook(db, { ended: query.get('ended') === 'true' }, business, today)).rows.map((r) => [
    r.number,
    String(r.saleNumber),
    r.customer,
    r.startedOn,
    m(r.financed),
    m(r.charge),
    m(r.unearned),
    m(r.paid),
    m(r.open),
    m(r.late),
    r.next ?? '',
    r.nextOpen ? m(r.nextOpen) : '',
    r.ends ?? '',
    r.endedAs ?? '',
  ]),
})

const layaways = async ({ db, business, today }: Asked): Promise<Table> => ({
  columns: ['sale', 'customer', 'title', 'stands', 'total', 'held', 'left', 'behind', 'behindSince', 'next', 'ends'],
  rows: (await readLayawayBook(db, business, today)).rows.map((r) => [
    String(r.number),
    r.customer,
    r.title,
    r.stands,
    m(r.total),
    m(r.held),
    m(r.left),
    m(r.behind),
    r.behindSince ?? '',
    r.next?.due ?? '',
    r.ends ?? '',
  ]),
})

const heldMoney = async ({ db, business, today, query }: Asked): Promise<Table> => ({
  columns: ['customer', 'sale', 'title', 'kind', 'amount'],
  rows: (await readHeldReport(db, dayOf(query, 'asOf', today), business.currency)).lines.map((l) => [
    l.customer,
    l.saleNumber === null ? '' : String(l.saleNumber),
    l.title,
    l.kind,
    m(l.amount),
  ]),
})

const invoices = async ({ db, business, today, query }: Asked): Promise<Table> => {
  const filter = invoiceFilter(Object.fromEntries(query), business.currency)
  const rows = await everyPage((last: RegisterRow | undefined) =>
    listRegister(db, filter, { limit: PAGE, after: last?.id }, { today, currency: business.currency }),
  )
  return {
    columns: ['number', 'kind', 'on', 'customer', 'sale', 'title', 'net', 'tax', 'gross', 'open', 'due'],
    rows: rows.map((r) => [
      r.number ?? 'draft',
      r.kind,
      r.on,
      r.customer,
      String(r.saleNumber),
      r.title,
      m(r.net),
      m(r.tax),
      m(r.gross),
      m(r.open),
      r.due ?? '',
    ]),
  }
}

const drawer = async ({ db, business, today, query }: Asked): Promise<Table> => {
  const d = await readDrawer(db, dayOf(query, 'on', today), business.currency)
  return {
    columns: ['what', 'amount'],
    rows: [['opening', m(d.opening)], ...d.lines.map((l) => [l.text, m(l.amount)]), ['in the drawer', m(d.now)]],
  }
}

/** Every table that can be saved, by the name in its address. */
export const TABLES: Readonly<Record<string, (asked: Asked) => Promise<Table>>> = {
  customers,
  goods,
  sales,
  receipts,
  receivables,
  plans,
  layaways,
  held: heldMoney,
  invoices,
  drawer,
  journal,
  offers,
  'sale-costs': saleCosts,
  post,
  usual,
  repeats,
  'trial-balance': trialBalance,
  'profit-and-loss': profitAndLoss,
  'balance-sheet': balanceSheet,
}
