import { isPositiveMoney, money, smallerMoney, subtractMoney, sumMoney, type Money } from '@/core/money'
import { postBounce, type HeldKind } from '@/core/ledger'
import type { ComponentTax } from '@/core/tax'
import type { Day } from '@/core/day'
import {
  findDues,
  insertDues,
  insertFills,
  insertHeldMoves,
  insertReceiptVoid,
  listFillsOfHeld,
  listFillsOfReceipt,
  listHeldMoves,
  lockHeld,
  type ReceiptRow,
} from '@/data/queries/money'
import { findInvoice } from '@/data/queries/invoices'
import { findBanked, insertTaxMoves, sumDiscountTax } from '@/data/queries/promises'
import { lockSale } from '@/data/queries/sales'
import type { Work } from '../command'
import { refuse } from '../refuse'
import { refreshSale } from '../sales/refreshSale'
import { refreshTouched } from './takeReceipt'
import { asPostings, negateTaxes, taxGoing } from './taxWork' // prettier-ignore

interface TakingBack {
  readonly on: Day
  readonly kind: 'voided' | 'bounced'
  readonly reason: string
  readonly bankFee: Money
}

interface HeldBack {
  readonly customerId: number
  readonly saleId: number | null
  readonly kind: HeldKind
  readonly amount: Money
}

/**
 * Takes a receipt back. What it paid is owed again, discounts included; what it is still held as is held no more. Money of
 * it that was held and has been put on bills since is followed there, and those bills are open again: only for a bounced
 * one, since the owner can take that step back himself before voiding.
 */
export const takeBack = async (w: Work, receipt: ReceiptRow, how: TakingBack): Promise<void> => {
  const fills = await listFillsOfReceipt(w.tx, receipt.id, w.currency)
  const moves = (await listHeldMoves(w.tx, { receiptId: receipt.id }, w.currency)).filter((m) => m.why === 'receipt') // prettier-ignore
  const saleIds = new Set([...fills.map((f) => f.saleId), ...moves.flatMap((m) => m.saleId ?? [])])
  for (const saleId of [...saleIds].sort((a, b) => a - b)) await lockSale(w.tx, saleId, w.currency)
  const held: HeldBack[] = []
  const reopened: { dueId: number; saleId: number; amount: Money }[] = []
  const tax: { saleId: number | null; taxes: ComponentTax[] }[] = []
  for (const m of moves) {
    const place = { customerId: m.customerId, saleId: m.saleId }
    const there = await lockHeld(w.tx, place, w.currency)
    const kinds = sumMoney(there.map((h) => h.amount), w.currency) // prettier-ignore
    const part = smallerMoney(m.amount, kinds)
    const missing = subtractMoney(m.amount, part)
    if (isPositiveMoney(missing)) {
      if (how.kind === 'voided') refuse({ code: 'held-was-used' })
      reopened.push(...(await followHeld(w, place, missing)))
    }
    let left = part
    for (const h of there) {
      const taken = smallerMoney(left, h.amount)
      if (isPositiveMoney(taken)) held.push({ ...place, kind: h.kind, amount: taken })
      left = subtractMoney(left, taken)
    }
    if (isPositiveMoney(part)) tax.push({ saleId: m.saleId, taxes: await taxGoing(w, m.saleId, part, kinds) })
  }
  const discountTax = negateTaxes(await sumDiscountTax(w.tx, receipt.id, w.currency))
  const discounts = sumMoney(fills.filter((f) => f.kind === 'discount').map((f) => f.amount), w.currency) // prettier-ignore
  const owedAgain = [...fills.map((f) => f.amount), ...reopened.map((r) => r.amount)]
  const counter =
    receipt.invoiceId === null ? null : (await findInvoice(w.tx, receipt.invoiceId, w.currency))!
  const banked = await findBanked(w.tx, receipt.id)
  if (banked && how.kind === 'voided') refuse({ code: 'banked-already', number: receipt.number })
  const entry = postBounce({
    on: how.on,
    text: `Receipt ${receipt.number} ${how.kind}: ${how.reason}`,
    from: banked ? 'bank' : receipt.method,
    amount: receipt.amount,
    rounding: receipt.rounding,
    owedAgain: sumMoney(counter ? [receipt.amount] : owedAgain, w.currency),
    held,
    discount: {
      net: subtractMoney(discounts, sumMoney(discountTax.map((t) => t.amount), w.currency)),
      taxes: await asPostings(w, discountTax),
    },
    taxAhead: await asPostings(w, tax.flatMap((t) => t.taxes)),
    bankFee: how.bankFee,
  }) // prettier-ignore
  const entryId = await w.post(entry, {
    kind: 'receipt',
    id: receipt.id,
    customerId: receipt.customerId,
    saleId: moves[0]?.saleId ?? fills[0]?.saleId ?? counter?.saleId ?? null,
    reversesId: receipt.entryId,
  })
  const note = { onDay: how.on, receiptId: receipt.id, entryId }
  await insertReceiptVoid(w.tx, { ...note, kind: how.kind, reason: how.reason, bankFee: how.bankFee.minor })
  await insertFills(w.tx, [
    ...fills.map((f) => ({ ...note, dueId: f.dueId, amount: -f.amount.minor, kind: f.kind === 'discount' ? ('discount' as const) : ('void' as const) })),
    ...reopened.map((r) => ({ ...note, dueId: r.dueId, amount: -r.amount.minor, kind: 'void' as const })),
  ]) // prettier-ignore
  await insertHeldMoves(w.tx, held.map((h) => ({ ...note, ...h, amount: -h.amount.minor, why: 'void' as const }))) // prettier-ignore
  await insertTaxMoves(w.tx, discountTax, { ...note, why: 'discount' })
  for (const t of tax) await insertTaxMoves(w.tx, t.taxes, { ...note, why: 'ahead', saleId: t.saleId })
  if (counter) {
    await insertDues(w.tx, [
      { invoiceId: counter.id, saleId: counter.saleId, customerId: receipt.customerId, issuedOn: how.on, dueOn: how.on, amount: receipt.amount.minor, label: `receipt ${receipt.number} came back` },
    ]) // prettier-ignore
    await refreshSale(w, counter.saleId)
  }
  await refreshTouched(w, receipt.id)
}

/** The dues that a place's held money was put on, newest first, up to an amount: they are owed again. */
const followHeld = async (
  w: Work,
  place: { readonly customerId: number; readonly saleId: number | null },
  amount: Money,
): Promise<{ dueId: number; saleId: number; amount: Money }[]> => {
  const fills = await listFillsOfHeld(w.tx, place, w.currency)
  const filled = new Map(
    (await findDues(w.tx, fills.map((f) => f.dueId), w.currency)).map((d) => [d.id, d.amount.minor - d.open.minor]),
  ) // prettier-ignore
  let left = amount.minor
  const reopened: { dueId: number; saleId: number; amount: Money }[] = []
  for (const f of fills) {
    const most = [left, f.amount.minor, filled.get(f.dueId) ?? 0n].reduce((a, b) => (a < b ? a : b))
    if (most <= 0n) continue
    filled.set(f.dueId, filled.get(f.dueId)! - most)
    left -= most
    reopened.push({ dueId: f.dueId, saleId: f.saleId, amount: money(most, w.currency) })
  }
  if (left > 0n) refuse({ code: 'held-was-used' })
  return reopened
}
