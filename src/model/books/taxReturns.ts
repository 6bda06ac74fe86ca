import { addDays, addMonths, monthEnd, monthStart, type Day } from '@/core/day'
import { money, parseMoney, toDecimalString, zeroMoney, type Money } from '@/core/money'
import { taxRows, taxToPay, type FiledTaxRow, type TaxBasis } from '@/core/tax'
import type { Db } from '@/data/connect'
import { listTaxFacts, type NamedTaxFact } from '@/data/queries/namedTaxFacts'
import { listLateEntries } from '@/data/queries/taxFacts'
import { findTaxReturn, listTaxReturns, type TaxReturnRecord } from '@/data/queries/taxReturns'
import type { Where } from '../where'
import { hrefOfSource } from './entrySource'

const paperOf = (f: NamedTaxFact): FiledTaxRow['papers'][number] => ({
  entryId: f.entryId,
  on: f.on,
  text: f.text,
  href: hrefOfSource({ sourceKind: f.sourceKind, sourceId: f.sourceId, id: f.entryId }),
  net: toDecimalString(f.net),
  tax: toDecimalString(f.tax),
})

/** The rows of a period as they are now: what is in no filed return, and what came to light of filed days. */
export const readTaxRows = async (
  db: Db,
  { from, through, basis }: { readonly from: Day; readonly through: Day; readonly basis: TaxBasis },
  currency: string,
): Promise<readonly FiledTaxRow[]> => {
  const late = await listLateEntries(db, from)
  const facts = await listTaxFacts(db, basis, { from, through, late }, currency)
  return taxRows(facts, currency).flatMap((row): FiledTaxRow[] => {
    const [first] = row.facts
    if (!first) return []
    const { side, code, name, treatment, component, rate, accountId } = first
    return [
      {
        side,
        code,
        name,
        treatment,
        component,
        rate: rate.toString(),
        accountId,
        net: toDecimalString(row.net),
        tax: toDecimalString(row.tax),
        papers: row.facts.map(paperOf),
      },
    ]
  })
}

/** An amount as it was written down. */
export const amountOf = (text: string, currency: string): Money => {
  const read = parseMoney(text, currency)
  return read.ok ? read.value : zeroMoney(currency)
}

/** What rows come to. */
export const sumsOfRows = (rows: readonly FiledTaxRow[], currency: string) =>
  taxToPay(
    rows.map((r) => ({ side: r.side, tax: amountOf(r.tax, currency) })),
    currency,
  )

const stateOf = (r: TaxReturnRecord): 'draft' | 'filed' | 'paid' => (r.paidOn ? 'paid' : r.filedOn ? 'filed' : 'draft')

const viewOf = async (db: Db, r: TaxReturnRecord, currency: string) => {
  const rows = r.rows ?? (await readTaxRows(db, { from: r.fromDay, through: r.through, basis: r.basis }, currency))
  const { sales, purchases, due } = sumsOfRows(rows, currency)
  return {
    id: r.id,
    from: r.fromDay,
    through: r.through,
    basis: r.basis,
    state: stateOf(r),
    filedOn: r.filedOn,
    paidOn: r.paidOn,
    paid: r.paid === null ? null : toDecimalString(money(r.paid, currency)),
    entryId: r.entryId,
    rows,
    totals: { sales: toDecimalString(sales), purchases: toDecimalString(purchases), due: toDecimalString(due) },
  }
}

/** A return: a draft as it would be filed now, a filed one as it was filed. */
export const taxReturnView = async (db: Db, id: number, currency: string) => {
  const record = await findTaxReturn(db, id)
  return record && viewOf(db, record, currency)
}
export type TaxReturnView = NonNullable<Awaited<ReturnType<typeof taxReturnView>>>

/** All returns, the newest first, their rows without the documents they are made of. */
export const taxReturnViews = async (db: Db, currency: string) =>
  Promise.all(
    (await listTaxReturns(db)).map(async (r) => {
      const view = await viewOf(db, r, currency)
      return { ...view, rows: view.rows.map((row) => ({ ...row, papers: [] })) }
    }),
  )

/** A return on the list of them. */
export interface TaxReturnListRow {
  readonly id: number
  readonly from: Day
  readonly through: Day
  readonly basis: TaxBasis
  readonly state: TaxReturnView['state']
  readonly filedOn: Day | null
  readonly sales: Money
  readonly purchases: Money
  readonly due: Money
}

export const readTaxReturns = async ({ db, currency }: Where): Promise<readonly TaxReturnListRow[]> =>
  Promise.all(
    (await listTaxReturns(db)).map(async (r) => {
      const { id, from, through, basis, state, filedOn, rows } = await viewOf(db, r, currency)
      return { id, from, through, basis, state, filedOn, ...sumsOfRows(rows, currency) }
    }),
  )

/** A document of a return, in the row it belongs to. */
export interface TaxPaperRow {
  readonly side: FiledTaxRow['side']
  readonly code: string
  readonly name: string
  readonly component: string | null
  readonly rate: string
  readonly on: Day
  readonly text: string
  readonly href: string
  readonly net: Money
  readonly tax: Money
}

/** What a return is made of, document by document. */
export const readTaxPapers = async ({ db, currency }: Where, id: number): Promise<readonly TaxPaperRow[]> =>
  ((await taxReturnView(db, id, currency))?.rows ?? []).flatMap(({ papers, side, code, name, component, rate }) =>
    papers.map((p) => ({
      side,
      code,
      name,
      component,
      rate,
      on: p.on,
      text: p.text,
      href: p.href,
      net: amountOf(p.net, currency),
      tax: amountOf(p.tax, currency),
    })),
  )

const lastFiled = async (db: Db): Promise<TaxReturnRecord | undefined> =>
  (await listTaxReturns(db)).find((r) => r.filedOn !== null)
const INVOICED: TaxBasis = 'invoiced'

/** How tax is due: as in the last return that was filed. */
export const readBasis = async (db: Db): Promise<TaxBasis> => (await lastFiled(db))?.basis ?? INVOICED

/** The month a next return would be of: after the last filed one, else the month before this one; and how tax was due last. */
export const readNextReturn = async ({ db, today }: Where) => {
  const last = await lastFiled(db)
  const from = last ? addDays(last.through, 1) : monthStart(addMonths(today, -1))
  const end = monthEnd(from)
  return { from, through: end < today ? end : today, basis: last?.basis ?? INVOICED }
}
