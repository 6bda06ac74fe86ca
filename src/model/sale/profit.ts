import { CHANNEL_NAMES } from '@/core/names'
import type { Day } from '@/core/day'
import { keysOf } from '@/core/keysOf'
import type { ProfitBy } from '@/core/kinds'
import { isZeroMoney, subtractMoney, sumMoney, toDecimalString, type Money } from '@/core/money'
import type { Db } from '@/data/connect'
import type { Part } from '@/data/queries/inOrder'
import {
  listEarned,
  listEarnedByGoods,
  listEarnedByMonth,
  listEarnedParts,
  type Earned,
  type EarnedOf,
} from '@/data/queries/profit'

/** What something earned: income less what went for it. */
export interface ProfitRow extends Earned {
  readonly profit: Money
}

const totalOf = (rows: readonly Earned[], of: 'income' | 'cost', currency: string): Money =>
  sumMoney(
    rows.map((r) => r[of]),
    currency,
  )

const NONE: Readonly<Record<ProfitBy, string>> = {
  sale: 'Not of a sale',
  goods: 'Work, charges and the rest',
  customer: 'Not of a customer',
  kind: 'Not of a sale',
  channel: 'Not of a sale',
  month: '',
}

const CHANNELS: ReadonlyMap<string, string> = new Map(Object.entries(CHANNEL_NAMES))
export const nameOfChannel = (channel: string): string => CHANNELS.get(channel) ?? channel

const nameOf = (by: ProfitBy, { key, name }: Earned): string => {
  if (key === '') return NONE[by]
  return by === 'channel' ? nameOfChannel(key) : name
}

/** What of the whole no thing brought: typed lines, discounts, fees, differences in price. */
const restOf = (all: readonly Earned[], rows: readonly Earned[], currency: string): readonly Earned[] => {
  const income = subtractMoney(totalOf(all, 'income', currency), totalOf(rows, 'income', currency))
  const cost = subtractMoney(totalOf(all, 'cost', currency), totalOf(rows, 'cost', currency))
  return isZeroMoney(income) && isZeroMoney(cost) ? [] : [{ key: '', name: '', income, cost }]
}

/** What was earned between two days, and by what: together always the gross profit of the profit and loss. */
export const readProfit = async (
  db: Db,
  by: ProfitBy,
  span: { readonly from: Day; readonly to: Day },
  currency: string,
): Promise<readonly ProfitRow[]> => {
  const all =
    by === 'goods' || by === 'month'
      ? await listEarnedByMonth(db, span, currency)
      : await listEarned(db, by, span, currency)
  const goods = by === 'goods' ? await listEarnedByGoods(db, span, currency) : []
  const rows = by === 'goods' ? [...goods, ...restOf(all, goods, currency)] : all
  return rows.map((r) => ({ ...r, name: nameOf(by, r), profit: subtractMoney(r.income, r.cost) }))
}

/** So many that earned most, and so many that earned least. */
const AT_THE_ENDS = 20

/** A page of what was earned (by sales of one kind, channel or customer alone), sorted in the database, and what all of it comes to. */
export const readProfitPage = async (
  db: Db,
  by: Exclude<ProfitBy, 'goods' | 'month'>,
  span: { readonly from: Day; readonly to: Day },
  currency: string,
  part: Part,
  of: EarnedOf = {},
) => {
  const named = (rows: readonly Earned[]): readonly ProfitRow[] =>
    rows.map((r) => ({ ...r, name: nameOf(by, r), profit: subtractMoney(r.income, r.cost) }))
  const end = (down: boolean) => ({ limit: AT_THE_ENDS, named: true, order: { by: 'profit', down } })
  // The first page of the usual order begins with the best: they are not looked for once more.
  const begins = part.order === undefined && !part.offset && (part.limit ?? 0) > AT_THE_ENDS
  const narrowedBy = keysOf(of).some((k) => of[k] !== undefined)
  const [[rows = [], worst = [], found], months] = await Promise.all([
    listEarnedParts(db, by, span, currency, [part, end(false), ...(begins ? [] : [end(true)])], of),
    // Few rows of what it is narrowed to, added up.
    narrowedBy
      ? listEarnedParts(db, 'channel', span, currency, [{}], of).then(([all = []]) => all)
      : listEarnedByMonth(db, span, currency),
  ])
  const best = found ?? rows.filter((r) => r.key !== '').slice(0, AT_THE_ENDS)
  const [income, cost] = [totalOf(months, 'income', currency), totalOf(months, 'cost', currency)]
  return {
    rows: named(rows),
    sums: { income, cost, profit: subtractMoney(income, cost) },
    ends: named([...new Map([...best, ...worst].map((r) => [r.key, r])).values()]),
  }
}

/** The same as it is told, with what all rows come to. */
export const profitView = async (...asked: Parameters<typeof readProfit>) => {
  const [, , , currency] = asked
  const rows = await readProfit(...asked)
  const sum = (of: 'income' | 'cost' | 'profit'): string =>
    toDecimalString(
      sumMoney(
        rows.map((r) => r[of]),
        currency,
      ),
    )
  return {
    rows: rows.map((r) => ({
      key: r.key,
      name: r.name,
      income: toDecimalString(r.income),
      cost: toDecimalString(r.cost),
      profit: toDecimalString(r.profit),
    })),
    total: { income: sum('income'), cost: sum('cost'), profit: sum('profit') },
  }
}
