import { weekday, type Day } from '../src/core/day'
import { toDecimalString, decimal, roundToMoney } from '../src/core/money'
import { listAccounts } from '../src/data/queries/accounts'
import { countDrawer } from '../src/services/till/drawer'
import { bankSlip, settleCards } from '../src/services/till/toBank'
import { writeEntry } from '../src/services/books/writeEntry'
import { countedIn } from './pieces'
import { countStock } from '../src/services/goods/countStock'
import { act, type Workshop } from './load'
import { listToBank } from '@/data/queries/bank'
import { sumAccounts } from '@/data/queries/balances'

const CURRENCY = 'USD'
const FLOAT = 15000n

const balances = async (shop: Workshop): Promise<Map<string, bigint>> => {
  const [sums, accounts] = [await sumAccounts(shop.db, { to: shop.today }, CURRENCY), await listAccounts(shop.db)]
  return new Map(
    accounts.map((a) => [
      a.code,
      sums.filter((s) => s.id === a.id).reduce((sum, s) => sum + s.debit.minor - s.credit.minor, 0n),
    ]),
  )
}
const text = (minor: bigint): string => toDecimalString({ minor, currency: CURRENCY })
const own = (shop: Workshop, what: string, debit: string, credit: string, amount: string): Promise<number> =>
  act(shop, writeEntry, {
    text: what,
    lines: [
      { account: debit, debit: amount },
      { account: credit, credit: amount },
    ],
  })

/** What the owner writes into the books beside the papers: the start, the month’s costs, the way to the bank, what was bought. */
export const keepBooks = async (shop: Workshop, start: Day): Promise<void> => {
  if (shop.today === start || (shop.today.endsWith('-02') && shop.sales === 0)) await openBooks(shop)
  if (weekday(shop.today) === 1 && shop.sales > 0) {
    await restock(shop)
    await goToTheBank(shop)
  }
  if (Number(shop.today.slice(8)) === 3 || (Number(shop.today.slice(8)) === 4 && weekday(shop.today) === 1))
    await payTheMonth(shop)
}

const openBooks = async (shop: Workshop): Promise<void> => {
  const opened = (await balances(shop)).get('1020')
  if (opened !== 0n) return
  await own(shop, 'Owner’s money to start with', '1020', '3000', '14000.00')
  await own(shop, 'Float for the drawer', '1000', '1020', '150.00')
  const adjustments = (await balances(shop)).get('5100') ?? 0n
  await own(shop, 'Goods there were at the start', '5100', '3900', text(-adjustments))
}

const payTheMonth = async (shop: Workshop): Promise<void> => {
  await own(shop, 'Rent of the workshop', '6000', '1020', '640.00')
  await own(shop, 'Utilities and telephone', '6010', '1020', text(BigInt(9500 + shop.chance.between(0, 6000))))
  await own(shop, 'Glue, varnish, small tools', '6020', '1020', text(BigInt(4000 + shop.chance.between(0, 9000))))
  await own(shop, 'Insurance', '6030', '1020', '88.00')
  const bank = (await balances(shop)).get('1020') ?? 0n
  if (bank > 600000n) await own(shop, 'Taken out to live on', '3100', '1020', text((bank - 400000n) / 2n))
}

/** Cash above the float and cheques go to the bank, card takings arrive less fees. */
const goToTheBank = async (shop: Workshop): Promise<void> => {
  const now = await balances(shop)
  const cash = (now.get('1000') ?? 0n) - FLOAT
  const cheques = await listToBank(shop.db, 'cheque', shop.today, CURRENCY)
  if (cash > 0n || cheques.length > 0)
    await act(shop, bankSlip, { cash: text(cash > 0n ? cash : 0n), cheques: cheques.map((c) => c.id) })
  const cards = await listToBank(shop.db, 'card', shop.today, CURRENCY)
  if (cards.length > 0) {
    const gross = cards.reduce((sum, c) => sum + c.amount.minor, 0n)
    const fees = roundToMoney(decimal(gross).div(100).times('0.019'), CURRENCY)
    await act(shop, settleCards, { receipts: cards.map((c) => c.id), fees: toDecimalString(fees) })
  }
  await act(shop, countDrawer, { counted: text(FLOAT - (shop.chance.percent(8) ? 50n : 0n)) })
}

/** What ran low is bought, put on the shelf by a count, and paid from the bank. A few things are always forgotten. */
const restock = async (shop: Workshop): Promise<void> => {
  const low = shop.goods.filter(
    (g) => g.stock && (shop.shelf.get(g.id) ?? 0) <= Math.floor(g.stock / 3) && !shop.chance.percent(20),
  )
  if (low.length === 0) return
  await act(shop, countStock, {
    lines: low.map((g) => countedIn(g, shop.shelf.get(g.id) ?? 0, shop.today)),
  })
  for (const g of low) shop.shelf.set(g.id, g.stock!)
  const bought = -((await balances(shop)).get('5100') ?? 0n)
  if (bought > 0n) await own(shop, 'Goods bought for the shelf', '5100', '1020', text(bought))
}
