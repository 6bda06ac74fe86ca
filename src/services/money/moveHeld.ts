import { moveHeldInput } from '@/contract/inputs/money/moveHeld'
import { present } from '@/core/present'
import { toDecimalString } from '@/core/money'
import { lockSale } from '@/data/queries/sales'
import { defineCommand, paperDay } from '../command'
import { customerFor } from '../people/customerFor'
import { found, refuse } from '@/contract/refuse'
import { refreshSale } from '../sales/refreshSale'
import { sumHeldAt } from './heldOn'
import { moveIn } from './heldWork'

/** Moves held money of a customer from one sale to another, or to and from their account. Nothing is earned by it. */
export const moveHeld = defineCommand('move-held', moveHeldInput, async (w, m) => {
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
