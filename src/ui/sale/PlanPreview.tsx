'use client'
import { decimal } from '@/core/money'
import { formatDay, type Day } from '@/core/day'
import { LedgerHead, right } from '@/ui/LedgerHead'

export interface PreviewedPlan {
  readonly rows: readonly {
    readonly due: Day
    readonly payment: string
    readonly principal: string
    readonly charge: string
    readonly balance: string
  }[]
  readonly financed: string
  readonly totalCharge: string
  readonly totalPayments: string
  readonly effectiveYearlyRate: string | null
}

const SAYS: Readonly<Record<string, string>> = {
  now: 'All of it is due with the invoice.',
  terms: 'Counted from today, as if it were billed now.',
  deposit: 'What is asked ahead is held for them, a liability, until it is billed. The last row is left for the bill.',
  layaway:
    'Goods are set aside and stay here. All that comes is held for them; when it is paid up, the bill is made with the handover and nothing remains.',
  installments: 'Goods go with the bill. Each row is due on its own day; a charge is earned row by row.',
}

/** The schedule an arrangement makes, before anything is saved. */
export const PlanPreview = ({
  kind,
  plan,
  currency,
}: {
  readonly kind: string
  readonly plan: PreviewedPlan
  readonly currency: string
}) => {
  const charged = Number(plan.totalCharge) > 0
  const shown = plan.rows.length > 14 ? [...plan.rows.slice(0, 6), null, ...plan.rows.slice(-3)] : plan.rows
  return (
    <section aria-label="What it means" className="mt-4 bg-paper-100 px-3 py-2.5">
      <h3 className="label">What it means</h3>
      <p className="sub mb-2">{SAYS[kind]}</p>
      <table className="ledger">
        <LedgerHead
          heads={[
            kind === 'deposit' ? 'Part' : 'Due',
            right('Payment'),
            charged && right('of it charge'),
            right('Left'),
          ]}
        />
        <tbody>
          {shown.map((r, i) =>
            r === null ? (
              <tr key="more">
                <td colSpan={4} className="sub">
                  … {plan.rows.length - 9} more
                </td>
              </tr>
            ) : (
              <tr key={i}>
                <td>
                  {kind === 'deposit' ? (i < plan.rows.length - 1 ? `deposit ${i + 1}` : 'the rest') : formatDay(r.due)}
                </td>
                <td className="fig">{r.payment}</td>
                {charged && <td className="fig">{r.charge}</td>}
                <td className="fig">{r.balance}</td>
              </tr>
            ),
          )}
        </tbody>
        <tbody>
          <tr className="total">
            <td className="r">{currency}</td>
            <td className="fig">{plan.totalPayments}</td>
            {charged && <td className="fig">{plan.totalCharge}</td>}
            <td />
          </tr>
        </tbody>
      </table>
      {plan.effectiveYearlyRate !== null && kind === 'installments' && (
        <p className="sub mt-1.5">
          {plan.financed} financed, {decimal(plan.effectiveYearlyRate).times(100).toFixed(2)} % a year in effect
        </p>
      )}
    </section>
  )
}
