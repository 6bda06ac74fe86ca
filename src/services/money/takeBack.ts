import { present } from '@/core/present'
import { isPositiveMoney, money, negateMoney, subtractMoney, sumMoney, type Money } from '@/core/money'
import { firstUndisturbed, lowestFrom } from '@/core/running'
import { HELD_KINDS, postBounce, type HeldKind } from '@/core/ledger'
import type { ComponentTax } from '@/core/tax'
import { laterDay, type Day } from '@/core/day'
import { findInvoice, type InvoiceRow } from '@/data/queries/invoices'
import { lockSale } from '@/data/queries/sales'
import type { Work } from '../command'
import { refuse } from '@/contract/refuse'
import { refreshSale } from '../sales/refreshSale'
import { byKind, sumHeldAt, type HeldPlace } from './heldOn'
import { discountPosted } from './discountWork'
import { newestSaleOf } from './saleToCharge'
import { asPostings, taxBack, taxGoing } from './taxWork'
import { findDues, insertDues, type DueRow } from '@/data/queries/due'
import { insertFills, isMoney, listFillsOfDues, listFillsOfReceipt, type FillRow } from '@/data/queries/fill'
import { insertHeldMoves, listHeldChanges, listHeldMoves } from '@/data/queries/held'
import { insertReceiptVoid, type ReceiptRow } from '@/data/queries/receipt'
import { insertTaxMoves } from '@/data/queries/taxMove'
import { findBanked } from '@/data/queries/bank'
import { followHeld } from './followHeld'
import type { Reopened } from './reopened'

interface TakingBack {
  readonly on: Day
  readonly kind: 'voided' | 'bounced'
  readonly reason: string
  readonly bankFee: Money
}

/** A place that got money of the receipt: when it was taken, or when a credit note released it. */
interface Arrival extends HeldPlace {
  readonly amount: Money
}

interface HeldBack extends HeldPlace {
  readonly kind: HeldKind
  readonly amount: Money
}

const inTheWay = (from: Day, what: string): never => refuse({ code: 'not-before', from, what })

/**
 * Takes a receipt back. What it paid is owed again, discounts included; what it is still held as is held no more. A
 * voided one must not have been used meanwhile, since the owner can take that step back first. A bounce is always
 * possible: its money is followed to the bills it was put on, and what was refunded, moved or kept as a fee meanwhile is
 * owed as a due of its own, of that day. On a day in the past it touches only what existed then.
 */
export const takeBack = async (w: Work, receipt: ReceiptRow, how: TakingBack): Promise<void> => {
  const { own, moves, paid, arrivals } = await whatItDid(w, receipt, how.on)
  const { held, tax, followed, lost } = await takeFromPlaces(w, arrivals, how)
  const reopened = [...paid, ...followed]
  const discounts = await discountsBack(w, reopened)
  const from = await whereItLies(w, receipt, how)
  const counter = receipt.invoiceId === null ? null : present(await findInvoice(w.tx, receipt.invoiceId, w.currency))
  const owedAgain = counter ? [receipt.amount] : [...reopened.map((r) => r.money), ...lost.map((l) => l.amount)]
  const entry = postBounce({
    on: how.on,
    text: `Receipt ${receipt.number} ${how.kind}: ${how.reason}`,
    from,
    amount: receipt.amount,
    rounding: receipt.rounding,
    owedAgain: sumMoney([...owedAgain, ...reopened.map((r) => r.discount)], w.currency),
    held,
    discount: await discountPosted(w, discounts),
    taxAhead: await asPostings(
      w,
      tax.flatMap((t) => t.taxes),
    ),
    bankFee: how.bankFee,
  })
  const entryId = await w.post(entry, {
    kind: 'receipt',
    id: receipt.id,
    customerId: receipt.customerId,
    saleId: moves[0]?.saleId ?? own[0]?.saleId ?? counter?.saleId ?? null,
    reversesId: receipt.entryId,
  })
  const note = { onDay: how.on, receiptId: receipt.id, entryId }
  await insertReceiptVoid(w.tx, { ...note, kind: how.kind, reason: how.reason, bankFee: how.bankFee.minor })
  await noteTakenBack(w, note, { reopened, held, discounts, tax })
  const touched = new Set([...reopened.map((r) => r.saleId), ...arrivals.flatMap((a) => a.saleId ?? [])])
  for (const saleId of await oweAnew(w, receipt, how.on, { counter, lost })) touched.add(saleId)
  for (const saleId of [...touched].sort((a, b) => a - b)) await refreshSale(w, saleId)
}

/** What the receipt did, with every sale of it locked: its fills and moves, what still stands of them, and where money came. */
const whatItDid = async (w: Work, receipt: ReceiptRow, on: Day) => {
  const own = await listFillsOfReceipt(w.tx, receipt.id, w.currency)
  const moves = (await listHeldMoves(w.tx, { receiptId: receipt.id }, w.currency)).filter((m) => m.why === 'receipt')
  await lockSales(w, [...own.map((f) => f.saleId), ...moves.flatMap((m) => m.saleId ?? [])])
  const released = own.filter((f) => f.kind === 'released')
  const credited = released.map((f) => f.on).reduce(laterDay, on)
  if (credited > on) inTheWay(credited, 'Part of this money was credited later, and held for the customer since.')
  const arrivals = mergeArrivals(
    [
      ...moves.map((m) => ({ customerId: m.customerId, saleId: m.saleId, amount: m.amount })),
      ...released.map((f) => ({ customerId: f.customerId, saleId: null, amount: negateMoney(f.amount) })),
    ],
    w.currency,
  )
  return { own, moves, paid: paidByReceipt(own, w.currency), arrivals }
}

/** The money's account on the day: the bank where it was brought there, else what it was taken as. */
const whereItLies = async (w: Work, receipt: ReceiptRow, how: TakingBack) => {
  const banked = await findBanked(w.tx, receipt.id)
  if (!banked) return receipt.accountId ?? receipt.method
  if (how.kind === 'voided') refuse({ code: 'banked-already', number: receipt.number })
  if (banked.on > how.on) inTheWay(banked.on, `Receipt ${receipt.number} went to the bank later than that.`)
  return 'bank' as const
}

interface TaxTaken {
  readonly saleId: number | null
  readonly taxes: readonly ComponentTax[]
}

/** Takes money from where it lies held; what of it is gone from there is followed to what it paid, or is lost. */
const takeFromPlaces = async (w: Work, arrivals: readonly Arrival[], how: TakingBack) => {
  const held: HeldBack[] = []
  const followed: Reopened[] = []
  const tax: TaxTaken[] = []
  const lost: Arrival[] = []
  for (const arrival of arrivals) {
    const back = await takeFromPlace(w, arrival, how.on)
    held.push(...back.held)
    if (isPositiveMoney(back.part)) tax.push({ saleId: arrival.saleId, taxes: back.tax })
    if (!isPositiveMoney(back.missing)) continue
    if (how.kind === 'voided') refuse({ code: 'held-was-used' })
    const reopened = await followHeld(w, arrival, back.missing, how.on)
    await lockSales(
      w,
      reopened.map((r) => r.saleId),
    )
    followed.push(...reopened)
    const found = sumMoney(
      reopened.map((r) => r.money),
      w.currency,
    )
    lost.push({ ...arrival, amount: subtractMoney(back.missing, found) })
  }
  return { held, followed, tax, lost }
}

interface TakenBackParts {
  readonly reopened: readonly Reopened[]
  readonly held: readonly HeldBack[]
  readonly discounts: Awaited<ReturnType<typeof discountsBack>>
  readonly tax: readonly TaxTaken[]
}

/** Writes beside the entry what it did: dues open again, held money gone, discounts and tax ended. */
const noteTakenBack = async (
  w: Work,
  note: { readonly onDay: Day; readonly receiptId: number; readonly entryId: number },
  { reopened, held, discounts, tax }: TakenBackParts,
): Promise<void> => {
  const fill = (dueId: number, amount: Money, kind: 'void' | 'discount') =>
    isPositiveMoney(amount) ? [{ ...note, dueId, amount: negateMoney(amount).minor, kind }] : []
  await insertFills(
    w.tx,
    reopened.flatMap((r) => [...fill(r.dueId, r.money, 'void'), ...fill(r.dueId, r.discount, 'discount')]),
  )
  await insertHeldMoves(
    w.tx,
    held.map((h) => ({ ...note, ...h, amount: negateMoney(h.amount).minor, why: 'void' as const })),
  )
  for (const d of discounts) await insertTaxMoves(w.tx, d.taxes, { ...note, why: 'discount', dueId: d.dueId })
  for (const t of tax) await insertTaxMoves(w.tx, t.taxes, { ...note, why: 'ahead', saleId: t.saleId })
}

interface OwedAnew {
  readonly counter: InvoiceRow | null
  readonly lost: readonly Arrival[]
}

/** Dues of their own for what no open due says: a counter sale's whole sum, and money that was spent meanwhile. Their sales. */
const oweAnew = async (w: Work, receipt: ReceiptRow, on: Day, { counter, lost }: OwedAnew): Promise<number[]> => {
  const sales: number[] = []
  const due = { issuedOn: on, dueOn: on, label: `receipt ${receipt.number} came back` }
  if (counter) {
    const { id: invoiceId, saleId, customerId } = counter
    await insertDues(w.tx, [{ ...due, invoiceId, saleId, customerId, amount: receipt.amount.minor }])
    sales.push(saleId)
  }
  for (const { customerId, saleId: of, amount } of lost.filter((l) => isPositiveMoney(l.amount))) {
    const saleId = of ?? (await newestSaleOf(w, customerId, { title: `Receipt ${receipt.number} came back`, on }))
    await insertDues(w.tx, [{ ...due, customerId, saleId, amount: amount.minor, beyond: amount.minor }])
    sales.push(saleId)
  }
  return sales
}

const lockSales = async (w: Work, saleIds: readonly number[]): Promise<void> => {
  for (const saleId of [...new Set(saleIds)].sort((a, b) => a - b)) await lockSale(w.tx, saleId, w.currency)
}

/** What of a receipt still stands on each due: money, less what credits released of it, and the discount it took. */
const paidByReceipt = (fills: readonly FillRow[], currency: string): Reopened[] =>
  [...new Set(fills.map((f) => f.dueId))].map((dueId) => {
    const ofDue = fills.filter((f) => f.dueId === dueId)
    const sum = (kind: (f: FillRow) => boolean): Money =>
      sumMoney(
        ofDue.filter(kind).map((f) => f.amount),
        currency,
      )
    return {
      dueId,
      saleId: present(ofDue[0]).saleId,
      money: sum((f) => isMoney(f.kind)),
      discount: sum((f) => f.kind === 'discount'),
    }
  })

const mergeArrivals = (arrivals: readonly Arrival[], currency: string): Arrival[] => {
  const byPlace = new Map<string, Arrival>()
  for (const a of arrivals) {
    const key = `${a.customerId}:${a.saleId}`
    const before = byPlace.get(key)
    byPlace.set(key, before ? { ...a, amount: sumMoney([before.amount, a.amount], currency) } : a)
  }
  return [...byPlace.values()]
}

/** What of money that came to a place still lies there on the day of the bounce, and what had left by then. */
const takeFromPlace = async (w: Work, arrival: Arrival, on: Day) => {
  const place = { customerId: arrival.customerId, saleId: arrival.saleId }
  const whole = await sumHeldAt(w, place)
  const changes = await listHeldChanges(w.tx, place)
  const from = firstUndisturbed(byKind(changes), arrival.amount.minor, on)
  if (from > on) inTheWay(from, 'The money of it was still held then, and used later.')
  let left = arrival.amount.minor
  const held: HeldBack[] = []
  for (const kind of HELD_KINDS) {
    const free = lowestFrom(
      changes.filter((c) => c.kind === kind),
      on,
    )
    const taken = left < free ? left : free
    if (taken <= 0n) continue
    held.push({ ...place, kind, amount: money(taken, w.currency) })
    left -= taken
  }
  const part = sumMoney(
    held.map((h) => h.amount),
    w.currency,
  )
  return {
    held,
    part,
    missing: money(left, w.currency),
    tax: isPositiveMoney(part) ? await taxGoing(w, { saleId: arrival.saleId, part, held: whole }) : [],
  }
}

/** Discounts that end with what they were given for, due by due, and the tax that is owed again with them. */
const discountsBack = async (w: Work, reopened: readonly Reopened[]) => {
  const ending = reopened.filter((r) => isPositiveMoney(r.discount))
  const dues: readonly DueRow[] = await findDues(
    w.tx,
    ending.map((r) => r.dueId),
    w.currency,
  )
  const fills = await listFillsOfDues(
    w.tx,
    dues.map((d) => d.id),
    w.currency,
  )
  return Promise.all(
    ending.map(async (r) => {
      const whole = sumMoney(
        fills.filter((f) => f.dueId === r.dueId && f.kind === 'discount').map((f) => f.amount),
        w.currency,
      )
      const taxes = await taxBack(w, { id: r.dueId, why: 'discount' }, r.discount, whole)
      return {
        dueId: r.dueId,
        taxes,
        net: subtractMoney(
          r.discount,
          sumMoney(
            taxes.map((t) => t.amount),
            w.currency,
          ),
        ),
      }
    }),
  )
}
