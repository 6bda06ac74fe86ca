import { settleCardPaymentInput } from '@/contract/inputs/money/cardPayment'
import { present } from '@/core/present'
import { randomUUID } from 'node:crypto'
import { isPositiveMoney, smallerMoney, sumMoney, toDecimalString, zeroMoney, type Money } from '@/core/money'
import { insertCardPayment, lockCardPayment, updateCardPayment, type CardPaymentRow } from '@/data/queries/cardPayments'
import { findDues, listDuesOfSales } from '@/data/queries/due'
import { insertCollection } from '@/data/queries/plans'
import { readArrangement } from '@/contract/arrangement'
import { layawayLeft } from '../plans/layawayLeft'
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
  payment: {
    readonly customerId: number
    readonly saleId: number | null
    readonly dueId?: number
    readonly amount: Money
  },
): Promise<string> => {
  const reference = randomUUID()
  await insertCardPayment(w.tx, {
    reference,
    customerId: payment.customerId,
    saleId: payment.saleId,
    dueId: payment.dueId,
    amount: payment.amount.minor,
    askedOn: w.today,
  })
  return reference
}

/**
 * An order from the shopfront that is paid stands, where whoever ordered is nobody the business knew before: with a known
 * customer's address somebody else may have paid, so that one still waits for a yes, and so does one that the owner
 * changed since.
 */
const agreePaidOrder = async (w: Work, saleId: number): Promise<void> => {
  const locked = await takeSale(w, saleId)
  const { sale } = locked
  if (sale.channel !== 'shopfront' || sale.agreedOn || sale.closedAs || sale.reworked) return
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
 * What the money of a card is for: the due or the sale it was asked for, as far as that still takes it, else what is oldest. It came,
 * whatever happened while it was asked: a sale that was called off, or a due that was paid, keeps nobody's money out of the books.
 */
const whatFor = async (
  w: Work,
  { saleId, dueId, amount }: CardPaymentRow,
): Promise<Parameters<typeof writeReceipt>[1]['for']> => {
  if (dueId !== null) {
    const [due] = await findDues(w.tx, [dueId], w.currency)
    const part = due ? smallerMoney(due.open, amount) : zeroMoney(w.currency)
    return isPositiveMoney(part) ? [{ dueId, amount: toDecimalString(part) }] : 'oldest'
  }
  if (saleId === null) return 'oldest'
  const { sale } = await takeSale(w, saleId)
  if (sale.closedAs) return 'oldest'
  if (readArrangement(sale.arrangement).kind !== 'layaway' || !sale.agreedOn)
    return [{ saleId, amount: toDecimalString(amount) }]
  const open = (await listDuesOfSales(w.tx, [saleId], w.currency)).map((d) => d.open)
  const part = smallerMoney(sumMoney([...open, await layawayLeft(w, saleId)], w.currency), amount)
  return isPositiveMoney(part) ? [{ saleId, amount: toDecimalString(part) }] : 'oldest'
}

/**
 * Hears the card's answer. Approved, the money is a receipt. However often the answer comes, there is one, and what was
 * refused stays so; of a card kept for a plan it is noted what it answered.
 */
export const settleCardPayment = defineCommand(
  'settle-card-payment',
  settleCardPaymentInput,
  async (w, { reference, approved, why }) => {
    const payment = found(await lockCardPayment(w.tx, reference, w.currency), 'payment', reference)
    const already = payment.receiptId
    if (already !== null) return { id: already, answer: () => receiptView(w, already) }
    const nothing = { id: 0, answer: async () => null }
    if (payment.state === 'refused') return nothing
    const note = (receiptId: number | null) =>
      payment.dueId === null
        ? null
        : insertCollection(w.tx, { dueId: payment.dueId, onDay: w.today, approved, why, receiptId })
    if (!approved) {
      await updateCardPayment(w.tx, payment.id, { state: 'refused', why })
      await note(null)
      return nothing
    }
    const receiptId = await writeReceipt(w, {
      customerId: payment.customerId,
      method: 'card',
      amount: toDecimalString(payment.amount),
      reference: payment.dueId === null ? `card ${reference.slice(0, 8)}` : 'card kept for the plan',
      for: await whatFor(w, payment),
    })
    await updateCardPayment(w.tx, payment.id, { state: 'approved', receiptId })
    await note(receiptId)
    if (payment.saleId !== null) await agreePaidOrder(w, payment.saleId)
    return { id: receiptId, answer: () => receiptView(w, receiptId) }
  },
)
