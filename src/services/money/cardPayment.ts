import { settleCardPaymentInput } from '@/contract/inputs/money/cardPayment'
import { present } from '@/core/present'
import { randomUUID } from 'node:crypto'
import { toDecimalString, type Money } from '@/core/money'
import { insertCardPayment, lockCardPayment, updateCardPayment } from '@/data/queries/cardPayments'
import { defineCommand, type Work } from '../command'
import { found } from '@/contract/refuse'
import { findCustomer } from '@/data/queries/customers'
import { listSaleIds } from '@/data/queries/sales'
import { writeAgreement } from '../sales/agreeSale'
import { takeSale } from '../sales/saleWork'
import { writeReceipt } from './takeReceipt'
import { receiptView } from '@/model/receipt/receiptView'

/** Writes down that money was asked of a card. Answers the reference the card's own answer will name. */
export const askPayment = async (
  w: Work,
  payment: { readonly customerId: number; readonly saleId: number | null; readonly amount: Money },
): Promise<string> => {
  const reference = randomUUID()
  await insertCardPayment(w.tx, {
    reference,
    customerId: payment.customerId,
    saleId: payment.saleId,
    amount: payment.amount.minor,
    askedOn: w.today,
  })
  return reference
}

/**
 * An order from the shopfront that is paid stands, where whoever ordered is nobody the business knew before: with a known
 * customer's address somebody else may have paid, so that one still waits for a yes.
 */
const agreePaidOrder = async (w: Work, saleId: number): Promise<void> => {
  const locked = await takeSale(w, saleId)
  const { sale } = locked
  if (sale.channel !== 'shopfront' || sale.agreedOn || sale.closedAs) return
  const [first] = await listSaleIds(w.tx, { customerId: sale.customerId }, { limit: 2 }, w.today).then((ids) =>
    ids.filter((id) => id !== saleId),
  )
  const customer = present(await findCustomer(w.tx, sale.customerId, w.currency))
  if (first !== undefined || customer.since !== sale.startedOn) return
  await writeAgreement(w, locked, {
    on: w.today,
    by: sale.customerName,
    how: 'on the shopfront, paid by card',
  })
}

/**
 * Hears the card's answer. Approved, the money is a receipt: on what was ahead for the named sale, else on what is open,
 * oldest first. However often the answer comes, there is one receipt.
 */
export const settleCardPayment = defineCommand(
  'settle-card-payment',
  settleCardPaymentInput,
  async (w, { reference, approved, why }) => {
    const payment = found(await lockCardPayment(w.tx, reference, w.currency), 'payment', reference)
    const already = payment.receiptId
    if (already !== null) return { id: already, answer: () => receiptView(w, already) }
    if (payment.state === 'refused' || !approved) {
      await updateCardPayment(w.tx, payment.id, { state: 'refused', why })
      return { id: 0, answer: async () => null }
    }
    const amount = toDecimalString(payment.amount)
    const receiptId = await writeReceipt(w, {
      customerId: payment.customerId,
      method: 'card',
      amount,
      reference: `card ${reference.slice(0, 8)}`,
      for: payment.saleId === null ? 'oldest' : [{ saleId: payment.saleId, amount }],
    })
    await updateCardPayment(w.tx, payment.id, { state: 'approved', receiptId })
    if (payment.saleId !== null) await agreePaidOrder(w, payment.saleId)
    return { id: receiptId, answer: () => receiptView(w, receiptId) }
  },
)
