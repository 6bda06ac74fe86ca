import type { Day } from '@/core/day'
import { openShop } from '@/app/(owner)/_shop'
import { readTrialBalance } from '@/model/books/books'
import Link from 'next/link'
import { isZeroMoney, formatMoney } from '@/core/money'
import { exportLinks } from '@/app/(owner)/books/_views/exportLinks'

export const TrialBalance = async ({ to }: { to: Day }) => {
  const shop = await openShop()
  const { db, currency } = shop
  const t = await readTrialBalance(db, to, currency)
  return (
    <>
      <table className="ledger max-w-[760px]">
        <thead>
          <tr>
            <th scope="col" className="w-20">
              Code
            </th>
            <th scope="col">Account</th>
            <th scope="col" className="r w-[140px]">
              Debit
            </th>
            <th scope="col" className="r w-[140px]">
              Credit
            </th>
          </tr>
        </thead>
        <tbody>
          {t.rows.map((r) => (
            <tr key={r.id} className="row">
              <td className="font-figure">{r.code}</td>
              <td>
                <Link prefetch={false} data-row className="cover" href={`/books/accounts/${r.id}?to=${to}`}>
                  {r.name}
                </Link>
              </td>
              <td className="fig">{!isZeroMoney(r.debit) && formatMoney(r.debit)}</td>
              <td className="fig">{!isZeroMoney(r.credit) && formatMoney(r.credit)}</td>
            </tr>
          ))}
        </tbody>
        <tbody>
          <tr className="total">
            <td />
            <td className="r">{isZeroMoney(t.difference) ? 'both sides agree' : 'the sides differ'}</td>
            <td className="fig">{formatMoney(t.debit)}</td>
            <td className="fig">{formatMoney(t.credit)}</td>
          </tr>
        </tbody>
      </table>
      {exportLinks('trial-balance', `asOf=${to}`)}
    </>
  )
}
