import { err, ok, type Result } from '../result'
import { HUNDRED, smaller, decimal, toFourPlaces, type Decimal } from '../money'
import { lineState, type LineTally } from './lineState'

export interface BillableLine extends LineTally {
  readonly id: number
}

/** What the owner wants to bill. */
export type BillWish =
  | 'handed-over'
  | 'remaining'
  | { readonly percent: Decimal }
  | { readonly lines: readonly { readonly lineId: number; readonly quantity: Decimal }[] }

export type BillingError =
  | { readonly code: 'nothing-to-bill'; readonly what: 'handed-over' | 'remaining' }
  | {
      readonly code: 'more-than-to-bill'
      readonly lineId: number
      readonly left: Decimal
      readonly asked: Decimal
    }
  | { readonly code: 'unknown-line'; readonly lineId: number }

export interface BilledQuantity {
  readonly lineId: number
  readonly quantity: Decimal
}

/**
 * Which quantity of which line a bill takes. `handed-over` takes what is ready, `remaining` all that is left, a
 * percentage that part of what was agreed (four places) but never more than is left. Never nothing.
 */
export const planBilling = (
  lines: readonly BillableLine[],
  wish: BillWish,
): Result<readonly BilledQuantity[], BillingError> => {
  if (typeof wish === 'object' && 'lines' in wish) return takeChosen(lines, wish.lines)
  const quantityOf = (line: BillableLine): Decimal => {
    const state = lineState(line)
    if (wish === 'handed-over') return state.readyToBill
    if (wish === 'remaining') return state.toBill
    return smaller(decimal(toFourPlaces(line.agreed.times(wish.percent).div(HUNDRED))), state.toBill)
  }
  const planned = lines.map((l) => ({ lineId: l.id, quantity: quantityOf(l) })).filter((l) => l.quantity.gt(0))
  return planned.length > 0
    ? ok(planned)
    : err({ code: 'nothing-to-bill', what: wish === 'handed-over' ? wish : 'remaining' })
}

const takeChosen = (
  lines: readonly BillableLine[],
  chosen: readonly BilledQuantity[],
): Result<readonly BilledQuantity[], BillingError> => {
  const sums = new Map<number, Decimal>()
  for (const { lineId, quantity } of chosen) sums.set(lineId, (sums.get(lineId) ?? decimal(0)).plus(quantity))
  for (const [lineId, asked] of sums) {
    const line = lines.find((l) => l.id === lineId)
    if (!line) return err({ code: 'unknown-line', lineId })
    const left = lineState(line).toBill
    if (asked.gt(left)) return err({ code: 'more-than-to-bill', lineId, left, asked })
  }
  const planned = [...sums].map(([lineId, quantity]) => ({ lineId, quantity })).filter((l) => l.quantity.gt(0))
  return planned.length > 0 ? ok(planned) : err({ code: 'nothing-to-bill', what: 'remaining' })
}
