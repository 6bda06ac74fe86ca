import { paySupplierInput, voidSupplierPaymentInput } from '@/contract/inputs/buying/bills'
import type { z } from 'zod'
import { found, refuse, refuseAt } from '@/contract/refuse'
import { postSupplierPayment, reverseEntry } from '@/core/ledger'
import { addMoney, isPositiveMoney, money, subtractMoney, sumMoney, zeroMoney, type Money } from '@/core/money'
import { present } from '@/core/present'
import { lowestFrom } from '@/core/running'
import { insertAheadMove, insertBillFills, listAheadMoves, listBillFills, listBills } from '@/data/queries/bill'
import { listSupplierPayments, markPaymentVoid } from '@/data/queries/supplierPayment'
import { findSupplier } from '@/data/queries/suppliers'
import { paymentView } from '@/model/buying/payments'
import { dayAfter, defineCommand, paperDay, type Work } from '../command'
import { refuseMatched } from '../bank/refuseMatched'
import { accountFrom } from '../books/accountFrom'
import { keepOwnTax } from './keepOwnTax'
import { refuseSetOff } from './refuseSetOff'
import { takeCheckNumber } from './checkNumber'
import { payOne, readPayables, taxOf, writePayment, type Paid, type Payable } from './payables'

export const payOldest = (payables: readonly Payable[], amount: Money): readonly Paid[] => {
  let left = amount
  return payables.flatMap((p) => {
    if (!isPositiveMoney(left)) return []
    const one = payOne(p, left)
    left = subtractMoney(left, one.paid)
    return [one]
  })
}

type Named = Exclude<z.output<typeof paySupplierInput>['for'], 'oldest' | undefined>

export const payNamed = (w: Work, payables: readonly Payable[], named: Named, amount: Money): readonly Paid[] => {
  const twice = named.findIndex((n, i) => named.findIndex((o) => o.billId === n.billId) !== i)
  if (twice >= 0) refuseAt(`for.${twice}.billId`, 'This bill is named twice. Add the amounts.')
  const paid = named.map((n, i): Paid => {
    const asked = w.money(n.amount, `for.${i}.amount`)
    const payable = payables.find((p) => p.bill.id === n.billId)
    if (!payable) return refuseAt(`for.${i}.billId`, 'Nothing of this bill is open on that day.')
    if (asked.minor > payable.open.minor)
      return refuse({ code: 'bill-not-open', number: payable.bill.number, open: payable.open, asked })
    const needed = subtractMoney(payable.open, payable.discount)
    // With as much as it costs early, the rest is let off; what is paid beyond that is paid.
    return asked.minor >= needed.minor
      ? { bill: payable.bill, paid: asked, discount: subtractMoney(payable.open, asked) }
      : payOne(payable, asked)
  })
  const all = sumMoney(
    paid.map((p) => p.paid),
    w.currency,
  )
  if (all.minor > amount.minor)
    refuseAt('amount', 'The bills come to more than is paid. Raise the amount, or pay less of one.')
  return paid
}

/** Money to a supplier: for their bills, early-payment discounts taken by themselves; what is left is paid in advance. */
export const paySupplier = defineCommand('pay-supplier', paySupplierInput, async (w, input) => {
  const supplier = found(await findSupplier(w.tx, input.supplierId), 'supplier', input.supplierId)
  const on = paperDay(w, input.on)
  const amount = w.money(input.amount, 'amount')
  if (!isPositiveMoney(amount)) refuseAt('amount', 'The amount must be above zero.')
  const accountId = await accountFrom(w, input.from, 'from')
  const payables = await readPayables(w, supplier.id, on)
  const paid =
    input.for === undefined || input.for === 'oldest'
      ? payOldest(payables, amount)
      : payNamed(w, payables, input.for, amount)
  const checkNumber = input.check === undefined ? null : await takeCheckNumber(w, accountId, input.check, 'check')
  const id = await writePayment(w, { supplier, on, accountId, amount, paid, checkNumber })
  return { id, answer: async () => present(await paymentView(w.tx, id, w)) }
})

/** A payment that did not happen, from a day on: what it paid is owed again. */
export const undoPayment = async (
  w: Work,
  { paymentId, on, reason }: z.output<typeof voidSupplierPaymentInput>,
): Promise<void> => {
  const payment = found((await listSupplierPayments(w.tx, { id: paymentId }))[0], 'payment', paymentId)
  if (payment.voidedOn) refuse({ code: 'already-voided', number: payment.number })
  const onDay = dayAfter(w, on, payment.onDay, `${payment.number} is dated later.`)
  const fills = await listBillFills(w.tx, { paymentId })
  const bills = await listBills(w.tx, { ids: fills.map((f) => f.billId) })
  const moves = await listAheadMoves(w.tx, payment.supplierId)
  const ahead = moves.filter((m) => m.paymentId === paymentId).reduce((sum, m) => sum + m.amount, 0n)
  const free = lowestFrom(
    moves.map((m) => ({ on: m.onDay, by: m.amount })),
    onDay,
  )
  if (free < ahead) refuse({ code: 'advance-was-used' })
  const amountOf = (kind: 'payment' | 'discount', billId?: number): Money =>
    money(
      fills
        .filter((f) => f.kind === kind && (billId === undefined || f.billId === billId))
        .reduce((sum, f) => sum + f.amount, 0n),
      w.currency,
    )
  const discounts = bills.map((bill) =>
    taxOf({ bill, paid: zeroMoney(w.currency), discount: amountOf('discount', bill.id) }),
  )
  const text = `${payment.number} void: ${reason}`
  const posted = postSupplierPayment({
    on: onDay,
    text,
    accountId: payment.accountId,
    paid: amountOf('payment'),
    ahead: money(ahead, w.currency),
    discount: {
      net: sumMoney(
        discounts.map((d) => d.net),
        w.currency,
      ),
      tax: sumMoney(
        discounts.map((d) => d.tax),
        w.currency,
      ),
    },
  })
  const entryId = await w.post(reverseEntry(posted, onDay, text), {
    kind: 'supplier-payment',
    id: paymentId,
    reversesId: payment.entryId,
  })
  await insertBillFills(
    w.tx,
    bills.flatMap((b) => {
      const amount = addMoney(amountOf('payment', b.id), amountOf('discount', b.id)).minor
      return amount === 0n ? [] : [{ billId: b.id, onDay, kind: 'void' as const, amount: -amount, paymentId, entryId }]
    }),
  )
  if (ahead > 0n)
    await insertAheadMove(w.tx, { supplierId: payment.supplierId, onDay, amount: -ahead, paymentId, entryId })
  await markPaymentVoid(w.tx, paymentId, onDay, reason)
  for (const f of fills.filter((x) => x.kind === 'discount'))
    await keepOwnTax(w, f.billId, { on: onDay, text, paper: { kind: 'supplier-payment', id: paymentId } })
}

export const voidSupplierPayment = defineCommand(
  'void-supplier-payment',
  voidSupplierPaymentInput,
  async (w, input) => {
    const { paymentId } = input
    await refuseSetOff(w, { paymentId })
    await refuseMatched(w, (await listSupplierPayments(w.tx, { id: paymentId }))[0]?.entryId)
    await undoPayment(w, input)
    return { id: paymentId, answer: async () => present(await paymentView(w.tx, paymentId, w)) }
  },
)
