import { type Day, daysBetween, addDays, formatDay } from '@/core/day'
import { openShop } from '@/app/(owner)/_shop'
import { readProfitAndLoss } from '@/model/books/books'
import { Part } from '@/app/(owner)/books/_views/Part'
import { formatMoney } from '@/core/money'
import { ListExport } from '@/ui/list/ListExport'

export const ProfitAndLoss = async ({ from, to }: { from: Day; to: Day }) => {
  const shop = await openShop()
  const { db, currency } = shop
  const length = Math.max(1, daysBetween(from, to) + 1)
  const before = { from: addDays(from, -length), to: addDays(from, -1) }
  const [p, earlier] = await Promise.all([
    readProfitAndLoss(db, { from, to }, currency),
    readProfitAndLoss(db, before, currency),
  ])
  const link = (id: number) => `/books/accounts/${id}?from=${from}&to=${to}`
  return (
    <>
      <table className="ledger max-w-170">
        <Part title="Income" rows={p.income} total={p.totalIncome} totalName="income" link={link} />
        <Part
          title="What the goods cost"
          rows={p.costOfGoods}
          total={p.grossProfit}
          totalName="gross profit"
          link={link}
        />
        <Part title="Expenses" rows={p.expenses} total={p.totalExpenses} totalName="expenses" link={link} />
        <tbody>
          <tr className="total">
            <td />
            <td className="r">Net profit</td>
            <td className="fig">{formatMoney(p.profit)}</td>
          </tr>
        </tbody>
      </table>
      <p className="sub mt-3">
        The {length} days before, {formatDay(before.from)} through {formatDay(before.to)}: income{' '}
        {formatMoney(earlier.totalIncome)}, profit {formatMoney(earlier.profit)}.
      </p>
      <p className="no-print mt-5">
        <ListExport name="profit-and-loss" query={{ from, to }} />
      </p>
    </>
  )
}
