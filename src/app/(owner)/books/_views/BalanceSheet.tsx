import { formatDay, type Day } from '@/core/day'
import { Answer } from './Answer'
import { openShop } from '@/app/(owner)/_shop'
import { readBalanceSheet } from '@/model/books/books'
import { Part } from '@/app/(owner)/books/_views/Part'
import { formatMoney, sumMoney, isZeroMoney } from '@/core/money'
import { ListExport } from '@/ui/list/ListExport'

export const BalanceSheet = async ({ to }: { to: Day }) => {
  const shop = await openShop()
  const { db, currency } = shop
  const b = await readBalanceSheet(db, to, currency)
  const link = (id: number) => `/books/accounts/${id}?to=${to}`
  return (
    <>
      <Answer about="Assets are what you have, liabilities what you owe (money held for customers among it), equity what is left and yours.">
        On {formatDay(to)} you have <b className="fig">{formatMoney(b.totalAssets)}</b> and owe{' '}
        <b className="fig">{formatMoney(b.totalLiabilities)}</b>; <b className="fig">{formatMoney(b.totalEquity)}</b> is
        yours.
      </Answer>
      <div className="grid max-w-265 gap-x-12 lg:grid-cols-2">
        <table className="ledger self-start">
          <Part title="Assets (what you have)" rows={b.assets} total={b.totalAssets} totalName="Assets" link={link} />
        </table>
        <table className="ledger self-start">
          <Part
            title="Liabilities (what you owe)"
            rows={b.liabilities}
            total={b.totalLiabilities}
            totalName="Liabilities"
            link={link}
          />
          <Part
            title="Equity (what is yours)"
            rows={b.equity}
            more={[
              {
                name: 'Profit not yet carried to retained earnings',
                amount: b.earnings,
                href: `/books?view=profit-and-loss&from=1990-01-01&to=${to}`,
              },
            ]}
            total={b.totalEquity}
            totalName="Equity"
            link={link}
          />
          <tbody>
            <tr className="total">
              <td />
              <td className="r">Total liabilities and equity</td>
              <td className="fig">{formatMoney(sumMoney([b.totalLiabilities, b.totalEquity], currency))}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <p className="sub mt-3">
        {isZeroMoney(b.difference)
          ? '✓ Balanced: assets = liabilities + equity'
          : `✗ Out of balance by ${formatMoney(b.difference)}`}
      </p>
      <p className="no-print mt-5">
        <ListExport name="balance-sheet" query={{ asOf: to }} />
      </p>
    </>
  )
}
