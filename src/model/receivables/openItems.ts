import { present } from '@/core/present'
import { daysBetween, formatDay, type Day } from '@/core/day'
import { formatMoney, isPositiveMoney, toDecimalString, zeroMoney } from '@/core/money'
import { discountOn, nameOfDue } from '@/core/receipt'
import { daysToPay } from '@/core/receivables'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { findCustomer, listCustomers } from '@/data/queries/customers'
import { listPaidDues } from '@/data/queries/receivables'
import { findSales } from '@/data/queries/sales'
import { readDepositsAsked } from './depositsAsked'
import { listOpenDues } from '@/data/queries/due'
import { readLayawayBook } from '@/model/plan/layawayBook'

/** What a customer could pay now, oldest first: their dues, then deposits asked for. */
export const readOpenItems = async (db: Db, customerId: number, business: Business, today: Day) => {
  const { currency } = business
  if (!(await findCustomer(db, customerId, currency))) return null
  const [[standing], dues, deposits, paid] = await Promise.all([
    listCustomers(db, { id: customerId }, { limit: 1 }, { today, currency }),
    listOpenDues(db, customerId, currency),
    readDepositsAsked(db, customerId, business, today),
    listPaidDues(db, customerId, 50, currency),
  ])
  const sales = await findSales(
    db,
    deposits.map((d) => d.saleId),
    currency,
  )
  const layaways = (await readLayawayBook(db, business, today, customerId)).rows.filter((l) => isPositiveMoney(l.left))
  const days = daysToPay(paid)
  return {
    owed: toDecimalString(present(standing).owed),
    late: toDecimalString(present(standing).late),
    held: toDecimalString(present(standing).held),
    usually: days
      ? `Usually pays in ${Math.round(days.average)} ${Math.round(days.average) === 1 ? 'day' : 'days'}`
      : '',
    items: [
      ...dues.map((d) => {
        const late = daysBetween(d.dueOn, today)
        return {
          key: `due${d.id}`,
          dueId: d.id,
          saleId: d.saleId,
          what: nameOfDue(d),
          note:
            late > 0
              ? `due ${formatDay(d.dueOn)}, ${late} ${late === 1 ? 'day' : 'days'} late`
              : `due ${formatDay(d.dueOn)}`,
          late: late > 0,
          open: toDecimalString(d.open),
          discount: toDecimalString(discountOn(d, today) ?? zeroMoney(currency)),
          asked: toDecimalString(d.open),
        }
      }),
      ...deposits
        .filter((d) => !layaways.some((l) => l.saleId === d.saleId))
        .map((d) => ({
          key: `sale${d.saleId}`,
          saleId: d.saleId,
          what: `Deposit, sale ${sales.find((s) => s.id === d.saleId)?.number ?? ''}`,
          note: sales.find((s) => s.id === d.saleId)?.title ?? '',
          late: false,
          open: toDecimalString(d.open),
          discount: '0',
          asked: toDecimalString(d.open),
        })),
      ...layaways.map((l) => ({
        key: `sale${l.saleId}`,
        saleId: l.saleId,
        what: `Layaway, sale ${l.number}`,
        note: isPositiveMoney(l.behind) ? `${formatMoney(l.behind)} behind` : l.title,
        late: isPositiveMoney(l.behind),
        open: toDecimalString(l.left),
        discount: '0',
        // Any size is taken up to the rest; what is due by now is proposed.
        asked: toDecimalString(deposits.find((d) => d.saleId === l.saleId)?.open ?? zeroMoney(currency)),
      })),
    ],
  }
}
