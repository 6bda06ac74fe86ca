import { sql } from 'drizzle-orm'
import { decimal, type Decimal } from '@/core/money'
import { present } from '@/core/present'
import type { TaxBasis, TaxFact, Treatment } from '@/core/tax'
import type { Db } from '../connect'
import { isOneOf } from './search'
import { listPlainTaxFacts, type TaxSpan } from './taxFacts'

/** A fact of tax with what its code is called and the entry behind it. */
export interface NamedTaxFact extends TaxFact {
  readonly code: string
  readonly name: string
  readonly treatment: Treatment
  readonly component: string | null
  readonly rate: Decimal
  /** The account of the component; none on purchases and where a code has no components. */
  readonly accountId: number | null
  readonly text: string
  readonly sourceKind: string
  readonly sourceId: number | null
}

interface Named extends Record<string, unknown> {
  readonly id: number
  readonly code: string
  readonly name: string
  readonly treatment: Treatment
}

/** The facts of tax of a span that are in no filed return, each with its code and its entry. */
export const listTaxFacts = async (
  db: Db,
  basis: TaxBasis,
  span: TaxSpan,
  currency: string,
): Promise<NamedTaxFact[]> => {
  const facts = await listPlainTaxFacts(db, basis, span, currency)
  if (facts.length === 0) return []
  const ids = [...new Set(facts.map((f) => f.entryId))]
  const [codes, components, entries] = await Promise.all([
    db.execute<Named>(sql`select id, code, name, treatment from tax_code`),
    db.execute<{ id: number; name: string; rate: string; account_id: number }>(
      sql`select id, name, rate::text, account_id from tax_component`,
    ),
    db.execute<{ id: number; text: string; source_kind: string; source_id: number | null }>(
      sql`select id, text, source_kind, source_id from entry e where ${isOneOf(sql`e.id`, ids)}`,
    ),
  ])
  const codeOf = new Map(codes.map((c) => [c.id, c]))
  const componentOf = new Map(components.map((c) => [c.id, c]))
  const entryOf = new Map(entries.map((e) => [e.id, e]))
  return facts
    .map((f): NamedTaxFact => {
      const code = f.taxCodeId === null ? undefined : codeOf.get(f.taxCodeId)
      const component = f.componentId === null ? undefined : componentOf.get(f.componentId)
      const entry = present(entryOf.get(f.entryId))
      return {
        ...f,
        code: code?.code ?? '',
        name: code?.name ?? 'No tax code',
        treatment: code?.treatment ?? 'taxed',
        component: component?.name ?? null,
        rate: decimal(component?.rate ?? '0'),
        accountId: component?.account_id ?? null,
        text: entry.text,
        sourceKind: entry.source_kind,
        sourceId: entry.source_id,
      }
    })
    .sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : a.entryId - b.entryId))
}
