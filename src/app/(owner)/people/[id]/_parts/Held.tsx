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
    <h2>Held for them</h2>
    {page.held.length === 0 ? (
      <p className="sub">Nothing. Money that comes in ahead of a bill stands here; it is theirs until it is earned.</p>
    ) : (
      <>
        <table className="ledger">
          <tbody>
            {page.held.map((h, i) => (
              <tr key={i}>
                <td>
                  {h.saleId === null ? (
                    'on account'
                  ) : (
                    <To className="hover:underline" href={`/sales/${h.saleId}`}>
                      {h.kind} for a sale
                    </To>
                  )}
                </td>
                <td className="fig text-brass-700">{formatMoney(h.amount)}</td>
              </tr>
            ))}
            <tr className="total">
              <td>held</td>
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
