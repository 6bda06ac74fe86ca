import { openShop } from '@/app/(owner)/_shop'
import { formatMoney } from '@/core/money'
import { readYears } from '@/model/books/years'
import { YearAct } from '@/ui/books/YearAct'
import { LedgerHead, right } from '@/ui/LedgerHead'
import { To } from '@/ui/To'

/** The years that are over, with what each earned, to close or to open again. */
export const Years = async () => {
  const shop = await openShop()
  const years = await readYears(shop)
  if (years.length === 0) return <p className="sub mb-6">The first year of these books is not over yet.</p>
  return (
    <table className="ledger list small mb-7 max-w-2xl">
      <LedgerHead
        heads={['Year', right('Net profit'), 'Carried to retained earnings', 'For your accountant', right('')]}
      />
      <tbody>
        {years.map((y) => (
          <tr key={y.year}>
            <td className="first">{y.year}</td>
            <td className="fig main">
              <To className="hover:underline" href={`/books?view=profit-and-loss&from=${y.from}&to=${y.to}`}>
                {formatMoney(y.profit)}
              </To>
            </td>
            <td className="rest">
              {y.entryId === null ? (
                <span className="sub">not yet</span>
              ) : (
                <To className="underline" href={`/books/entries/${y.entryId}`}>
                  Closed
                </To>
              )}
            </td>
            <td className="rest">
              <a className="underline" href={`/api/v1/export/accountant.zip?from=${y.from}&to=${y.to}`} download>
                ZIP
              </a>
            </td>
            <td className="rest r">
              <YearAct year={y.year} closed={y.entryId !== null} currency={shop.currency} />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
