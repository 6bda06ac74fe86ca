import { To } from '@/ui/To'
import type { Day } from '@/core/day'
import { formatMoney, isPositiveMoney, sumMoney, toDecimalString } from '@/core/money'
import type { CustomerPage as Page } from '@/model/people/customers'
import { HeldActions } from '@/ui/people/HeldActions'

/** Money that is held for them, and what may be done with it. */
export const Held = ({
  page,
  today,
  currency,
}: {
  readonly page: Page
  readonly today: Day
  readonly currency: string
}) => (
  <section>
    <h2>Held for this customer</h2>
    {page.held.length === 0 ? (
      <p className="sub">Nothing held. Money paid in advance is kept here until you invoice it.</p>
    ) : (
      <>
        <table className="ledger">
          <tbody>
            {page.held.map((h, i) => (
              <tr key={i}>
                <td>
                  {h.saleId === null ? (
                    'On account'
                  ) : (
                    <To className="hover:underline" href={`/sales/${h.saleId}`}>
                      {h.kind === 'layaway' ? 'Layaway' : 'Deposit'} for a sale
                    </To>
                  )}
                </td>
                <td className="fig text-brass-700">{formatMoney(h.amount)}</td>
              </tr>
            ))}
            <tr className="total">
              <td>Held</td>
              <td className="fig">
                {formatMoney(
                  sumMoney(
                    page.held.map((h) => h.amount),
                    currency,
                  ),
                )}
              </td>
            </tr>
          </tbody>
        </table>
        <HeldActions
          customerId={page.customer.id}
          name={page.customer.name}
          currency={currency}
          today={today}
          owes={isPositiveMoney(page.standing.owed)}
          held={page.held.map((h) => ({ saleId: h.saleId, amount: toDecimalString(h.amount) }))}
        />
      </>
    )}
  </section>
)
