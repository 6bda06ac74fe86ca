import { addDays } from '../src/core/day'
import { present } from '../src/core/present'
import { listAccounts } from '../src/data/queries/accounts'
import { listBillLines, listBills } from '../src/data/queries/bill'
import { listReceivedLines } from '../src/data/queries/goodsReceived'
import { listPurchaseLines } from '../src/data/queries/purchaseOrder'
import { listSaleLines } from '../src/data/queries/saleLine'
import { creditBill } from '../src/services/buying/creditBill'
import { enterBill } from '../src/services/buying/enterBill'
import { addSupplier } from '../src/services/buying/keepSupplier'
import { landCost } from '../src/services/buying/landCost'
import { orderGoods, sendOrder } from '../src/services/buying/orderGoods'
import { paySupplier } from '../src/services/buying/paySupplier'
import { receiveGoods } from '../src/services/buying/receiveGoods'
import { startBillRepeat } from '../src/services/buying/repeatBill'
import { returnToSupplier } from '../src/services/buying/sendBack'
import { billSale } from '../src/services/billing/billSale'
import { changeGoods } from '../src/services/goods/keepGoods'
import { addCustomer } from '../src/services/people/keepCustomer'
import { startSale } from '../src/services/sales/startSale'
import { act, type Workshop } from './load'

/** Orders to suppliers in each state, goods that came in part and straight to a school, and bills due, late and paid early. */
export const buyThings = async (shop: Workshop): Promise<void> => {
  const goods = (code: string) => present(shop.goods.find((g) => g.code === code)).id
  const ago = (days: number) => addDays(shop.today, -days)
  const account = async (code: string) => present((await listAccounts(shop.db)).find((a) => a.code === code)).id
  const strings = await act(shop, addSupplier, {
    name: 'Halden String Works',
    email: 'sales@halden.example',
    phone: '555 0161',
    terms: { net: 30, discountPercent: '2', discountDays: 10 },
    taxNumber: 'DE 811 907 980',
    bank: { name: 'Halden Savings', iban: 'DE89370400440532013000', bic: 'HALDDE21XXX' },
    addresses: [{ use: 'returns', text: 'Halden String Works, Returns\nDock 4, Halden' }],
    contacts: [{ name: 'Mara Lind', role: 'Orders', email: 'mara@halden.example', phone: '555 0162' }],
  })
  const bows = await alsoCustomer(shop)
  const landlord = await act(shop, addSupplier, { name: 'Mill Lane Estates', terms: { net: 10 } })
  const power = await act(shop, addSupplier, { name: 'Fernhollow Power', terms: { net: 14 } })

  const order = async (
    supplierId: number,
    on: number,
    lines: readonly [string, string, string][],
    more: object = {},
  ) => {
    const id = await act(shop, orderGoods, {
      supplierId,
      on: ago(on),
      lines: lines.map(([code, quantity, unitCost]) => ({ goodsId: goods(code), quantity, unitCost })),
      ...more,
    })
    return { id, lines: await listPurchaseLines(shop.db, { orderIds: [id] }) }
  }
  const sent = async (made: Awaited<ReturnType<typeof order>>, on: number) => {
    // Those of today go out by e-mail, older ones went long ago.
    await act(shop, sendOrder, { orderId: made.id, on: ago(on), ...(on === 0 ? {} : { mail: false }) })
    return made
  }

  // In part: four of six stands came, and are invoiced dearer than they were ordered.
  const stands = await sent(await order(strings, 20, [['STD-MUS', '6', '14.00']], { wantedBy: ago(4) }), 20)
  const came = await act(shop, receiveGoods, {
    purchaseOrderId: stands.id,
    on: ago(9),
    lines: [{ lineId: present(stands.lines[0]).id, quantity: '4' }],
  })
  const [first] = await listReceivedLines(shop.db, { receivedIds: [came] })
  await act(shop, enterBill, {
    supplierId: strings,
    on: ago(8),
    theirNumber: 'HS-2211',
    lines: [{ receivedLineId: present(first).id, unitCost: '14.50' }],
  })
  // Paid early, with its discount.
  await act(shop, enterBill, {
    supplierId: strings,
    on: ago(30),
    theirNumber: 'HS-2187',
    lines: [{ accountId: await account('6020'), description: 'Gut and winding wire', amount: '180.00' }],
  })
  await act(shop, paySupplier, { supplierId: strings, on: ago(24), from: 'bank', amount: '176.40' })
  await buyElsewhere(shop)
  // Late: bows that were promised a week ago.
  await sent(await order(bows, 35, [['BOW-VN-PRN', '2', '380.00']], { wantedBy: ago(7) }), 34)
  // A draft, to be looked at: from two dozen on rosin costs less.
  await act(shop, changeGoods, {
    goodsId: goods('ROS-LGT'),
    suppliers: [
      { supplierId: strings, packSize: '6', unitCost: '4.60', prices: [{ fromQuantity: '24', unitCost: '4.10' }] },
      { supplierId: bows, unitCost: '5.20' },
    ],
  })
  await order(strings, 0, [], { lines: [{ goodsId: goods('ROS-LGT'), quantity: '24' }] })

  // Straight to a school.
  const school = present(shop.customers.find((c) => c.kind === 'school'))
  shop.sales++
  const saleId = await act(shop, startSale, {
    customerId: school.id,
    title: 'Music stands for the hall',
    agreed: true,
    deliverTo: `${school.name}\nFernhollow`,
    lines: [{ goodsId: goods('STD-MUS'), quantity: '8' }],
  })
  const [line] = await listSaleLines(shop.db, [saleId])
  const direct = await sent(
    await order(strings, 0, [], {
      direct: true,
      lines: [{ goodsId: goods('STD-MUS'), quantity: '8', unitCost: '13.80', saleLineId: present(line).id }],
    }),
    0,
  )
  await act(shop, receiveGoods, {
    purchaseOrderId: direct.id,
    lines: [{ lineId: present(direct.lines[0]).id, quantity: '8' }],
  })

  // The house: rent paid from the bank, power due, and one that is late.
  const rent = { supplierId: landlord, theirNumber: 'ML-11', on: ago(26) }
  await act(shop, enterBill, {
    ...rent,
    lines: [{ accountId: await account('6000'), description: 'Workshop rent', amount: '1150.00' }],
  })
  await act(shop, paySupplier, { supplierId: landlord, on: ago(18), from: 'bank', amount: '1150.00', check: 2041 })
  const rented = present((await listBills(shop.db, { supplierId: landlord }))[0])
  await act(shop, startBillRepeat, { billId: rented.id, every: 'month', firstOn: addDays(shop.today, 4) })
  for (const [theirNumber, on, amount] of [
    ['FP-1020', 40, '96.40'],
    ['FP-1121', 6, '102.75'],
  ] as const)
    await act(shop, enterBill, {
      supplierId: power,
      theirNumber,
      on: ago(on),
      lines: [{ accountId: await account('6010'), description: 'Light and heating', amount }],
    })
}

/** Goods of two houses that come with one carrier, whose bill is spread over both; some of them go back. */
const buyElsewhere = async (shop: Workshop): Promise<void> => {
  const goods = (code: string) => present(shop.goods.find((g) => g.code === code)).id
  const ago = (days: number) => addDays(shop.today, -days)
  const wood = await act(shop, addSupplier, { name: 'Alder & Ash Tonewood', terms: { net: 21 } })
  const cases = await act(shop, addSupplier, { name: 'Casewright', terms: { net: 30 } })
  const carrier = await act(shop, addSupplier, { name: 'Heron Freight', terms: { net: 14 } })
  const receive = (supplierId: number, code: string, quantity: string, unitCost: string) =>
    act(shop, receiveGoods, { supplierId, on: ago(13), lines: [{ goodsId: goods(code), quantity, unitCost }] })
  const rests = await receive(wood, 'SHR-WOOD', '10', '31.00')
  const tubes = await receive(cases, 'HUM-CASE', '30', '6.20')
  const [tubeLine] = await listReceivedLines(shop.db, { receivedIds: [tubes] })
  const [restLine] = await listReceivedLines(shop.db, { receivedIds: [rests] })
  const billed = (supplierId: number, theirNumber: string, receivedLineId: number) =>
    act(shop, enterBill, { supplierId, theirNumber, on: ago(11), lines: [{ receivedLineId }] })
  await billed(wood, 'AA-508', present(restLine).id)
  const tubeBill = await billed(cases, 'CW-3310', present(tubeLine).id)
  const freight = await act(shop, enterBill, {
    supplierId: carrier,
    theirNumber: 'HF-90714',
    on: ago(5),
    lines: [
      {
        accountId: present((await listAccounts(shop.db)).find((a) => a.code === '6020')).id,
        description: 'Carriage of two lots',
        amount: '48.00',
      },
    ],
  })
  const [freightLine] = await listBillLines(shop.db, [freight])
  await act(shop, landCost, {
    billLineId: present(freightLine).id,
    receivedIds: [rests, tubes],
    by: 'value',
    on: ago(5),
  })
  await act(shop, returnToSupplier, {
    receivedId: tubes,
    on: ago(4),
    lines: [{ lineId: present(tubeLine).id, quantity: '6' }],
    reason: 'Leak at the cap',
  })
  await act(shop, creditBill, {
    billId: tubeBill,
    on: ago(2),
    theirNumber: 'CW-C-41',
    lines: [{ receivedLineId: present(tubeLine).id, quantity: '4' }],
    reason: 'Four of six credited',
  })
}

/** A maker of bows who had an instrument set up here, and is owed for a rehair: both can be set off. */
const alsoCustomer = async (shop: Workshop): Promise<number> => {
  const ago = (days: number) => addDays(shop.today, -days)
  const customerId = await act(shop, addCustomer, {
    name: 'Ines Corvo',
    email: 'ines@corvo.example',
    terms: { net: 14 },
  })
  shop.sales++
  const saleId = await act(shop, startSale, {
    customerId,
    title: 'Set-up of her viola',
    on: ago(6),
    agreed: true,
    lines: [{ description: 'Set-up and new bridge', quantity: '1', unitPrice: '148.00' }],
  })
  await act(shop, billSale, { saleId, what: 'remaining', issue: true, on: ago(6) })
  const supplierId = await act(shop, addSupplier, {
    name: 'Ines Corvo, bow maker',
    email: 'ines@corvo.example',
    customerId,
  })
  await act(shop, enterBill, {
    supplierId,
    on: ago(3),
    theirNumber: 'IC-77',
    lines: [
      {
        accountId: present((await listAccounts(shop.db)).find((a) => a.code === '6020')).id,
        description: 'Rehair of two rental bows',
        amount: '110.00',
      },
    ],
  })
  return supplierId
}
