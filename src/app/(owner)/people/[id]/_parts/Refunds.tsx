import { formatDay, type Day } from '@/core/day'
import { formatMoney } from '@/core/money'
import type { CustomerPage as Page } from '@/model/people/customers'
import { TakeBack } from '@/ui/TakeBack'

/** What was given back from their account. */
export const Refunds = ({ page, today }: { readonly page: Page; readonly today: Day }) => (
  <section>
    <h2>Refunded from their account</h2>
    <table className="ledger">
      <tbody>
        {page.refunds.map((r) => (
          <tr key={r.id}>
            <td>
              Refund {r.number}
              <span className="sub"> {formatDay(r.on)}</span>
              {r.voidedOn === null ? (
                <TakeBack kind="refund" id={r.id} today={today} />
              ) : (
                <span className="sub"> voided {formatDay(r.voidedOn)}</span>
              )}
            </td>
            <td className="fig">{formatMoney(r.amount)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  </section>
)
