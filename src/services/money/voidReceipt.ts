import { voidReceiptInput, bounceReceiptInput } from '@/contract/inputs/money/voidReceipt'
import { isPositiveMoney, zeroMoney } from '@/core/money'
import { defineCommand, paperDay, type Work } from '../command'
import type { Day } from '@/core/day'
import { found, refuse, refuseAt } from '@/contract/refuse'
import { refuseMatched } from '../bank/refuseMatched'
import { refuseSetOff } from '../buying/refuseSetOff'
import { addCharge } from './chargeExtra'
import { takeBack } from './takeBack'
import { saleToCharge } from './saleToCharge'
import { findReceipt, lockReceipt, type ReceiptRow } from '@/data/queries/receipt'
import { receiptView } from '@/model/receipt/receiptView'

const takeStanding = async (
  w: Work,
  receiptId: number,
  given: Day | undefined,
): Promise<{ readonly receipt: ReceiptRow; readonly onDay: Day }> => {
  await lockReceipt(w.tx, receiptId)
  const receipt = found(await findReceipt(w.tx, receiptId, w.currency), 'receipt', receiptId)
  if (receipt.voidedOn) refuse({ code: 'already-voided', number: receipt.number })
  const onDay = paperDay(w, given)
  if (onDay < receipt.on) refuseAt('on', 'A receipt cannot be taken back before its own date.')
  return { receipt, onDay }
}

/** Takes a receipt back: its entry is reversed, its dues open again, what it held is no longer held. */
export const voidReceipt = defineCommand(
  'void-receipt',
  voidReceiptInput,
  async (w, { receiptId, on: given, reason }) => {
    const { receipt, onDay } = await takeStanding(w, receiptId, given)
    if (receipt.invoiceId !== null) refuse({ code: 'void-counter-sale', number: receipt.number })
    await refuseSetOff(w, { receiptId })
    await refuseMatched(w, receipt.entryId)
    await takeBack(w, receipt, { on: onDay, kind: 'voided', reason, bankFee: zeroMoney(w.currency) })
    return { id: receiptId, answer: () => receiptView(w, receiptId) }
  },
)

/** A cheque bounced, or a card payment was reversed: the money was never there, and a fee may be charged for it. */
export const bounceReceipt = defineCommand('bounce-receipt', bounceReceiptInput, async (w, b) => {
  const { receipt, onDay } = await takeStanding(w, b.receiptId, b.on)
  if (receipt.method !== 'cheque' && receipt.method !== 'card')
    refuse({ code: 'cannot-bounce', number: receipt.number, method: receipt.method })
  const bankFee = b.bankFee === undefined ? zeroMoney(w.currency) : w.money(b.bankFee, 'bankFee')
  await takeBack(w, receipt, { on: onDay, kind: 'bounced', reason: b.reason, bankFee })
  const fee = b.fee === undefined ? w.business.bounceFee : w.money(b.fee, 'fee')
  if (isPositiveMoney(fee))
    await addCharge(w, {
      kind: 'bounced',
      saleId: await saleToCharge(w, receipt, onDay),
      customerId: receipt.customerId,
      on: onDay,
      amount: fee,
      reason: `Receipt ${receipt.number} came back`,
      receiptId: receipt.id,
    })
  return { id: b.receiptId, answer: () => receiptView(w, b.receiptId) }
})
