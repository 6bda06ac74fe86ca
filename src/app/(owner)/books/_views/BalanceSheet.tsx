import type { Day } from '@/core/day'
import { openShop } from '@/app/(owner)/_shop'
import { readBalanceSheet } from '@/model/books/books'
import type { ReportRow } from '@/core/ledger'
import { Part } from '@/app/(owner)/books/_views/Part'
import { To } from '@/ui/To'
import { formatMoney, sumMoney, isZeroMoney } from '@/core/money'
import { ListExport } from '@/ui/list/ListExport'

export const BalanceSheet = async ({ to }: { to: Day }) => {
  const shop = await openShop()
  const { db, currency } = shop
  const b = await readBalanceSheet(db, to, currency)
  const link = (id: number) => `/books/accounts/${id}?to=${to}`
  const earned: ReportRow = {
    id: 0,
    code: '',
    name: 'Earned so far, not moved to earlier years',
    amount: b.earnings,
  }
  return (
    <>
      <div className="grid max-w-[1060px] gap-x-12 lg:grid-cols-2">
        <table className="ledger self-start">
          <Part title="What there is" rows={b.assets} total={b.totalAssets} totalName="assets" link={link} />
        </table>
        <table className="ledger self-start">
          <Part
            title="What is owed to others"
            rows={b.liabilities}
            total={b.totalLiabilities}
            totalName="liabilities"
            link={link}
          />
          <tbody>
            <tr>
              <td colSpan={3} className="border-b-iron-900! pt-4! font-slab text-[17px] font-semibold">
                What is yours
              </td>
            </tr>
            {b.equity.map((r) => (
              <tr key={r.id} className="row">
                <td className="w-20 font-figure">{r.code}</td>
                <td>
                  <To data-row className="cover" href={link(r.id)}>
                    {r.name}
                  </To>
                </td>
                <td className="fig">{formatMoney(r.amount)}</td>
              </tr>
            ))}
            <tr className="row">
              <td />
              <td>
                <To data-row className="cover" href={`/books?view=profit-and-loss&from=1990-01-01&to=${to}`}>
                  {earned.name}
                </To>
              </td>
              <td className="fig">{formatMoney(earned.amount)}</td>
            </tr>
            <tr className="font-bold">
              <td className="border-0!" />
              <td className="r border-0!">equity</td>
              <td className="fig border-0! border-t! border-iron-900!">{formatMoney(b.totalEquity)}</td>
            </tr>
            <tr className="total">
              <td />
              <td className="r">owed and yours</td>
              <td className="fig">{formatMoney(sumMoney([b.totalLiabilities, b.totalEquity], currency))}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <p className="sub mt-3">
        {isZeroMoney(b.difference)
          ? '✓ what there is equals what is owed and what is yours'
          : `✗ the sides differ by ${formatMoney(b.difference)}`}
      </p>
      <p className="no-print mt-5">
        <ListExport name="balance-sheet" query={{ asOf: to }} />
      </p>
    </>
  )
}
