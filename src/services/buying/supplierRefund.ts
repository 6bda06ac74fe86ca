import { supplierRefundInput, voidSupplierRefundInput } from '@/contract/inputs/buying/supplierRefund'
import { found, refuse, refuseAt } from '@/contract/refuse'
import type { Day } from '@/core/day'
import { postSupplierPayment, reverseEntry } from '@/core/ledger'
import { formatMoney, isPositiveMoney, money, negateMoney, zeroMoney, type Money } from '@/core/money'
import { present } from '@/core/present'
import { insertAheadMove } from '@/data/queries/bill'
import { takeNumber } from '@/data/queries/numbers'
import { reserveId } from '@/data/queries/reserveId'
import { insertSupplierRefund, listSupplierRefunds, markSupplierRefundVoid } from '@/data/queries/supplierRefund'
import { findSupplier } from '@/data/queries/suppliers'
import { supplierRefundView } from '@/model/buying/supplierRefunds'
import { readAhead } from '@/model/buying/suppliers'
import { refuseMatched } from '../bank/refuseMatched'
import { accountFrom } from '../books/accountFrom'
import { dayAfter, defineCommand, paperDay, type Work } from '../command'

const answerRefund = (w: Work, id: number) => ({
  id,
  answer: async () => present(await supplierRefundView(w.tx, id, w.currency)),
})

/** A payment in advance, as it was posted: what comes back reverses so much of it. */
const posted = (w: Work, of: { readonly on: Day; readonly text: string; readonly accountId: number }, ahead: Money) => {
  const none = zeroMoney(w.currency)
  return postSupplierPayment({ ...of, paid: none, ahead, discount: { net: none, tax: none } })
}

/** Money paid to a supplier in advance that they give back: never more than is left of it, on that day and every later one. */
export const takeSupplierRefund = defineCommand(
  'supplier-refund',
  supplierRefundInput,
  async (w, { supplierId, on, into, amount: asked }) => {
    const supplier = found(await findSupplier(w.tx, supplierId), 'supplier', supplierId)
    const onDay = paperDay(w, on)
    const amount = w.money(asked, 'amount')
    if (!isPositiveMoney(amount)) refuseAt('amount', 'The amount must be above zero.')
    const accountId = await accountFrom(w, into, 'into')
    const left = await readAhead(w.tx, supplierId, { business: w.business, today: onDay })
    if (amount.minor > left.minor)
      refuseAt(
        'amount',
        `Of what was paid to ${supplier.name} in advance ${formatMoney(left)} is left. Enter at most that.`,
      )
    const number = await takeNumber(w.tx, 'supplier-refund', onDay)
    const id = await reserveId(w.tx, 'supplier_refund')
    const text = `Money back ${number}, ${supplier.name}`
    const entry = reverseEntry(posted(w, { on: onDay, text, accountId }, amount), onDay, text)
    const entryId = await w.post(entry, { kind: 'supplier-refund', id })
    await insertSupplierRefund(w.tx, { number, supplierId, onDay, accountId, amount: amount.minor, entryId }, id)
    await insertAheadMove(w.tx, { supplierId, onDay, amount: negateMoney(amount).minor, entryId })
    return answerRefund(w, id)
  },
)

/** Money that did not come back, from a day on: it is paid in advance again. */
export const voidSupplierRefund = defineCommand(
  'void-supplier-refund',
  voidSupplierRefundInput,
  async (w, { refundId, on, reason }) => {
    const refund = found((await listSupplierRefunds(w.tx, { id: refundId }))[0], 'refund', refundId)
    if (refund.voidedOn) refuse({ code: 'already-voided', number: refund.number })
    await refuseMatched(w, refund.entryId)
    const onDay = dayAfter(w, on, refund.onDay, `${refund.number} is dated later.`)
    const amount = money(refund.amount, w.currency)
    const text = `${refund.number} void: ${reason}`
    const entryId = await w.post(posted(w, { on: onDay, text, accountId: refund.accountId }, amount), {
      kind: 'supplier-refund',
      id: refundId,
      reversesId: refund.entryId,
    })
    await insertAheadMove(w.tx, { supplierId: refund.supplierId, onDay, amount: amount.minor, entryId })
    await markSupplierRefundVoid(w.tx, refundId, onDay, reason)
    return answerRefund(w, refundId)
  },
)
