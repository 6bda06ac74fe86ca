import { present } from '@/core/present'
import { isPositiveMoney } from '../money'
import { daysBetween, formatDay, type Day } from '../day'
import { standsAs, type Stands } from './standsAs'
import { type NextStep, type SaleOutlook, dayCount } from './nextStep'
import { dueSteps, depositStep, layawayStep } from './dueSteps'
import { goodsSteps } from './goodsSteps'

/** An estimate without an answer is asked about again after this many days. */
export const ASK_AGAIN_AFTER = 5
/** An estimate that lapsed is worth renewing for this many days; after that nobody waits for it any more. */
const RENEW_WITHIN = 30
/** A draft nobody sent is worth a word after this many days. */
const DRAFT_WAITS = 3

/** What to do now for a sale, the most pressing first, and why. A pure function of the sale and the day. */
export const nextSteps = (sale: SaleOutlook, today: Day): NextStep[] => {
  const stands = standsAs(sale, today)
  return [...letterStep(sale), ...stepsOf(sale, stands, today)]
}

const letterStep = (sale: SaleOutlook): NextStep[] =>
  sale.cameBack
    ? [
        {
          action: 'write-again',
          why: `Email bounced: ${sale.cameBack.why.replace(/\.$/, '')}`,
          amount: null,
          quantity: null,
          since: sale.cameBack.on,
        },
      ]
    : []

const stepsOf = (sale: SaleOutlook, stands: Stands, today: Day): NextStep[] => {
  switch (stands) {
    case 'settled':
      return []
    case 'declined':
    case 'cancelled':
      return giveBack(sale)
    case 'draft':
      return draftStep(sale, today)
    case 'offered':
    case 'lapsed':
      return offerSteps(sale, stands, today)
    case 'agreed':
    case 'owing':
      return [
        ...dueSteps(sale, today),
        ...(sale.layaway ? layawayStep(sale.layaway, sale, today) : depositStep(sale)),
        ...goodsSteps(sale),
        ...(stands === 'owing' && !isPositiveMoney(sale.open) ? giveBack(sale) : []),
      ]
  }
}

const giveBack = (sale: SaleOutlook): NextStep[] =>
  isPositiveMoney(sale.held)
    ? [
        {
          action: 'give-back',
          why: 'Money left over: refund it or move it',
          amount: sale.held,
          quantity: null,
          since: sale.startedOn,
        },
      ]
    : []

const draftStep = (sale: SaleOutlook, today: Day): NextStep[] =>
  sale.lines.length > 0 && (sale.cameAgain || daysBetween(sale.startedOn, today) >= DRAFT_WAITS)
    ? [
        {
          action: 'offer',
          why: sale.cameAgain
            ? `Repeat prepared on ${formatDay(sale.startedOn)}: review and send it`
            : `Draft since ${formatDay(sale.startedOn)}, not sent`,
          amount: sale.total,
          quantity: null,
          since: sale.startedOn,
        },
      ]
    : []

const offerSteps = (sale: SaleOutlook, stands: 'offered' | 'lapsed', today: Day): NextStep[] => {
  const validUntil = present(sale.validUntil)
  if (stands === 'lapsed') {
    if (daysBetween(validUntil, today) > RENEW_WITHIN) return []
    return [
      {
        action: 'renew',
        why: `Estimate expired on ${formatDay(validUntil)}`,
        amount: sale.total,
        quantity: null,
        since: validUntil,
      },
    ]
  }
  const sentOn = sale.sentOn ?? sale.startedOn
  if (sale.ordered)
    return [
      {
        action: 'confirm-order',
        why: isPositiveMoney(sale.held)
          ? 'Ordered and paid online, waiting for your confirmation'
          : sale.reworked
            ? 'Ordered online and changed since, waiting for your confirmation'
            : 'Ordered online, waiting for your confirmation or the customer’s',
        amount: sale.total,
        quantity: null,
        since: sentOn,
      },
    ]
  if (sale.reworked)
    return [
      {
        action: 'offer',
        why: `Changed since it was sent ${formatDay(sentOn)}: the customer cannot answer until it is sent again`,
        amount: sale.total,
        quantity: null,
        since: sentOn,
      },
    ]
  if (daysBetween(sentOn, today) < ASK_AGAIN_AFTER) return []
  const left = daysBetween(today, validUntil)
  const lapses = left === 0 ? 'expires today' : `expires in ${dayCount(left)}`
  return [
    {
      action: 'ask-again',
      why: `Estimate sent ${formatDay(sentOn)}, no answer yet, ${lapses}`,
      amount: sale.total,
      quantity: null,
      since: sentOn,
    },
  ]
}
