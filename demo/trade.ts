import { addDays, day, daysBetween, type Day } from '../src/core/day'
import { findSales } from '../src/data/queries/sales'
import { listInvoicesOfSales } from '../src/data/queries/invoices'
import { toDecimalString } from '../src/core/money'
import { billSale } from '../src/services/billing/billSale'
import { creditInvoice } from '../src/services/billing/creditInvoice'
import { sellAtCounter } from '../src/services/money/sellAtCounter'
import { takeReceipt } from '../src/services/money/takeReceipt'
import { bounceReceipt } from '../src/services/money/voidReceipt'
import { agreeSale } from '../src/services/sales/agreeSale'
import { arrangeSale } from '../src/services/sales/arrangeSale'
import { cancelSale, declineSale } from '../src/services/sales/closeSale'
import { handOver } from '../src/services/sales/handOver'
import { offerSale } from '../src/services/sales/offerSale'
import { requestDeposit } from '../src/services/sales/requestDeposit'
import { startSale } from '../src/services/sales/startSale'
import type { DemoCustomer, Habit } from './people'
import { act, plan, type Workshop } from './load'
import { listDuesOfSales } from '@/data/queries/due'
import { listSaleLines } from '@/data/queries/saleLine'

const CURRENCY = 'USD'
type Customer = DemoCustomer & { readonly id: number }

/** What happens at the workshop in a day: people at the counter, and now and then somebody with something larger. */
export const tradeOnDay = async (shop: Workshop, today: Day): Promise<void> => {
  const { chance } = shop
  const last = shop.today === today
  // The last months are told in full; the year before more sparsely, so that the demo loads in well under a minute.
  const recent = daysBetween(shop.today, today) < 110
  for (let n = last ? 3 : recent && chance.percent(50) ? 2 : 1; n > 0; n--) await sellSmall(shop)
  for (let n = recent ? chance.pick([0, 1, 1, 1, 2]) : chance.percent(22) ? 1 : 0; n > 0; n--)
    await startSomething(shop)
}

const inHand = (shop: Workshop, goodsId: number): number => shop.shelf.get(goodsId) ?? 0
const takeOff = (shop: Workshop, goodsId: number, n: number): void =>
  void shop.shelf.set(goodsId, inHand(shop, goodsId) - n)

const sellSmall = async (shop: Workshop): Promise<void> => {
  const { chance } = shop
  const choice = shop.goods.filter((g) => g.everyday && inHand(shop, g.id) >= 3)
  const things = new Set(Array.from({ length: chance.pick([1, 1, 1, 2, 2, 3]) }, () => chance.pick(choice)))
  const lines = [...things].map((g) => ({ goodsId: g.id, quantity: String(chance.percent(80) ? 1 : 2) }))
  if (chance.percent(25))
    lines.push({
      goodsId: chance.pick(shop.goods.filter((g) => ['W-STRING', 'W-ADJUST'].includes(g.code))).id,
      quantity: '1',
    })
  for (const l of lines) takeOff(shop, l.goodsId, Number(l.quantity))
  const method = chance.pick(['cash', 'cash', 'card', 'card', 'card'] as const)
  await act(shop, sellAtCounter, {
    lines,
    method,
    customerId: chance.percent(30) ? chance.pick(shop.customers).id : undefined,
  })
  shop.sales++
}

interface Basket {
  readonly title: string
  readonly kind: 'sales' | 'repairs' | 'rental'
  readonly lines: { goodsId: number; quantity: string; discountPercent?: string }[]
}

const basketFor = (shop: Workshop, customer: Customer): Basket => {
  const { chance } = shop
  const named = (start: string) => shop.goods.filter((g) => g.code.startsWith(start))
  const roll = chance.between(1, 100)
  const one = (code: string, quantity = '1') => ({
    goodsId: shop.goods.find((g) => g.code === code)!.id,
    quantity,
  })
  if (roll <= 42) {
    const jobs = new Set(Array.from({ length: chance.between(1, 3) }, () => chance.pick(named('W-'))))
    const lines: Basket['lines'] = [...jobs].map((g) => ({
      goodsId: g.id,
      quantity: g.name.endsWith('hour') ? String(chance.pick([1, 1.5, 2, 2.5, 4])) : '1',
    }))
    if (chance.percent(50)) lines.push({ goodsId: chance.pick(named('STR-')).id, quantity: '1' })
    return {
      title: chance.pick(['Repair and set-up', 'Bow and bridge', 'After the summer', 'Crack in the top', 'Overhaul']),
      kind: 'repairs',
      lines,
    }
  }
  if (customer.kind === 'school' || customer.kind === 'orchestra' || roll <= 52) {
    const n = chance.between(3, 10)
    const lines: Basket['lines'] = [
      { goodsId: chance.pick(named('STR-')).id, quantity: String(n * 2) },
      { goodsId: chance.pick([...named('ROS-'), ...named('MUT-')]).id, quantity: String(n) },
    ]
    if (chance.percent(45))
      lines.push({
        goodsId: chance.pick([...named('CAS-'), ...named('BOW-')]).id,
        quantity: String(chance.between(2, 5)),
      })
    lines.push(one('C-DELIVER'))
    return {
      title: chance.pick(['New term', 'Strings for the section', 'Cases and bows', 'Restocking']),
      kind: 'sales',
      lines,
    }
  }
  if (roll <= 62) {
    const thing = chance.pick(shop.goods.filter((g) => g.code.startsWith('R-')))
    return {
      title: thing.name.replace(', month', ''),
      kind: 'rental',
      lines: [{ goodsId: thing.id, quantity: String(chance.pick([3, 6, 10])) }],
    }
  }
  if (roll <= 68)
    return {
      title: 'First violin outfit',
      kind: 'sales',
      lines: [{ goodsId: shop.kits[0]!.id, quantity: '1' }],
    }
  const instrument = chance.pick(shop.goods.filter((g) => /^(VN|VA|CE|GT|UK|MD|DB)-/.test(g.code)))
  const family = instrument.code.slice(0, 2)
  const lines: Basket['lines'] = [{ goodsId: instrument.id, quantity: '1' }]
  for (const start of [`BOW-${family}`, `CAS-${family}`]) {
    const fits = named(start)
    if (fits.length > 0 && chance.percent(75)) lines.push({ goodsId: chance.pick(fits).id, quantity: '1' })
  }
  if (chance.percent(40)) lines.push(one('W-SETUP', '2'))
  return { title: instrument.name, kind: 'sales', lines }
}

/** Somebody asks. What becomes of it is decided now and happens on its days. */
const startSomething = async (shop: Workshop): Promise<void> => {
  const { chance } = shop
  const weight = { school: 4, orchestra: 4, shop: 3, player: 2, parent: 2 }
  const customer = chance.pick(shop.customers.flatMap((c) => Array.from({ length: weight[c.kind] }, () => c)))
  const basket = basketFor(shop, customer)
  const saleId = await act(shop, startSale, {
    customerId: customer.id,
    title: basket.title,
    kind: basket.kind,
    lines: basket.lines,
    channel: chance.pick(['phone', 'phone', 'counter'] as const),
  })
  shop.sales++
  if (chance.percent(4)) return
  const fate = chance.between(1, 100)
  const offerOn = addDays(shop.today, chance.pick([0, 0, 0, 1, 2]))
  if (basket.kind === 'repairs' && fate <= 40) return plan(shop, offerOn, () => agree(shop, saleId, customer))
  plan(shop, offerOn, async () => {
    await act(shop, offerSale, { saleId, validUntil: addDays(shop.today, chance.pick([14, 21, 30])) })
    const answerOn = addDays(shop.today, chance.between(1, 12))
    if (fate > 82)
      plan(
        shop,
        answerOn,
        async () =>
          void (await act(shop, declineSale, {
            saleId,
            reason: chance.pick([
              'Too expensive this year',
              'Found one nearer home',
              'The grant did not come',
              'Will wait until spring',
            ]),
          })),
      )
    else if (fate <= 68) plan(shop, answerOn, () => agree(shop, saleId, customer))
  })
}

const agree = async (shop: Workshop, saleId: number, customer: Customer): Promise<void> => {
  const { chance } = shop
  const forSchool = customer.kind === 'school' || customer.kind === 'orchestra'
  await act(shop, agreeSale, {
    saleId,
    purchaseOrder: forSchool ? `PO-${chance.between(1000, 9999)}` : undefined,
    wantedBy: addDays(shop.today, chance.between(7, 30)),
  })
  const [sale] = await findSales(shop.db, [saleId], CURRENCY)
  if (chance.percent(3))
    return plan(
      shop,
      addDays(shop.today, 4),
      async () => void (await act(shop, cancelSale, { saleId, reason: 'Changed their mind' })),
    )
  if (sale!.total.minor > 30000n && !forSchool && chance.percent(85)) {
    const percent = chance.pick(['30', '40', '50', '100'])
    await act(shop, arrangeSale, { saleId, arrangement: { kind: 'deposit', percent } })
    await act(shop, requestDeposit, { saleId, percent })
    plan(shop, addDays(shop.today, chance.between(1, 9)), async () => {
      const asked = (sale!.total.minor * BigInt(percent) + 50n) / 100n
      await act(shop, takeReceipt, {
        customerId: customer.id,
        method: chance.pick(['transfer', 'card', 'cheque'] as const),
        amount: toDecimalString({ minor: asked, currency: CURRENCY }),
        for: [{ saleId, amount: toDecimalString({ minor: asked, currency: CURRENCY }) }],
      })
      plan(shop, addDays(shop.today, chance.between(2, 12)), () => deliver(shop, saleId, customer, 0))
    })
    return
  }
  plan(shop, addDays(shop.today, chance.between(2, 16)), () => deliver(shop, saleId, customer, 0))
}

/** Hands over what there is, bills it, and comes back for the rest. */
const deliver = async (shop: Workshop, saleId: number, customer: Customer, tries: number): Promise<void> => {
  const { chance } = shop
  const lines = (await listSaleLines(shop.db, [saleId])).filter((l) => l.agreed.gt(l.handedOver))
  const kit = lines.some((l) => l.kind === 'kit')
  const part = lines.length > 1 && tries === 0 && chance.percent(28)
  const now = lines.flatMap((l, i) => {
    const wanted = l.agreed.minus(l.handedOver).toNumber()
    const there = l.kind === 'stock' ? Math.min(wanted, inHand(shop, l.goodsId!)) : wanted
    const quantity =
      part && i === lines.length - 1 ? 0 : part && wanted > 3 ? Math.min(there, Math.ceil(wanted / 2)) : there
    return quantity > 0 ? [{ line: l, quantity }] : []
  })
  const again = () => tries < 8 && plan(shop, addDays(shop.today, 7), () => deliver(shop, saleId, customer, tries + 1))
  if (
    kit &&
    ['VN-34-STU', 'BOW-VN-BRZ', 'CAS-VN-SHP', 'ROS-LGT'].some(
      (code) => inHand(shop, shop.goods.find((g) => g.code === code)!.id) < 1,
    )
  )
    return void again()
  if (now.length === 0) return void again()
  await act(shop, handOver, {
    saleId,
    lines: now.map((n) => ({ lineId: n.line.id, quantity: String(n.quantity) })),
    by: customer.kind === 'school' ? 'delivery' : 'counter',
  })
  for (const n of now) if (n.line.kind === 'stock') takeOff(shop, n.line.goodsId!, n.quantity)
  if (kit)
    for (const code of ['VN-34-STU', 'BOW-VN-BRZ', 'CAS-VN-SHP', 'ROS-LGT'])
      takeOff(shop, shop.goods.find((g) => g.code === code)!.id, 1)
  if (!(now.length === lines.length && now.every((n) => n.line.agreed.minus(n.line.handedOver).eq(n.quantity)))) again()
  plan(shop, addDays(shop.today, chance.pick([0, 0, 1, 1, 3, 6])), () => bill(shop, saleId, customer))
}

const bill = async (shop: Workshop, saleId: number, customer: Customer): Promise<void> => {
  const ready = (await listSaleLines(shop.db, [saleId])).some((l) => l.handedOver.gt(l.billed))
  if (!ready) return
  const invoiceId = await act(shop, billSale, { saleId, what: 'handed-over', issue: true })
  if (shop.chance.percent(2)) {
    plan(shop, addDays(shop.today, 3), async () => {
      const invoice = (await listInvoicesOfSales(shop.db, [saleId], CURRENCY)).find((i) => i.id === invoiceId)!
      const amount = invoice.gross.minor / 10n
      if (amount > 0n)
        await act(shop, creditInvoice, {
          invoiceId,
          amount: toDecimalString({ minor: amount, currency: CURRENCY }),
          reason: 'A scratch we had not seen',
        })
    })
  }
  const due = (await listDuesOfSales(shop.db, [saleId], CURRENCY)).find((d) => d.invoiceId === invoiceId)
  if (due && due.open.minor > 0n)
    plan(shop, payDay(shop, due.dueOn, customer.habit), () => pay(shop, customer, due.id, saleId, 0))
}

const payDay = (shop: Workshop, dueOn: Day, habit: Habit): Day => {
  const on = addDays(dueOn, habit.late + shop.chance.between(-habit.spread, habit.spread))
  return on > shop.today ? on : day(shop.chance.percent(60) ? shop.today : addDays(shop.today, 1))
}

const pay = async (shop: Workshop, customer: Customer, dueId: number, saleId: number, tries: number): Promise<void> => {
  const { chance } = shop
  if (customer.habit.late > 20 && tries === 0 && chance.percent(18))
    return plan(shop, addDays(shop.today, chance.between(30, 90)), () => pay(shop, customer, dueId, saleId, 1))
  const due = (await listDuesOfSales(shop.db, [saleId], CURRENCY)).find((d) => d.id === dueId)
  if (!due || due.open.minor <= 0n) return
  const inPart = due.open.minor > 30000n && tries < 2 && chance.percent(15)
  const minor = inPart ? due.open.minor / 2n : due.open.minor
  const amount = toDecimalString({ minor, currency: CURRENCY })
  const method =
    customer.net > 14
      ? chance.pick(['transfer', 'transfer', 'cheque'] as const)
      : chance.pick(['cash', 'card', 'card', 'transfer'] as const)
  const receiptId = await act(shop, takeReceipt, {
    customerId: customer.id,
    method,
    amount,
    reference: method === 'transfer' ? due.number : undefined,
    for: [{ dueId, amount }],
  })
  if (inPart)
    plan(shop, addDays(shop.today, chance.between(10, 40)), () => pay(shop, customer, dueId, saleId, tries + 1))
  if (method === 'cheque' && chance.percent(3)) {
    plan(shop, addDays(shop.today, 5), async () => {
      // It was brought to the bank by then, or not: either way the bank sent it back.
      await act(shop, bounceReceipt, { receiptId, reason: 'The cheque came back', fee: '0.00' })
      plan(shop, addDays(shop.today, 12), () => pay(shop, customer, dueId, saleId, tries + 1))
    })
  }
}
