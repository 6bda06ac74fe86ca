import { present } from '@/core/present'
import { z } from 'zod'
import { toDecimalString } from '@/core/money'
import { lockSale } from '@/data/queries/sales'
import { defineCommand, paperDay } from '../command'
import { id, on, positiveAmount, text } from '@/contract/fields'
import { customerFor } from '../people/customerFor'
import { found, refuse } from '@/contract/refuse'
import { refreshSale } from '../sales/refreshSale'
import { sumHeldAt } from './heldOn'
import { moveIn } from './heldWork'

const input = z.object({
  customerId: id,
  /** Left out: from what is on account. */
  fromSaleId: id.optional(),
  /** Left out: to what is on account. */
  toSaleId: id.optional(),
  /** Left out: all of it. */
  amount: positiveAmount.optional(),
  on,
  reason: text(500).optional(),
})

/** Moves held money of a customer from one sale to another, or to and from their account. Nothing is earned by it. */
export const moveHeld = defineCommand('move-held', input, async (w, m) => {
  const customer = await customerFor(w, m.customerId)
  if (m.fromSaleId === m.toSaleId) refuse({ code: 'same-place' })
  const saleIds = [m.fromSaleId, m.toSaleId].filter((x) => x !== undefined).sort((a, b) => a - b)
  for (const saleId of saleIds) {
    const sale = found(await lockSale(w.tx, saleId, w.currency), 'sale', saleId)
    if (sale.customerId !== m.customerId) refuse({ code: 'other-customer' })
    if (saleId === m.toSaleId && sale.closedAs)
      refuse({ code: 'sale-closed', as: sale.closedAs, on: present(sale.closedOn) })
  }
  const place = { customerId: m.customerId, saleId: m.fromSaleId ?? null }
  const amount = m.amount === undefined ? await sumHeldAt(w, place) : w.money(m.amount, 'amount')
  const transferId = await moveIn(w, {
    ...place,
    toSaleId: m.toSaleId ?? null,
    amount,
    on: paperDay(w, m.on),
    reason: m.reason ?? '',
    customerName: customer.name,
  })
  for (const saleId of saleIds) await refreshSale(w, saleId)
  return { id: transferId, answer: async () => ({ id: transferId, amount: toDecimalString(amount) }) }
})
