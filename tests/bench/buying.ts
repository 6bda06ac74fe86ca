import { day } from '@/core/day'
import { readBillList, readOrderList, readReceivedList, readSupplierList } from '@/model/buying/onLists'
import { readPayables } from '@/model/buying/payables'
import { readProposals } from '@/model/buying/proposals'
import { readProfit, readProfitPage } from '@/model/sale/profit'
import { saleView } from '@/model/sale/saleView'
import { today, type Shop } from './fill'

const PAGE = { limit: 61 }
/** All there is: the fill pays its last bills a little after today. */
const TEN_YEARS = { from: day('2016-01-01'), to: day('2026-12-31') }

/** What is asked of so much buying. */
export const BUYING: Readonly<Record<string, (s: Shop) => Promise<unknown>>> = {
  'payables today': ({ db }) => readPayables(db, { asOf: today }, 'USD'),
  'payables a year ago': ({ db }) => readPayables(db, { asOf: day('2025-11-25') }, 'USD'),
  'what to order': ({ db }) => readProposals(db, { today }),
  'profit by sale, ten years': ({ db }) => readProfitPage(db, 'sale', TEN_YEARS, 'USD', PAGE),
  'profit by sale, a year': ({ db }) => readProfitPage(db, 'sale', { from: day('2026-01-01'), to: today }, 'USD', PAGE),
  'profit by customer, ten years': ({ db }) => readProfitPage(db, 'customer', TEN_YEARS, 'USD', PAGE),
  'profit by sale, ten years, a file': ({ db }) => readProfit(db, 'sale', TEN_YEARS, 'USD'),
  'profit by month, ten years': ({ db }) => readProfit(db, 'month', TEN_YEARS, 'USD'),
  'profit by item, a year': ({ db }) => readProfit(db, 'goods', { from: day('2026-01-01'), to: today }, 'USD'),
  'a sale with its cost': ({ db, business }) => saleView(db, 500, business, today),
  'bills unpaid, first page': ({ db, business }) =>
    readBillList({ db, business, today, currency: 'USD' }, { show: 'open' }, PAGE),
  'bills, first page': ({ db, business }) => readBillList({ db, business, today, currency: 'USD' }, {}, PAGE),
  'orders, first page': ({ db, business }) => readOrderList({ db, business, today, currency: 'USD' }, {}, PAGE),
  'goods received, first page': ({ db, business }) =>
    readReceivedList({ db, business, today, currency: 'USD' }, {}, PAGE),
  suppliers: ({ db, business }) => readSupplierList({ db, business, today, currency: 'USD' }),
}
