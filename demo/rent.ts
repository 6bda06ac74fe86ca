import { addDays } from '../src/core/day'
import { toDecimalString } from '../src/core/money'
import { takeReceipt } from '../src/services/money/takeReceipt'
import { startRepeat } from '../src/services/sales/keepRepeat'
import { startSale } from '../src/services/sales/startSale'
import { act, plan, type Workshop } from './load'
import { listDuesOfSales } from '@/data/queries/due'

/** Four instruments rented by the month: an invoice that goes out by itself, and one that is looked at first. */
export const rentOut = async (shop: Workshop): Promise<void> => {
  const rented = [
    ['Anneliese Mohr', 'R-VN-S', true],
    ['Kofi Brightwell', 'R-CE-34', true],
    ['Gretchen Paley', 'R-VA', true],
    ['Lakeland College', 'R-DB', false],
  ] as const
  for (const [n, [name, code, byItself]] of rented.entries()) {
    const thing = shop.goods.find((g) => g.code === code)!
    const saleId = await act(shop, startSale, {
      customerId: shop.customers.find((c) => c.name === name)!.id,
      title: thing.name.replace(', month', ''),
      kind: 'rental',
      lines: [{ goodsId: thing.id, quantity: '1' }],
    })
    shop.sales++
    await act(shop, startRepeat, {
      saleId,
      every: 'month',
      firstOn: addDays(shop.today, 1 + n * 6),
      makes: 'invoice',
      byItself,
    })
  }
}

/** What a month of rent asks is paid a few days later. */
export const payRent = async (shop: Workshop, saleId: number): Promise<void> => {
  shop.sales++
  for (const due of await listDuesOfSales(shop.db, [saleId], 'USD')) {
    plan(shop, addDays(due.dueOn, shop.chance.between(-2, 6)), async () => {
      const amount = toDecimalString(due.amount)
      await act(shop, takeReceipt, {
        customerId: due.customerId,
        method: 'transfer',
        amount,
        for: [{ dueId: due.id, amount }],
      })
    })
  }
}
