import { addDays, type Day } from '../day'
import type { PurchaseStatus } from '../kinds'
import { larger, multiplyMoney, zeroMoney, HUNDRED, ZERO, type Decimal, type Money } from '../money'

/** How far a line of an order to a supplier is: quantities, never below zero. */
export interface PurchaseTally {
  readonly quantity: Decimal
  readonly received: Decimal
  /** Of what came, so many went back: they are not billed. */
  readonly returned: Decimal
  readonly billed: Decimal
}

/**
 * What of a line is still to come, and what is still to be invoiced: more than was ordered leaves nothing to come, and what went
 * back is not ordered again by that.
 *
 * @example 5 ordered, 6 received, 2 invoiced → 0 to come, 4 to be invoiced
 */
export const purchaseLeft = ({
  quantity,
  received,
  returned,
  billed,
}: PurchaseTally): { readonly toReceive: Decimal; readonly toBill: Decimal } => ({
  toReceive: larger(quantity.minus(received), ZERO),
  toBill: larger(larger(quantity, received).minus(returned).minus(billed), ZERO),
})

/**
 * Where an order to a supplier stands. Closed it is whatever came; words alone never come, so they do not keep it open.
 *
 * @example sent, 2 of 5 received → received in part
 */
export const purchaseStatus = (
  order: { readonly sentOn: Day | null; readonly closedOn: Day | null },
  lines: readonly (PurchaseTally & { readonly goodsId: number | null })[],
): PurchaseStatus => {
  if (order.closedOn) return 'closed'
  const goods = lines.filter((l) => l.goodsId !== null)
  const came = goods.some((l) => l.received.gt(0))
  if (goods.length > 0 && goods.every((l) => l.received.gte(l.quantity))) return 'received'
  if (came) return 'received in part'
  return order.sentOn ? 'sent' : 'draft'
}

/** How a supplier is paid: so many days after the bill's day, with so many percent off where it is paid early. */
export interface SupplierTerms {
  readonly netDays: number
  /** 0 to 100. */
  readonly discountPercent: Decimal
  readonly discountDays: number
}

/**
 * When a bill is due, and what it costs less when it is paid early: percent of its gross, rounded to the cent.
 *
 * @example 2 % within 10 days, net 30, of 100.00 on 1 March → due 31 March, 2.00 less through 11 March
 */
export const billTerms = (
  { netDays, discountPercent, discountDays }: SupplierTerms,
  on: Day,
  gross: Money,
): { readonly dueOn: Day; readonly discountOn: Day | null; readonly discount: Money } =>
  discountPercent.gt(0)
    ? {
        dueOn: addDays(on, netDays),
        discountOn: addDays(on, discountDays),
        discount: multiplyMoney(gross, discountPercent.div(HUNDRED)),
      }
    : { dueOn: addDays(on, netDays), discountOn: null, discount: zeroMoney(gross.currency) }
