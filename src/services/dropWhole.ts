import { dropCustomerInput, dropGoodsInput, dropSupplierInput } from '@/contract/inputs/dropWhole'
import { found, refuse, refuseUsed } from '@/contract/refuse'
import { findCustomer } from '@/data/queries/customers'
import { findGoods } from '@/data/queries/goods'
import { findSupplier } from '@/data/queries/suppliers'
import { deleteWhole, findWholeUse, type Whole } from '@/data/queries/wholes'
import { defineCommand, type Work } from './command'

/** Deletes what was added by mistake; what anything was written for stays, as the papers say who and what it was. */
const drop = async (w: Work, whole: Whole, one: { readonly id: number; readonly name: string }) => {
  refuseUsed(`${whole}Id`, one.name, await findWholeUse(w.tx, whole, one.id))
  await deleteWhole(w.tx, whole, one.id)
  return { id: one.id, answer: async () => ({}) }
}

/** A customer nobody ever sold to, or was paid by. */
export const dropCustomer = defineCommand('drop-customer', dropCustomerInput, async (w, { customerId }) => {
  const customer = found(await findCustomer(w.tx, customerId, w.currency), 'customer', customerId)
  if (customer.walkIn) refuse({ code: 'walk-in-stays' })
  return drop(w, 'customer', customer)
})

/** A supplier nothing was ever bought from. */
export const dropSupplier = defineCommand('drop-supplier', dropSupplierInput, async (w, { supplierId }) =>
  drop(w, 'supplier', found(await findSupplier(w.tx, supplierId), 'supplier', supplierId)),
)

/** Goods that were never sold, bought or moved. What was sold and is not sold any more is discontinued instead. */
export const dropGoods = defineCommand('drop-goods', dropGoodsInput, async (w, { goodsId }) =>
  drop(w, 'goods', found((await findGoods(w.tx, [goodsId])).get(goodsId), 'goods', goodsId)),
)
