import { toDecimalString } from '@/core/money'
import { listAccounts } from '@/data/queries/accounts'
import { sumAccounts } from '@/data/queries/balances'
import { findBusiness } from '@/data/queries/business'
import { inDebit } from '@/model/books/ties'
import { goodsView } from '@/model/goods/goods'
import { goodsStockView } from '@/model/goods/stockViews'
import { enterBill } from '@/services/buying/enterBill'
import { addSupplier } from '@/services/buying/keepSupplier'
import { orderGoods } from '@/services/buying/orderGoods'
import { changeGoods } from '@/services/goods/keepGoods'
import { handOver } from '@/services/sales/handOver'
import { startSale } from '@/services/sales/startSale'
import { openTestShop } from './shop'

/**
 * A shop that buys rosin in packs of six at 6.00, with two percent off for paying within ten days. Twenty rosin at 6.00 and five
 * violins at 600.00 lie there; today is 1 March.
 */
export const openBuying = async () => {
  const s = await openTestShop()
  const supplier = await s.run(addSupplier, {
    name: 'Gutwerk Strings',
    terms: { net: 30, discountPercent: '2', discountDays: 10 },
  })
  await s.run(changeGoods, { goodsId: s.rosin, suppliers: [{ supplierId: supplier, packSize: '6', unitCost: '6.00' }] })
  const business = async () => (await findBusiness(s.db))!
  const rosin = async () => (await goodsView(s.db, s.rosin, await business(), s.shop.today))!
  const worth = async (goodsId: number) =>
    (await goodsStockView(s.db, goodsId, s.shop.today, { business: await business(), today: s.shop.today }))!.value
  /** What stands on an account, in debit. */
  const balance = async (role: string) => {
    const account = (await listAccounts(s.db)).find((a) => a.role === role)!
    return toDecimalString(inDebit(await sumAccounts(s.db, { to: s.shop.today }, 'USD'), account.id, 'USD'))
  }
  const order = async (quantity: string, more: object = {}) => {
    const made = await s.answer(orderGoods, { supplierId: supplier, lines: [{ goodsId: s.rosin, quantity }], ...more })
    return { ...made, lineId: made.lines[0]!.id }
  }
  /** So many rosin are sold and handed over; answers the sale. */
  const giveRosin = async (quantity: string) => {
    const saleId = await s.run(startSale, {
      customerId: s.customer,
      agreed: true,
      lines: [{ goodsId: s.rosin, quantity }],
    })
    await s.run(handOver, { saleId })
    return saleId
  }
  /** A bill of theirs for rent, which nothing comes in for. */
  const bill = async (amount: string, more: object = {}) => {
    const rent = (await listAccounts(s.db)).find((a) => a.code === '6000')!
    return s.answer(enterBill, {
      supplierId: supplier,
      theirNumber: `B-${amount}`,
      lines: [{ accountId: rent.id, amount }],
      ...more,
    })
  }
  const asked = async () => ({ db: s.db, business: await business(), today: s.shop.today })
  return { s, supplier, asked, bill, giveRosin, business, rosin, worth, balance, order }
}
