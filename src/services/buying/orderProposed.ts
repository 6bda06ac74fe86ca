import { orderProposedInput } from '@/contract/inputs/buying/orderForSale'
import { refuse } from '@/contract/refuse'
import { readProposals } from '@/model/buying/proposals'
import { defineCommand, draftDay } from '../command'
import { writeOrders, type Wanted } from './orderGoods'

/** Orders all that is proposed, one draft a supplier; of what has no supplier nothing is ordered. */
export const orderProposed = defineCommand('order-proposed', orderProposedInput, async (w, { on }) => {
  const wanted = (await readProposals(w.tx, w)).flatMap(({ supplierId, goodsId, quantity }): Wanted[] =>
    supplierId === null ? [] : [{ supplierId, goodsId, quantity }],
  )
  if (wanted.length === 0) refuse({ code: 'nothing-to-order' })
  return writeOrders(w, wanted, { onDay: draftDay(w, on) })
})
