import { addDays } from '../src/core/day'
import { present } from '../src/core/present'
import { listPicks } from '../src/data/queries/pick'
import { heronParcel } from '../src/standins/carrier/carrier'
import { assembleKits } from '../src/services/goods/assemble'
import { handOverBy } from '../src/services/sales/handOver'
import { startSale } from '../src/services/sales/startSale'
import { trackParcels } from '../src/services/parcels/carrier'
import { correctPick, packPick, sendPick } from '../src/services/parcels/picks'
import { startPick } from '../src/services/parcels/startPicks'
import { act, type Workshop } from './load'

/** Orders on their way through picking and sending, one in each state; one short for three weeks, and one parcel lost. */
export const sendThings = async (shop: Workshop): Promise<void> => {
  const goods = (code: string) => shop.goods.find((g) => g.code === code)!.id
  const order = async (name: string, title: string, code: string, quantity: string, more: object = {}) => {
    const customerId = shop.customers.find((c) => c.name === name)!.id
    shop.sales++
    return act(shop, startSale, {
      customerId,
      title,
      agreed: true,
      lines: [{ goodsId: goods(code), quantity }],
      deliverTo: `${name}\nFernhollow`,
      ...more,
    })
  }
  const pickOf = async (saleId: number) => {
    const id = await act(shop, startPick, { saleId })
    return { id, line: present(present((await listPicks(shop.db, { id }))[0]).lines[0]) }
  }
  const [one, two, three] = shop.customers.filter((c) => c.kind === 'player' || c.kind === 'parent')
  const [school, other] = shop.customers.filter((c) => c.kind === 'school')

  await order(school!.name, 'Two double basses', 'DB-34', '4', {
    on: addDays(shop.today, -21),
    wantedBy: addDays(shop.today, 9),
  })

  const picked = await pickOf(await order(other!.name, 'Rosin for the term', 'ROS-LGT', '6'))
  await act(shop, correctPick, {
    pickId: picked.id,
    lines: [{ lineId: picked.line.lineId, from: [{ placeId: present(picked.line.from[0]).placeId, quantity: '5' }] }],
  })
  await pickOf(await order(one!.name, 'A guitar by mail', 'GT-STE', '1'))

  const packed = await pickOf(await order(two!.name, 'Music stands', 'STD-MUS', '2'))
  await act(shop, correctPick, {
    pickId: packed.id,
    lines: [{ lineId: packed.line.lineId, from: packed.line.from.map((f) => ({ ...f, serials: [...f.serials] })) }],
  })
  await act(shop, packPick, {
    pickId: packed.id,
    parcels: ['1', '1'].map((quantity) => ({ lines: [{ lineId: packed.line.lineId, quantity }] })),
  })

  const sent = await pickOf(await order(three!.name, 'Cloths and polish', 'CLN-CLOTH', '3'))
  await act(shop, sendPick(heronParcel), { pickId: sent.id, service: 'Express' })

  const lost = await order(one!.name, 'A mandolin case', 'CAS-MD', '1', {
    on: addDays(shop.today, -13),
    deliverTo: `${one!.name}\n3 Lost Valley\nFernhollow`,
  })
  await act(shop, handOverBy(heronParcel), { saleId: lost, on: addDays(shop.today, -12), service: 'Standard' })
  await act(shop, trackParcels(heronParcel), {})

  // Two brought to their doors, one of them charged for it; and care boxes put together on a quiet afternoon.
  const near = await order(two!.name, 'A music stand brought home', 'STD-MUS', '1')
  await act(shop, handOverBy(heronParcel), { saleId: near, by: 'delivery', freight: '8.00' })
  const term = await order(other!.name, 'Cloths for the school', 'CLN-CLOTH', '4')
  await act(shop, handOverBy(heronParcel), { saleId: term, by: 'delivery' })
  const box = present(shop.kits.find((k) => k.code === 'KIT-CARE'))
  await act(shop, assembleKits, { goodsId: box.id, quantity: '3', on: addDays(shop.today, -4) })
}
