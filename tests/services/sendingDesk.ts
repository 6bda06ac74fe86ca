import { findBusiness } from '@/data/queries/business'
import { saleView } from '@/model/sale/saleView'
import { countStock } from '@/services/goods/countStock'
import { moveStock } from '@/services/goods/moveStock'
import { addPlace } from '@/services/goods/places'
import { changeCustomer } from '@/services/people/keepCustomer'
import { startSale } from '@/services/sales/startSale'
import { openTestShop } from './shop'

/** A shop with a store room, from which orders are sent to a customer who has an address of e-mail. */
export const openSending = async () => {
  const s = await openTestShop()
  const shop = 1
  const store = await s.run(addPlace, { code: 'STORE', name: 'Store room' })
  await s.run(changeCustomer, { customerId: s.customer, email: 'hazel@example.com' })
  const view = async (saleId: number) => (await saleView(s.db, saleId, (await findBusiness(s.db))!, s.shop.today))!
  const firstLine = async (saleId: number) => (await view(saleId)).lines[0]!
  /** 24 rosin are ordered: 16 lie in the store room, 8 in the shop. */
  const order = async (deliverTo = '4 Mill Lane, Fernhollow') => {
    await s.run(moveStock, { on: '2026-02-01', from: shop, to: store, lines: [{ goodsId: s.rosin, quantity: '12' }] })
    await s.run(countStock, { on: '2026-02-02', placeId: store, lines: [{ goodsId: s.rosin, counted: '16' }] })
    const saleId = await s.run(startSale, {
      customerId: s.customer,
      agreed: true,
      deliverTo,
      lines: [{ goodsId: s.rosin, quantity: '24' }],
    })
    return { saleId, lineId: (await firstLine(saleId)).id }
  }
  return { s, shop, store, firstLine, order }
}
