import { sumMoney, type Money } from '../money'
import type { Result } from '../result'
import type { InstallmentTerms } from './arrangement'
import { planInstallments, type Plan, type PlanError } from './installments'
import { openParts, type StandingRow } from './payoff'

/** What is open of a plan, charge and principal, and new rows that add up to it again. The charge is carried over, not made anew. */
export const spreadRest = (
  rows: readonly StandingRow[],
  terms: Pick<InstallmentTerms, 'count' | 'every' | 'firstDue' | 'roundUpTo'>,
  currency: string,
): Result<Plan, PlanError> & { readonly principal: Money; readonly charge: Money } => {
  const open = rows.map(openParts)
  const principal = sumMoney(
    open.map((o) => o.principal),
    currency,
  )
  const charge = sumMoney(
    open.map((o) => o.charge),
    currency,
  )
  const plan = planInstallments(principal, { kind: 'installments', ...terms, charge: { flat: charge } })
  return { ...plan, principal, charge }
}
