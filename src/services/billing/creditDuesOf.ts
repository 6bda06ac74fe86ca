import { isPositiveMoney, money, negateMoney, smallerMoney, subtractMoney, sumMoney, type Money } from '@/core/money'
import { creditDues, type CreditedDues, type DueParts } from '@/core/receipt'
import { balanceOn, lowestFrom, type Change } from '@/core/running'
import type { ComponentTax } from '@/core/tax'
import type { Day } from '@/core/day'
import type { InvoiceRow } from '@/data/queries/invoices'
import type { Work } from '../command'
import { openChanges } from '../money/duesOn'
import { taxBack } from '../money/taxWork'
import { refuse } from '@/contract/refuse'
import { listDuesOfInvoice, lockOpenDues, type DueRow } from '@/data/queries/due'
import { insertFills, isMoney, listFillsOfDues, type FillRow } from '@/data/queries/fill'
import { insertTaxMoves } from '@/data/queries/taxMove'

const KINDS = {
  writtenOff: (f: FillRow) => f.kind === 'write-off',
  discount: (f: FillRow) => f.kind === 'discount',
  paid: (f: FillRow) => isMoney(f.kind),
}

/** What a due is made of on a day: as it was that evening, or as far as every later day bears it, too. */
const partsOf = (
  due: DueRow,
  fills: readonly FillRow[],
  balance: (changes: readonly Change[], on: Day) => bigint,
  on: Day,
): DueParts => {
  const mine = fills.filter((f) => f.dueId === due.id)
  const amount = (changes: readonly Change[]): Money => {
    const minor = due.issuedOn > on ? 0n : balance(changes, on)
    return money(minor < 0n ? 0n : minor, due.amount.currency)
  }
  const of = (counts: (f: FillRow) => boolean) =>
    amount(mine.filter(counts).map((f) => ({ on: f.on, by: f.amount.minor })))
  return {
    id: due.id,
    dueOn: due.dueOn,
    open: amount(openChanges(due, mine)),
    writtenOff: of(KINDS.writtenOff),
    paid: of(KINDS.paid),
    discount: of(KINDS.discount),
  }
}

const alike = (a: CreditedDues, b: CreditedDues): boolean =>
  JSON.stringify(a, (_, v: unknown) => (typeof v === 'bigint' ? v.toString() : v)) ===
  JSON.stringify(b, (_, v: unknown) => (typeof v === 'bigint' ? v.toString() : v))

export interface InvoiceCredited extends CreditedDues {
  readonly fills: readonly FillRow[]
  readonly rows: readonly DueRow[]
}

/**
 * What a credit takes of an invoice's dues on a day. Where something later (a payment, a plan changed, a bounce) stands in
 * the way of what existed on that day, the refusal says from which day on it works.
 */
export const creditDuesOf = async (w: Work, invoice: InvoiceRow, gross: Money, on: Day): Promise<InvoiceCredited> => {
  await lockOpenDues(w.tx, invoice.customerId, w.currency)
  const rows = await listDuesOfInvoice(w.tx, invoice.id, w.currency)
  const fills = await listFillsOfDues(
    w.tx,
    rows.map((d) => d.id),
    w.currency,
  )
  const asOf = (day: Day, balance: typeof balanceOn) =>
    creditDues(
      rows.map((d) => partsOf(d, fills, balance, day)),
      gross,
    )
  const works = (day: Day): boolean => alike(asOf(day, balanceOn), asOf(day, lowestFrom))
  if (!works(on)) {
    const later = [...rows.map((d) => d.issuedOn), ...fills.map((f) => f.on)].filter((d) => d > on).sort()
    const from = later.find(works) ?? w.today
    refuse({
      code: 'not-before',
      from,
      what: `Something happened to invoice ${invoice.number} after that day: it was paid, arranged anew or opened again.`,
    })
  }
  return { ...asOf(on, lowestFrom), fills, rows }
}

/** The tax that is owed again with what a credit takes back from discounts or bad debts, due by due. */
export interface TakenBack {
  readonly dueId: number
  readonly why: 'discount' | 'write-off'
  readonly net: Money
  readonly taxes: readonly ComponentTax[]
}

export const takenBack = async (w: Work, credited: InvoiceCredited): Promise<readonly TakenBack[]> => {
  const sumOf = (dueId: number, kind: FillRow['kind']): Money =>
    sumMoney(
      credited.fills.filter((f) => f.dueId === dueId && f.kind === kind).map((f) => f.amount),
      w.currency,
    )
  const parts = credited.dues.flatMap((d) => [
    { dueId: d.dueId, why: 'discount' as const, part: d.discount },
    { dueId: d.dueId, why: 'write-off' as const, part: d.writtenOff },
  ])
  return Promise.all(
    parts
      .filter((p) => isPositiveMoney(p.part))
      .map(async ({ dueId, why, part }) => {
        const taxes = await taxBack(w, { id: dueId, why }, part, sumOf(dueId, why))
        return {
          dueId,
          why,
          taxes,
          net: subtractMoney(
            part,
            sumMoney(
              taxes.map((t) => t.amount),
              w.currency,
            ),
          ),
        }
      }),
  )
}

interface Source {
  readonly receiptId: number | null
  readonly amount: Money
}

/** Whose money on a due a credit releases: what came last, first. */
const releasedOf = (fills: readonly FillRow[], dueId: number, amount: Money): Source[] => {
  const money = fills.filter((f) => f.dueId === dueId && isMoney(f.kind))
  const sources = [...new Set(money.map((f) => f.receiptId))].reverse()
  let left = amount
  return sources.flatMap((receiptId) => {
    const there = sumMoney(
      money.filter((f) => f.receiptId === receiptId).map((f) => f.amount),
      amount.currency,
    )
    const part = smallerMoney(left, there)
    if (!isPositiveMoney(part)) return []
    left = subtractMoney(left, part)
    return [{ receiptId, amount: part }]
  })
}

/**
 * Writes what a credit does to dues: it is put on them whole, and what it releases (money, discount, what was written off)
 * comes off again, first, so that no due is ever filled beyond its amount.
 */
export const noteCredit = async (
  w: Work,
  credited: InvoiceCredited,
  back: readonly TakenBack[],
  paper: { readonly noteId: number; readonly onDay: Day; readonly entryId: number },
): Promise<void> => {
  const note = { onDay: paper.onDay, invoiceId: paper.noteId, entryId: paper.entryId }
  const takers = discountTakers(credited.fills)
  await insertFills(
    w.tx,
    credited.dues.flatMap((d) => {
      const of = { ...note, dueId: d.dueId }
      const off = (amount: Money) => negateMoney(amount).minor
      return [
        { ...of, kind: 'discount' as const, amount: off(d.discount), receiptId: takers.get(d.dueId) },
        { ...of, kind: 'write-off' as const, amount: off(d.writtenOff) },
        ...releasedOf(credited.fills, d.dueId, d.paid).map((s) => ({
          ...of,
          kind: 'released' as const,
          amount: off(s.amount),
          receiptId: s.receiptId,
        })),
        {
          ...of,
          kind: 'credit-note' as const,
          amount: sumMoney([d.open, d.writtenOff, d.paid, d.discount], w.currency).minor,
        },
      ].filter((f) => f.amount !== 0n)
    }),
  )
  for (const t of back)
    await insertTaxMoves(w.tx, t.taxes, {
      onDay: paper.onDay,
      why: t.why,
      dueId: t.dueId,
      entryId: paper.entryId,
      receiptId: t.why === 'discount' ? takers.get(t.dueId) : undefined,
    })
}

/** The receipt that took the discount that stands on a due: with it goes what is left of it. */
const discountTakers = (fills: readonly FillRow[]): Map<number, number> =>
  new Map(
    fills.flatMap((f) =>
      f.kind === 'discount' && f.receiptId !== null && isPositiveMoney(f.amount) ? [[f.dueId, f.receiptId]] : [],
    ),
  )
