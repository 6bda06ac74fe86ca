import { floor } from '../src/core/money'
import { writeLetter } from '../src/services/post/writeLetter'
import { offerSale } from '../src/services/sales/offerSale'
import { changeSale } from '../src/services/sales/changeSale'
import { startSale } from '../src/services/sales/startSale'
import { putInBasket, tellBasket } from '../src/services/shopfront/basket'
import { listPlaces, listStockOn } from '../src/data/queries/stock'
import { adjustStock } from '../src/services/goods/adjustStock'
import { moveStock } from '../src/services/goods/moveStock'
import { addPlace } from '../src/services/goods/places'
import { act, type Workshop } from './load'
import { buyThings } from './buyThings'
import { sendThings } from './sendThings'

/** Three places: what is big stands in the store room by half, what is worked with lies at the bench. */
const putAway = async (shop: Workshop): Promise<void> => {
  const [front] = await listPlaces(shop.db)
  const store = await act(shop, addPlace, { code: 'STORE', name: 'Store room' })
  const bench = await act(shop, addPlace, { code: 'BENCH', name: 'Bench' })
  const stock = await listStockOn(shop.db, { asOf: shop.today }, 'USD')
  const lines = (codes: RegExp, share: number) =>
    stock.flatMap((s) => {
      const code = shop.goods.find((g) => g.id === s.goodsId)?.code ?? ''
      const quantity = floor(s.quantity.times(share))
      return codes.test(code) && quantity.gt(0) ? [{ goodsId: s.goodsId, quantity: quantity.toString() }] : []
    })
  await act(shop, moveStock, { from: front!.id, to: store, lines: lines(/^(CAS|CE|VN|VA|GT)-/, 0.5) })
  await act(shop, moveStock, { from: front!.id, to: bench, lines: lines(/^(BRG|PEG|HAIR|SOUNDPOST|TLP)/, 0.7) })
  const polish = shop.goods.find((g) => g.code === 'CLN-POL')!.id
  await act(shop, adjustStock, { reason: 'Used at the bench', lines: [{ goodsId: polish, change: '-1' }] })
}

/** What lies on the counter today: an estimate with groups and choices, its first version changed, mailed; a basket being filled. */
export const writeToday = async (shop: Workshop): Promise<void> => {
  await putAway(shop)
  await sendThings(shop)
  await buyThings(shop)
  const goods = (code: string) => shop.goods.find((g) => g.code === code)!.id
  const customerId = shop.customers.find((c) => c.name === 'Saltmarsh Youth Orchestra')!.id
  const lines = [
    { kind: 'heading' as const, description: 'For the second violins' },
    { goodsId: goods('VN-44-STU'), quantity: '2', note: 'set up and played in' },
    { goodsId: goods('BOW-VN-CAR'), quantity: '2', choice: 'alternative' as const, choiceGroup: 'Bows' },
    { goodsId: goods('BOW-VN-BRZ'), quantity: '2', choice: 'alternative' as const, choiceGroup: 'Bows' },
    { goodsId: goods('CAS-VN-OBL'), quantity: '2', choice: 'optional' as const },
    { kind: 'heading' as const, description: 'At the bench' },
    { goodsId: goods('W-SETUP'), quantity: '3', discountPercent: '10' },
    { goodsId: goods('W-BRIDGE-VN'), quantity: '2' },
    { kind: 'text' as const, description: 'Everything is back before the spring concert.' },
  ]
  const saleId = await act(shop, startSale, {
    customerId,
    title: 'Two violins, ready to play',
    lines,
    discountAmount: '40.00',
    noteAbove: 'As we said on the phone:',
  })
  shop.sales++
  await act(shop, offerSale, { saleId })
  await act(shop, changeSale, {
    saleId,
    lines: [...lines.slice(0, 7), { goodsId: goods('STR-VN-SW'), quantity: '12' }, lines[8]!],
  })
  await act(shop, offerSale, { saleId })
  await act(shop, writeLetter, { paper: 'estimate', paperId: saleId })
  const basketId = await act(shop, putInBasket, {
    secret: 'the-basket-of-the-demo',
    goodsId: goods('ROS-LGT'),
    quantity: '2',
  })
  await act(shop, putInBasket, { basketId, goodsId: goods('SHR-WOOD'), quantity: '1' })
  await act(shop, tellBasket, { basketId, name: 'Marit Holm', phone: '555-0199' })
}
