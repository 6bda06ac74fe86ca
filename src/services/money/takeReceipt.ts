import { takeReceiptInput } from '@/contract/inputs/money/takeReceipt'
import { present } from '@/core/present'
import type { z } from 'zod'
import { isPositiveMoney, sumMoney, type Money } from '@/core/money'
import { fillNamed, tenderOf, type Filling } from '@/core/receipt'
import { postReceipt, type HeldKind, type ReceiptMethod } from '@/core/ledger'
import type { Day } from '@/core/day'
import { takeNumber } from '@/data/queries/numbers'
import { findSales, lockSale } from '@/data/queries/sales'
import { defineCommand, paperDay, type Work } from '../command'
import { found, refuse, refuseAt } from '@/contract/refuse'
import { customerFor } from '../people/customerFor'
import { refreshSale } from '../sales/refreshSale'
import { heldKindOf } from './heldWork'
import { layawayLeft } from '../plans/layawayLeft'
import { discountsOf, noteDiscounts, discountPosted } from './discountWork'
import { duesOn, type DuesOn } from './duesOn'
import { asPostings, taxComing } from './taxWork'
import { readDepositsAsked } from '@/model/receivables/depositsAsked'
import { fillOldestOn } from '@/model/receipt/fillOldestOn'
import { findDueOwner, lockOpenDues, type DueRow } from '@/data/queries/due'
import { insertFills, listFillsOfReceipt } from '@/data/queries/fill'
import { insertHeldMoves, listHeldMoves } from '@/data/queries/held'
import { insertReceipt } from '@/data/queries/receipt'
import { reserveWithEntry } from '@/data/queries/reserveId'
import { insertTaxMoves } from '@/data/queries/taxMove'
import { goOnFrom } from '@/data/transact'
import { receiptView } from '@/model/receipt/receiptView'
import { offered } from '@/model/receipt/offered'
type TakeReceipt = Omit<z.output<typeof takeReceiptInput>, 'forOthers' | 'method'> & {
  readonly forOthers?: boolean
  readonly method: ReceiptMethod
}

/** What a receipt may fill, of whoever owes it: locked, and what of it was open on the day and on every later one. */
export const duesToFill = async (
  w: Work,
  owners: readonly number[],
  onDay: Day,
): Promise<DuesOn & { readonly all: readonly DueRow[] }> => {
  const all: DueRow[] = []
  for (const owner of [...owners].sort((a, b) => a - b)) all.push(...(await lockOpenDues(w.tx, owner, w.currency)))
  return { all, ...(await duesOn(w, all, onDay)) }
}

const fill = async (
  w: Work,
  input: TakeReceipt,
  who: Payer,
  received: Money,
  onDay: Day,
): Promise<{ readonly filling: Filling; readonly dues: readonly DueRow[] }> => {
  if (input.for === 'account') return { dues: [], filling: { dues: [], held: [], onAccount: received } }
  const { all, dues, refuseEarly } = await duesToFill(w, who.owners, onDay)
  const open = offered(dues, onDay)
  if (input.for === 'oldest') {
    const deposits = await readDepositsAsked(w.tx, who.payer, w.business, onDay)
    return { dues, filling: fillOldestOn(dues, deposits, received, onDay) }
  }
  const wishes = input.for.map((x, i) => ({ ...x, amount: w.money(x.amount, `for.${i}.amount`) }))
  for (const x of wishes) {
    if (!('dueId' in x)) continue
    const early = all.find((d) => d.id === x.dueId && d.issuedOn > onDay)
    if (early) refuse({ code: 'before-invoice', on: onDay, issuedOn: early.issuedOn })
    refuseEarly(x.dueId, x.amount)
  }
  const filled = fillNamed(open, wishes, received)
  return filled.ok ? { dues, filling: filled.value } : refuse(filled.error)
}

interface Payer {
  readonly payer: number
  /** Whose dues it may pay: the payer's, and those of others where the owner said so. */
  readonly owners: readonly number[]
}

/** Who pays: the customer named, or the one whose dues and sales are named. Others' papers only where that is said. */
const whoPays = async (w: Work, input: TakeReceipt): Promise<Payer> => {
  const named = Array.isArray(input.for) ? input.for : []
  const saleIds = named.flatMap((x) => ('saleId' in x ? [x.saleId] : []))
  const sales = await findSales(w.tx, saleIds, w.currency)
  for (const saleId of saleIds)
    found(
      sales.find((s) => s.id === saleId),
      'sale',
      saleId,
    )
  const dueOwners: number[] = []
  for (const x of named) if ('dueId' in x) dueOwners.push(found(await findDueOwner(w.tx, x.dueId), 'due', x.dueId))
  const owners = [
    ...new Set([
      ...(input.customerId === undefined ? [] : [input.customerId]),
      ...sales.map((s) => s.customerId),
      ...dueOwners,
    ]),
  ]
  if (owners.length > 1 && !(input.forOthers && input.customerId !== undefined)) refuse({ code: 'other-customer' })
  const [payer] = owners
  if (payer === undefined) return refuse({ code: 'who-pays' })
  return { payer, owners }
}

/** The sales that money is named for, locked in the order of their ids. */
const lockNamedSales = async (w: Work, input: TakeReceipt): Promise<void> => {
  const named = Array.isArray(input.for) ? input.for.flatMap((x) => ('saleId' in x ? [x.saleId] : [])) : []
  for (const saleId of [...new Set(named)].sort((a, b) => a - b)) await lockSale(w.tx, saleId, w.currency)
}

interface HeldNow {
  readonly customerId: number
  readonly saleId: number | null
  readonly kind: HeldKind
  readonly amount: Money
}

/** What is held of it, for which sale or on account; refused where its sale is closed or a layaway takes no more. */
const heldOf = async (w: Work, filling: Filling, payer: number): Promise<readonly HeldNow[]> => {
  const sales = await findSales(
    w.tx,
    filling.held.map((h) => h.saleId),
    w.currency,
  )
  for (const s of sales) if (s.closedAs) refuse({ code: 'sale-closed', as: s.closedAs, on: present(s.closedOn) })
  const held: HeldNow[] = []
  for (const { saleId, amount } of filling.held) {
    const of = present(sales.find((s) => s.id === saleId))
    const kind = heldKindOf(of.arrangement)
    held.push({ customerId: of.customerId, saleId, kind, amount })
    if (kind !== 'layaway' || !of.agreedOn) continue
    await lockSale(w.tx, of.id, w.currency)
    const left = await layawayLeft(w, of.id)
    if (amount.minor > left.minor) refuse({ code: 'more-than-open', open: left, asked: amount })
  }
  return isPositiveMoney(filling.onAccount)
    ? [...held, { customerId: payer, saleId: null, kind: 'account', amount: filling.onAccount }]
    : held
}

/**
 * Takes money (`into` another account than its method’s): fills dues, holds what is ahead for its sale, keeps the rest on
 * account, posts it, and numbers the receipt.
 */
export const writeReceipt = async (w: Work, input: TakeReceipt, into?: number): Promise<number> => {
  const who = await whoPays(w, input)
  const onDay = paperDay(w, input.on)
  const received = w.money(input.amount, 'amount')
  const { tendered, rounding } = tender(w, input, received)
  await lockNamedSales(w, input)
  const [{ name }, { filling, dues }, number, { id: receiptId, entryId }] = await Promise.all([
    customerFor(w, who.payer),
    fill(w, input, who, received, onDay),
    takeNumber(w.tx, 'receipt', onDay),
    reserveWithEntry(w.tx, 'receipt'),
  ])
  const held = await heldOf(w, filling, who.payer)
  const discounts = await discountsOf(w, dues, filling.dues)
  const ahead = await Promise.all(held.map((h) => taxComing(w, h.saleId, h.amount)))
  const entry = postReceipt({
    on: onDay,
    text: `Receipt ${number}, ${name}`,
    method: input.method,
    into,
    onDues: sumMoney(
      filling.dues.map((d) => d.amount),
      w.currency,
    ),
    held,
    discount: await discountPosted(w, discounts),
    rounding,
    taxAhead: await asPostings(w, ahead.flat()),
  })
  const saleId = filling.held[0]?.saleId ?? null
  const row = {
    number,
    customerId: who.payer,
    onDay,
    method: input.method,
    amount: received.minor,
    tendered: tendered.minor,
    rounding: rounding.minor,
    reference: input.reference ?? '',
    accountId: into ?? null,
    entryId,
  }
  const note = { onDay, receiptId, entryId }
  // Written in this order, each without waiting for the one before to be answered; nor does what is read of it.
  const written = Promise.all([
    w.post(entry, { kind: 'receipt', id: receiptId, customerId: who.payer, saleId }, entryId),
    insertReceipt(w.tx, row, receiptId),
    noteFilling(w, note, filling, held),
    noteDiscounts(w, discounts, note),
    ...held.map((h, i) => insertTaxMoves(w.tx, present(ahead[i]), { ...note, why: 'ahead', saleId: h.saleId })),
  ])
  goOnFrom(w.tx, written)
  const filled = new Set(filling.dues.map((d) => d.dueId))
  await refreshSales(w, [...dues.filter((d) => filled.has(d.id)), ...held])
  return receiptId
}

/** Writes beside the entry which dues it filled, discounts with them, and what is held. */
const noteFilling = async (
  w: Work,
  note: { readonly onDay: Day; readonly receiptId: number; readonly entryId: number },
  filling: Filling,
  held: readonly HeldNow[],
): Promise<void> => {
  const fills = insertFills(
    w.tx,
    filling.dues.flatMap((d) => [
      { ...note, dueId: d.dueId, amount: d.amount.minor, kind: 'receipt' as const },
      ...(d.discount ? [{ ...note, dueId: d.dueId, amount: d.discount.minor, kind: 'discount' as const }] : []),
    ]),
  )
  const moves = insertHeldMoves(
    w.tx,
    held.map((h) => ({ ...note, ...h, amount: h.amount.minor, why: 'receipt' as const })),
  )
  await Promise.all([fills, moves])
}

/** What was given, and what coins make of the amount. */
export const tender = (
  w: Work,
  { method: by, tendered: given }: { readonly method: ReceiptMethod; readonly tendered?: string },
  received: Money,
): { readonly tendered: Money; readonly rounding: Money } => {
  const { toPay, tendered, rounding, change } = tenderOf(received, {
    cash: by === 'cash',
    smallestCoin: w.business.smallestCoin,
    given: given === undefined ? null : w.money(given, 'tendered'),
  })
  if (change.minor < 0n) refuse({ code: 'tendered-too-little', total: toPay, tendered })
  if (by !== 'cash' && change.minor !== 0n) refuseAt('tendered', 'Change is given for cash alone.')
  return { tendered, rounding }
}

export const takeReceipt = defineCommand('take-receipt', takeReceiptInput, async (w, input) => {
  const receiptId = await writeReceipt(w, input)
  return { id: receiptId, answer: () => receiptView(w, receiptId) }
})

/** Refreshes the sales a receipt touched. */
export const refreshTouched = async (w: Work, receiptId: number): Promise<void> => {
  const fills = await listFillsOfReceipt(w.tx, receiptId, w.currency)
  const moves = await listHeldMoves(w.tx, { receiptId }, w.currency)
  await refreshSales(w, [...fills, ...moves])
}

/** Refreshes the sales of some papers, each once, in the order of their ids. */
const refreshSales = async (w: Work, of: readonly { readonly saleId: number | null }[]): Promise<void> => {
  const touched = new Set(of.flatMap(({ saleId }) => saleId ?? []))
  for (const saleId of [...touched].sort((a, b) => a - b)) await refreshSale(w, saleId)
}
