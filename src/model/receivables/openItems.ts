import { present } from '@/core/present'
import { daysBetween, formatDay, type Day } from '@/core/day'
import { formatMoney, isPositiveMoney, toDecimalString, zeroMoney, type Money } from '@/core/money'
import { discountOn, nameOfDue } from '@/core/receipt'
import { daysToPay } from '@/core/receivables'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { findCustomer, listCustomers } from '@/data/queries/customers'
import { listPaidDues } from '@/data/queries/receivables'
import { findSales } from '@/data/queries/sales'
import { readDepositsAsked } from './depositsAsked'
import { listOpenDues, type DueRow } from '@/data/queries/due'
import { readLayawayBook } from '@/model/plan/layawayBook'

type DepositAsked = Awaited<ReturnType<typeof readDepositsAsked>>[number]
type LayawayRow = Awaited<ReturnType<typeof readLayawayBook>>['rows'][number]

/** A due as something to pay. */
const dueItem = (d: DueRow, today: Day) => {
  const late = daysBetween(d.dueOn, today)
  return {
    key: `due${d.id}`,
    dueId: d.id,
    saleId: d.saleId,
    what: nameOfDue(d),
    note:
      late > 0 ? `due ${formatDay(d.dueOn)}, ${late} ${late === 1 ? 'day' : 'days'} late` : `due ${formatDay(d.dueOn)}`,
    late: late > 0,
    open: toDecimalString(d.open),
    discount: toDecimalString(discountOn(d, today) ?? zeroMoney(d.open.currency)),
    asked: toDecimalString(d.open),
  }
}

/** A deposit that was asked for, as something to pay. */
const depositItem = (d: DepositAsked, sale: { readonly number: number; readonly title: string } | undefined) => ({
  key: `sale${d.saleId}`,
  saleId: d.saleId,
  what: `Deposit, sale ${sale?.number ?? ''}`,
  note: sale?.title ?? '',
  late: false,
  open: toDecimalString(d.open),
  discount: '0',
  asked: toDecimalString(d.open),
})

/** A layaway as something to pay into: any size is taken up to the rest; what is due by now is proposed. */
const layawayItem = (l: LayawayRow, asked: Money | undefined) => ({
  key: `sale${l.saleId}`,
  saleId: l.saleId,
  what: `Layaway, sale ${l.number}`,
  note: isPositiveMoney(l.behind) ? `${formatMoney(l.behind)} behind` : l.title,
  late: isPositiveMoney(l.behind),
  open: toDecimalString(l.left),
  discount: '0',
  asked: toDecimalString(asked ?? zeroMoney(l.left.currency)),
})

/** How they pay by experience; nothing where there is none. */
const sayUsually = (paid: Parameters<typeof daysToPay>[0]): string => {
  const days = daysToPay(paid)
  if (!days) return ''
  const average = Math.round(days.average)
  return `Usually pays in ${average} ${average === 1 ? 'day' : 'days'}`
}

/** What a customer could pay now, oldest first: their dues, then deposits asked for. */
export const readOpenItems = async (db: Db, customerId: number, business: Business, today: Day) => {
  const { currency } = business
  if (!(await findCustomer(db, customerId, currency))) return null
  const [[standing], dues, deposits, paid, book] = await Promise.all([
    listCustomers(db, { id: customerId }, { limit: 1 }, { today, currency }),
    listOpenDues(db, customerId, currency),
    readDepositsAsked(db, customerId, business, today),
    listPaidDues(db, customerId, 50, currency),
    readLayawayBook(db, business, today, customerId),
  ])
  const sales = await findSales(
    db,
    deposits.map((d) => d.saleId),
    currency,
  )
  const layaways = book.rows.filter((l) => isPositiveMoney(l.left))
  const { owed, late, held } = present(standing)
  return {
    owed: toDecimalString(owed),
    late: toDecimalString(late),
    held: toDecimalString(held),
    usually: sayUsually(paid),
    items: [
      ...dues.map((d) => dueItem(d, today)),
      ...deposits
        .filter((d) => !layaways.some((l) => l.saleId === d.saleId))
        .map((d) =>
          depositItem(
            d,
            sales.find((s) => s.id === d.saleId),
          ),
        ),
      ...layaways.map((l) => layawayItem(l, deposits.find((d) => d.saleId === l.saleId)?.open)),
    ],
  }
}
