import { setOffInput, voidSetOffInput } from '@/contract/inputs/buying/setOff'
import { found, refuse, refuseAt } from '@/contract/refuse'
import { formatMoney, isPositiveMoney, smallerMoney, toDecimalString, zeroMoney } from '@/core/money'
import { present } from '@/core/present'
import { takeNumber } from '@/data/queries/numbers'
import { reserveId } from '@/data/queries/reserveId'
import { findReceipt, lockReceipt } from '@/data/queries/receipt'
import { insertSetOff, listSetOffs } from '@/data/queries/setOff'
import { findSupplier } from '@/data/queries/suppliers'
import { neededOf, setOffView } from '@/model/buying/setOffs'
import { fillOldestOn } from '@/model/receipt/fillOldestOn'
import { offered } from '@/model/receipt/offered'
import { dayAfter, defineCommand, paperDay, type Work } from '../command'
import { takeBack } from '../money/takeBack'
import { duesToFill, writeReceipt } from '../money/takeReceipt'
import { payOldest, undoPayment } from './paySupplier'
import { readPayables, writePayment } from './payables'

const answerSetOff = (w: Work, id: number) => ({
  id,
  answer: async () => present(await setOffView(w.tx, id, w.currency)),
})

/**
 * What a customer owes us and we owe the same people as a supplier, paid by one another: the oldest first on both sides, early
 * discounts taken. A receipt and a payment through an account that is empty again.
 */
export const setOff = defineCommand('set-off', setOffInput, async (w, { supplierId, on, amount: asked }) => {
  const supplier = found(await findSupplier(w.tx, supplierId), 'supplier', supplierId)
  const { customerId } = supplier
  if (customerId === null)
    return refuseAt(
      'supplierId',
      `${supplier.name} is no customer yet. Choose the customer on the supplier’s page first.`,
    )
  const onDay = paperDay(w, on)
  const { dues } = await duesToFill(w, [customerId], onDay)
  const payables = await readPayables(w, supplierId, onDay)
  const owed = neededOf(offered(dues, onDay), w.currency)
  const owe = neededOf(payables, w.currency)
  const most = smallerMoney(owed, owe)
  if (!isPositiveMoney(most)) refuse({ code: 'nothing-to-set-off', name: supplier.name, owed, owe })
  const amount = asked === undefined ? most : w.money(asked, 'amount')
  if (amount.minor > most.minor)
    refuseAt(
      'amount',
      `${supplier.name} owes ${formatMoney(owed)} and is owed ${formatMoney(owe)}: at most ${formatMoney(most)} can be set off.`,
    )
  const number = await takeNumber(w.tx, 'set-off', onDay)
  const receiptId = await writeReceipt(w, {
    customerId,
    on: onDay,
    method: 'set-off',
    amount: toDecimalString(amount),
    reference: number,
    for: fillOldestOn(dues, [], amount, onDay).dues.map((d) => ({ dueId: d.dueId, amount: toDecimalString(d.amount) })),
  })
  const paymentId = await writePayment(w, {
    supplier,
    on: onDay,
    accountId: w.accountId('set-off'),
    amount,
    paid: payOldest(payables, amount),
  })
  const id = await reserveId(w.tx, 'set_off')
  await insertSetOff(w.tx, { number, onDay, amount: amount.minor, receiptId, paymentId }, id)
  return answerSetOff(w, id)
})

/** A set-off that did not happen, from a day on: what it paid is owed again on both sides. */
export const voidSetOff = defineCommand('void-set-off', voidSetOffInput, async (w, { setOffId, on, reason }) => {
  const row = found((await listSetOffs(w.tx, { id: setOffId }))[0], 'set-off', setOffId)
  await lockReceipt(w.tx, row.receiptId)
  const receipt = present(await findReceipt(w.tx, row.receiptId, w.currency))
  if (receipt.voidedOn) refuse({ code: 'already-voided', number: row.number })
  const onDay = dayAfter(w, on, row.onDay, `${row.number} is dated later.`)
  await takeBack(w, receipt, { on: onDay, kind: 'voided', reason, bankFee: zeroMoney(w.currency) })
  await undoPayment(w, { paymentId: row.paymentId, on: onDay, reason })
  return answerSetOff(w, setOffId)
})
