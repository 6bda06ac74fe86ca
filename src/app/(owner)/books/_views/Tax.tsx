import { type Day, formatDay } from '@/core/day'
import { openShop } from '@/app/(owner)/_shop'
import { readTax } from '@/model/books/journal'
import { Empty } from '@/ui/Empty'
import { formatMoney, sumMoney } from '@/core/money'

export const Tax = async ({ from, to }: { from: Day; to: Day }) => {
  const shop = await openShop()
  const { currency } = shop
  const rows = await readTax(shop, { from, to })
  if (rows.length === 0)
    return (
      <Empty>
        Nothing was billed from {formatDay(from)} through {formatDay(to)}.
      </Empty>
    )
  return (
    <table className="ledger max-w-[760px]">
      <thead>
        <tr>
          <th scope="col">Code</th>
          <th scope="col">Tax</th>
          <th scope="col" className="r">
            Rate
          </th>
          <th scope="col" className="r">
            Billed, net
          </th>
          <th scope="col" className="r">
            Tax
          </th>
        </tr>
      </thead>
      <tbody>
        {rows.map((r, i) => (
          <tr key={i}>
            <td className="font-figure">{r.code}</td>
            <td>{r.component ?? r.name}</td>
            <td className="fig">
              {r.component ? `${r.rate.times(100).toString()} %` : r.treatment === 'exempt' ? 'exempt' : '0 %'}
            </td>
            <td className="fig">{formatMoney(r.net)}</td>
            <td className="fig">{formatMoney(r.amount)}</td>
          </tr>
        ))}
      </tbody>
      <tbody>
        <tr className="total">
          <td />
          <td />
          <td />
          <td className="r">tax due</td>
          <td className="fig">
            {formatMoney(
              sumMoney(
                rows.map((r) => r.amount),
                currency,
              ),
            )}
          </td>
        </tr>
      </tbody>
    </table>
  )
}
