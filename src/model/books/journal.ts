import type { Day } from '@/core/day'
import { isKeptByPapers } from '@/core/ledger'
import { listAccounts } from '@/data/queries/accounts'
import { listClosings } from '@/data/queries/closings'
import { listTaxed, sumTax, type TaxedFilter, type TaxedRow } from '@/data/queries/taxSums'
import type { Part } from '@/data/queries/inOrder'
import type { Where } from '../where'
import { hrefOfSource } from './entrySource'

interface Span {
  readonly from: Day
  readonly to: Day
}

/** The accounts that are offered where one is chosen. */
export const readAccounts = async ({ db }: Where) => (await listAccounts(db)).filter((a) => !a.hidden)

/** Those of them that the owner may post to by hand: no documents keep them. */
export const readOwnAccounts = async (where: Where) =>
  (await readAccounts(where)).filter((a) => !isKeptByPapers(a)).map(({ id, code, name }) => ({ id, code, name }))

export type Closing = Awaited<ReturnType<typeof listClosings>>[number]

/** What was closed and opened again, and why. */
export const readClosings = ({ db }: Where) => listClosings(db)

/** Tax of a span by code and component. */
export const readTax = ({ db, currency }: Where, span: Span) => sumTax(db, span, currency)

/** A document with tax in it, and its page. */
export interface Taxed extends TaxedRow {
  readonly href: string
}

/** The documents that tax of a span is made of, and what those of that code and component come to. */
export const readTaxed = async (where: Where, filter: TaxedFilter, part: Part) => {
  const [rows, sums] = await Promise.all([listTaxed(where.db, filter, part, where.currency), readTax(where, filter)])
  const of = sums.filter(
    (s) =>
      s.codeId === (filter.code ?? s.codeId) && (filter.component === undefined || s.componentId === filter.component),
  )
  return {
    rows: rows.map((r): Taxed => ({ ...r, href: hrefOfSource({ ...r, id: r.entryId ?? 0 }) })),
    of,
  }
}
