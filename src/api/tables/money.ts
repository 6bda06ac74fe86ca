import { type Asked, type Table, everyPage, PAGE, m, dayOf } from '@/api/tables/table'
import { listReceipts } from '@/data/queries/receipt'
import { readOwed } from '@/model/receivables/owed'
import { AGE_GROUPS } from '@/data/queries/receivables'
import { readPlanBook } from '@/model/plan/planBook'
import { readLayawayBook } from '@/model/plan/layawayBook'
import { readHeldReport } from '@/model/held/heldReport'
import { invoiceFilter, type RegisterRow, listRegister } from '@/data/queries/invoiceRegister'
import { readDrawer } from '@/services/till/drawer'

export const receipts = async ({ db, business }: Asked): Promise<Table> => {
  const rows = await everyPage((last: Awaited<ReturnType<typeof listReceipts>>[number] | undefined) =>
    listReceipts(db, {}, { limit: PAGE, after: last?.id }, business.currency),
  )
  return {
    columns: ['number', 'customer', 'on', 'method', 'amount', 'reference', 'voidedOn'],
    rows: rows.map((r) => [r.number, r.customerName, r.on, r.method, m(r.amount), r.reference, r.voidedOn ?? '']),
  }
}

export const receivables = async ({ db, business, today, query }: Asked): Promise<Table> => {
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

export const plans = async ({ db, business, today, query }: Asked): Promise<Table> => ({
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

export const layaways = async ({ db, business, today }: Asked): Promise<Table> => ({
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

export const heldMoney = async ({ db, business, today, query }: Asked): Promise<Table> => ({
  columns: ['customer', 'sale', 'title', 'kind', 'amount'],
  rows: (await readHeldReport(db, dayOf(query, 'asOf', today), business.currency)).lines.map((l) => [
    l.customer,
    l.saleNumber === null ? '' : String(l.saleNumber),
    l.title,
    l.kind,
    m(l.amount),
  ]),
})

export const invoices = async ({ db, business, today, query }: Asked): Promise<Table> => {
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

export const drawer = async ({ db, business, today, query }: Asked): Promise<Table> => {
  const d = await readDrawer(db, dayOf(query, 'on', today), business.currency)
  return {
    columns: ['what', 'amount'],
    rows: [['opening', m(d.opening)], ...d.lines.map((l) => [l.text, m(l.amount)]), ['in the drawer', m(d.now)]],
  }
}
