import { To } from '@/ui/To'
import { daysBetween, formatDayShort, sayDays, type Day } from '@/core/day'
import { formatMoney } from '@/core/money'
import type { CustomerPage as Page } from '@/model/people/customers'

/** What is open, and since when it is late. */
export const Owes = ({ page, today }: { readonly page: Page; readonly today: Day }) => (
  <section>
    <h2>Owes</h2>
    {page.dues.length === 0 ? (
      <p className="sub">Nothing due.</p>
    ) : (
      <table className="ledger">
        <tbody>
          {page.dues.map((d) => (
            <tr key={d.id}>
              <td>
                <To className="hover:underline" href={`/invoices/${d.invoiceId}`}>
                  Invoice {d.number}
                </To>
                <div className={`text-xs ${d.dueOn < today ? 'text-oxide-700' : 'text-iron-500'}`}>
                  {d.dueOn < today
                    ? `${sayDays(daysBetween(d.dueOn, today))} late`
                    : `due ${formatDayShort(d.dueOn, today)}`}
                </div>
              </td>
              <td className="fig">{formatMoney(d.open)}</td>
            </tr>
          ))}
          <tr className="total">
            <td>Total</td>
            <td className="fig">{formatMoney(page.standing.owed)}</td>
          </tr>
        </tbody>
      </table>
    )}
    <p className="mt-2">
      <To className="underline" href={`/invoices?customer=${page.customer.id}`}>
        All invoices
      </To>
    </p>
  </section>
)
