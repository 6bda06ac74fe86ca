'use client'
import { formatPercent } from '@/core/locale'
import { decimal } from '@/core/money'
import { formatDay, type Day } from '@/core/day'
import { LedgerHead, right } from '@/ui/LedgerHead'
import { showMoney } from '../fields'

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
  terms: 'Dates assume you invoice today.',
  deposit:
    'The deposit is held for the customer (a liability) until you invoice. The last line is due with the invoice.',
  layaway:
    'Goods are set aside and stay with you. Payments are held for the customer. When everything is paid, handing over creates the invoice and the held money settles it.',
  installments:
    'Goods go now, with the invoice. Each payment has its own due date; the finance charge becomes income payment by payment.',
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
    <section aria-label="What this means" className="mt-4 bg-paper-100 px-3 py-2.5">
      <h3 className="label">What this means</h3>
      <p className="sub mb-2">{SAYS[kind]}</p>
      <table className="ledger">
        <LedgerHead
          heads={[
            kind === 'deposit' ? 'Payment' : 'Due',
            right('Payment'),
            charged && right('Finance charge'),
            right('Balance left'),
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
                  {kind === 'deposit'
                    ? i < plan.rows.length - 1
                      ? `Deposit ${i + 1}`
                      : 'On invoice'
                    : formatDay(r.due)}
                </td>
                <td className="fig">{showMoney(r.payment, currency)}</td>
                {charged && <td className="fig">{showMoney(r.charge, currency)}</td>}
                <td className="fig">{showMoney(r.balance, currency)}</td>
              </tr>
            ),
          )}
        </tbody>
        <tbody>
          <tr className="total">
            <td className="r">{currency}</td>
            <td className="fig">{showMoney(plan.totalPayments, currency)}</td>
            {charged && <td className="fig">{showMoney(plan.totalCharge, currency)}</td>}
            <td />
          </tr>
        </tbody>
      </table>
      {plan.effectiveYearlyRate !== null && kind === 'installments' && (
        <p className="sub mt-1.5">
          {showMoney(plan.financed, currency)} financed,{' '}
          {formatPercent(decimal(plan.effectiveYearlyRate).times(100).toFixed(2))} effective annual rate
        </p>
      )}
    </section>
  )
}
