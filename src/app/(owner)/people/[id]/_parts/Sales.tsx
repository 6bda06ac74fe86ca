import { isPositiveMoney } from '@/core/money'
import { To } from '@/ui/To'
import { formatDayShort, type Day } from '@/core/day'
import type { CustomerPage as Page } from '@/model/people/customers'
import { Figure } from '@/ui/Figure'
import { MoneyBar } from '@/ui/MoneyBar'
import { Stamp } from '@/ui/Stamp'
import { LedgerHead, right } from '@/ui/LedgerHead'

/** The last sales, with where each stands and where its money is. */
export const Sales = ({ page, today }: { readonly page: Page; readonly today: Day }) => (
  <>
    <h2>Sales</h2>
    {page.sales.length === 0 ? (
      <p className="sub">No sales yet.</p>
    ) : (
      <table className="ledger list small">
        <LedgerHead
          heads={['Sale', 'Title', 'Status', { head: 'Progress', className: 'w-30' }, right('Total'), right('Started')]}
        />
        <tbody>
          {page.sales.map((s) => (
            <tr key={s.sale.id} className="row">
              <td className="before font-figure whitespace-nowrap">{s.sale.number}</td>
              <td className="first one-line">
                <To data-row className="cover block one-line" href={`/sales/${s.sale.id}`}>
                  {s.sale.title}
                </To>
              </td>
              <td className="rest">
                <Stamp stands={s.stands} owes={isPositiveMoney(s.open)} />
              </td>
              <td className="not-on-phone">
                <MoneyBar small bar={s.bar} />
              </td>
              <td className="fig main">
                <Figure of={s.bar.total} />
              </td>
              <td className="not-on-phone r sub whitespace-nowrap">{formatDayShort(s.sale.startedOn, today)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    )}
    {page.standing.sales > page.sales.length && (
      <p className="mt-2">
        <To className="underline" href={`/sales?customer=${page.customer.id}`}>
          All {page.standing.sales} sales
        </To>
      </p>
    )}
  </>
)
