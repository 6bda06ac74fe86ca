import { isPositiveMoney, type Money } from '../money'
import type { Day } from '../day'

/** What comes off a due for paying all the rest on a day: nothing after the day it runs to, and never all that is open. */
export const discountOn = (
  due: { readonly open: Money; readonly discount: Money; readonly discountUntil: Day | null },
  on: Day,
): Money | undefined =>
  due.discountUntil !== null &&
  on <= due.discountUntil &&
  isPositiveMoney(due.discount) &&
  due.open.minor > due.discount.minor
    ? due.discount
    : undefined

/** How a due is named to the owner and the customer: its bill and which part of it, or the charge that it is. */
export const nameOfDue = (d: { readonly number: string; readonly label: string }): string =>
  d.number === '' ? d.label : `Invoice ${d.number}${d.label ? `, ${d.label}` : ''}`
