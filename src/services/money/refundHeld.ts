import { refundHeldInput } from '@/contract/inputs/money/refundHeld'
import { toDecimalString } from '@/core/money'
import { lockSale } from '@/data/queries/sales'
import { defineCommand, paperDay } from '../command'
import { customerFor } from '../people/customerFor'
import { refuse } from '@/contract/refuse'
import { refreshSale } from '../sales/refreshSale'
import { refundIn } from './heldWork'

/** Gives held money back: of a sale, or what is on account. Never more than is held there. */
export const refundHeld = defineCommand(
  'refund-held',
  refundHeldInput,
  async (w, { customerId, saleId, on: given, amount, method: by, reason }) => {
    const customer = await customerFor(w, customerId)
    if (saleId !== undefined && !(await lockSale(w.tx, saleId, w.currency)))
      refuse({ code: 'not-found', what: 'sale', id: saleId })
    const onDay = paperDay(w, given)
    const back = w.money(amount, 'amount')
    const place = { customerId, saleId: saleId ?? null }
    const refund = await refundIn(w, {
      ...place,
      amount: back,
      on: onDay,
      method: by,
      reason: reason ?? '',
      customerName: customer.name,
    })
    if (saleId !== undefined) await refreshSale(w, saleId)
    return {
      id: refund.id,
      answer: async () => ({ ...refund, ...place, on: onDay, method: by, amount: toDecimalString(back) }),
    }
  },
)
