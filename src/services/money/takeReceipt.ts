import { z } from 'zod'
import {
  isPositiveMoney,
  subtractMoney,
  sumMoney,
  toDecimalString,
  zeroMoney,
  type Money,
} from '@/core/money'
import { fillNamed, fillOldest, type DepositAsked, type Filling, type OpenDue } from '@/core/receipt'
import { postReceipt, type HeldKind } from '@/core/ledger'
import type { Day } from '@/core/day'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { findCustomer } from '@/data/queries/customers'
import {
  findDueOwner,
  findReceipt,
  insertFills,
  insertHeldMoves,
  insertReceipt,
  listFillsOfReceipt,
  listHeldMoves,
  lockOpenDues,
} from '@/data/queries/money'
import { takeNumber } from '@/data/queries/numbers'
import { findSales, listSaleIds, lockSale, reserveId } from '@/data/queries/sales'
import { defineCommand, paperDay, type Work } from '../command'
import { amount, id, method, on, positiveAmount, text } from '../input/fields'
import { readArrangement } from '../input/arrangement'
import { readStories } from '../read/stories'
import { found, refuse } from '../refuse'
import { customerFor } from '../people/customerFor'
import { refreshSale } from '../sales/refreshSale'

const wish = z.union(
  [z.object({ dueId: id, amount: positiveAmount }), z.object({ saleId: id, amount: positiveAmount })],
  {
    error: 'Name a due or a sale, and an amount.',
  },
)

export const takeReceiptInput = z.object({
  customerId: id.optional(),
  on,
  method,
  amount: positiveAmount,
  /** Cash given, where it is more than the amount: the rest goes back as change. */
  tendered: amount.optional(),
  reference: text(120).optional(),
  for: z
    .union([z.enum(['oldest', 'account']), z.array(wish).min(1).max(200)], {
      error: 'Say oldest, account, or a list of dues and sales.',
    })
    .default('oldest'),
})
type TakeReceipt = z.output<typeof takeReceiptInput>

/** Deposits asked for on agreed sales of a customer and not received, the earliest agreed first. */
export const readDepositsAsked = async (
  db: Db,
  customerId: number,
  business: Business,
  today: Day,
): Promise<DepositAsked[]> => {
  const ids = await listSaleIds(db, { customerId, stands: 'agreed' }, { limit: 200 }, today)
  const stories = await readStories(db, [...ids].reverse(), business, today)
  return stories.flatMap((s) => {
    const step = s.next.find((n) => n.action === 'ask-deposit')
    return step?.amount ? [{ saleId: s.sale.id, open: step.amount }] : []
  })
}

const fill = async (
  w: Work,
  input: TakeReceipt,
  customerId: number,
  received: Money,
  onDay: Day,
): Promise<Filling> => {
  const dues = await lockOpenDues(w.tx, customerId, w.currency)
  const open = dues.map((d): OpenDue => ({ id: d.id, saleId: d.saleId, dueOn: d.dueOn, open: d.open }))
  if (input.for === 'account') return { dues: [], held: [], onAccount: received }
  if (input.for === 'oldest') {
    const reachable = dues.filter((d) => d.issuedOn <= onDay).map((d) => d.id)
    const deposits = await readDepositsAsked(w.tx, customerId, w.business, onDay)
    return fillOldest({ dues: open.filter((d) => reachable.includes(d.id)), deposits }, received)
  }
  const wishes = input.for.map((x, i) => ({ ...x, amount: w.money(x.amount, `for.${i}.amount`) }))
  const filled = fillNamed(open, wishes, received)
  if (!filled.ok) return refuse(filled.error)
  const early = dues.find((d) => d.issuedOn > onDay && filled.value.dues.some((f) => f.dueId === d.id))
  if (early) refuse({ code: 'before-invoice', on: onDay, issuedOn: early.issuedOn })
  return filled.value
}

/** Who pays: the customer named, or the one whose dues and sales are named. All must be one customer's. */
const whoPays = async (w: Work, input: TakeReceipt): Promise<number> => {
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
  for (const x of named)
    if ('dueId' in x) dueOwners.push(found(await findDueOwner(w.tx, x.dueId), 'due', x.dueId))
  const owners = new Set([
    ...sales.map((s) => s.customerId),
    ...dueOwners,
    ...(input.customerId === undefined ? [] : [input.customerId]),
  ])
  if (owners.size > 1) refuse({ code: 'other-customer' })
  const [customerId] = owners
  if (customerId === undefined) return refuse({ code: 'who-pays' })
  await customerFor(w, customerId)
  return customerId
}

const heldKindOf = (arrangement: unknown): HeldKind =>
  readArrangement(arrangement).kind === 'layaway' ? 'layaway' : 'deposit'

/** Takes money: fills dues, holds what is ahead for its sale, keeps the rest on account, posts it, and numbers the receipt. */
export const writeReceipt = async (w: Work, input: TakeReceipt): Promise<number> => {
  const customerId = await whoPays(w, input)
  const onDay = paperDay(w, input.on)
  const received = w.money(input.amount, 'amount')
  const tendered = input.tendered === undefined ? received : w.money(input.tendered, 'tendered')
  if (tendered.minor < received.minor) refuse({ code: 'tendered-too-little', total: received, tendered })
  if (input.method !== 'cash' && tendered.minor !== received.minor) {
    refuse({ code: 'invalid', errors: [{ path: 'tendered', message: 'Change is given for cash alone.' }] })
  }
  const saleIds = [
    ...new Set(Array.isArray(input.for) ? input.for.flatMap((x) => ('saleId' in x ? [x.saleId] : [])) : []),
  ].sort((a, b) => a - b)
  for (const saleId of saleIds) await lockSale(w.tx, saleId, w.currency)
  const filling = await fill(w, input, customerId, received, onDay)
  const sales = await findSales(
    w.tx,
    filling.held.map((h) => h.saleId),
    w.currency,
  )
  for (const s of sales) if (s.closedAs) refuse({ code: 'sale-closed', as: s.closedAs, on: s.closedOn! })
  const held = [
    ...filling.held.map((h) => ({
      saleId: h.saleId as number | null,
      kind: heldKindOf(sales.find((s) => s.id === h.saleId)!.arrangement),
      amount: h.amount,
    })),
    ...(isPositiveMoney(filling.onAccount)
      ? [{ saleId: null, kind: 'account' as const, amount: filling.onAccount }]
      : []),
  ]
  const customer = (await findCustomer(w.tx, customerId, w.currency))!
  const [number, receiptId] = await Promise.all([
    takeNumber(w.tx, 'receipt', onDay),
    reserveId(w.tx, 'receipt'),
  ])
  const entry = postReceipt({
    on: onDay,
    text: `Receipt ${number}, ${customer.name}`,
    method: input.method,
    onDues: sumMoney(
      filling.dues.map((d) => d.amount),
      w.currency,
    ),
    held,
  })
  const entryId = await w.post(entry, {
    kind: 'receipt',
    id: receiptId,
    customerId,
    saleId: filling.held[0]?.saleId ?? null,
  })
  await insertReceipt(
    w.tx,
    {
      number,
      customerId,
      onDay,
      method: input.method,
      amount: received.minor,
      tendered: tendered.minor,
      reference: input.reference ?? '',
      entryId,
    },
    receiptId,
  )
  await insertFills(
    w.tx,
    filling.dues.map((d) => ({
      dueId: d.dueId,
      onDay,
      amount: d.amount.minor,
      kind: 'receipt' as const,
      receiptId,
      entryId,
    })),
  )
  await insertHeldMoves(
    w.tx,
    held.map((h) => ({
      customerId,
      saleId: h.saleId,
      kind: h.kind,
      onDay,
      amount: h.amount.minor,
      why: 'receipt' as const,
      receiptId,
      entryId,
    })),
  )
  await refreshTouched(w, receiptId)
  return receiptId
}

export const takeReceipt = defineCommand('take-receipt', takeReceiptInput, async (w, input) => {
  const receiptId = await writeReceipt(w, input)
  return { id: receiptId, answer: () => receiptView(w, receiptId) }
})

/** Refreshes the sales a receipt touched. */
export const refreshTouched = async (w: Work, receiptId: number): Promise<void> => {
  const fills = await listFillsOfReceipt(w.tx, receiptId, w.currency)
  const moves = await listHeldMoves(w.tx, { receiptId }, w.currency)
  const touched = new Set([
    ...fills.map((f) => f.saleId),
    ...moves.flatMap((m) => (m.saleId === null ? [] : [m.saleId])),
  ])
  for (const saleId of [...touched].sort((a, b) => a - b)) await refreshSale(w, saleId)
}

/** A receipt as the HTTP interface answers it. */
export const receiptView = async (w: { tx: Db; currency: string }, receiptId: number) => {
  const receipt = (await findReceipt(w.tx, receiptId, w.currency))!
  const fills = await listFillsOfReceipt(w.tx, receiptId, w.currency)
  const moves = (await listHeldMoves(w.tx, { receiptId }, w.currency)).filter((m) => m.why === 'receipt')
  const none = zeroMoney(w.currency)
  return {
    id: receipt.id,
    number: receipt.number,
    customerId: receipt.customerId,
    on: receipt.on,
    method: receipt.method,
    amount: toDecimalString(receipt.amount),
    reference: receipt.reference,
    filled: fills
      .filter((f) => f.kind === 'receipt')
      .map((f) => ({ dueId: f.dueId, saleId: f.saleId, amount: toDecimalString(f.amount) })),
    held: moves
      .filter((m) => m.saleId !== null)
      .map((m) => ({ saleId: m.saleId!, amount: toDecimalString(m.amount) })),
    onAccount: toDecimalString(moves.find((m) => m.saleId === null)?.amount ?? none),
    change: toDecimalString(subtractMoney(receipt.tendered, receipt.amount)),
    voidedOn: receipt.voidedOn,
  }
}
