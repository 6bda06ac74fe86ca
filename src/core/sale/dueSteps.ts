import { type SaleOutlook, type NextStep, dayCount } from './nextStep'
import { compareDays, type Day, formatDay, daysBetween } from '../day'
import { isPositiveMoney, sumMoney, compareMoney, subtractMoney } from '../money'
import type { LayawayStanding } from '../plan'

export const dueSteps = (sale: SaleOutlook, today: Day): NextStep[] => {
  const open = sale.dues.filter((d) => isPositiveMoney(d.open)).sort((a, b) => compareDays(a.dueOn, b.dueOn))
  const late = open.filter((d) => d.dueOn < today)
  const now = open.filter((d) => d.dueOn === today)
  const sumOf = (dues: typeof open) =>
    sumMoney(
      dues.map((d) => d.open),
      sale.total.currency,
    )
  const steps: NextStep[] = []
  const oldest = late[0]
  const { promise, cardRefused, lateCharge } = sale
  const kept = promise && compareMoney(promise.came, promise.amount) >= 0
  if (cardRefused)
    steps.push({
      action: 'card-refused',
      why: `Saved card declined: ${cardRefused.why.replace(/\.$/, '')}`,
      amount: cardRefused.amount,
      quantity: null,
      since: cardRefused.on,
    })
  if (promise && !kept && promise.by < today && open.length > 0)
    steps.push({
      action: 'promise-broken',
      why: `Promised by ${formatDay(promise.by)}, ${isPositiveMoney(promise.came) ? 'only part received' : 'nothing received'}`,
      amount: subtractMoney(promise.amount, promise.came),
      quantity: null,
      since: promise.by,
    })
  else if (promise && !kept && promise.by >= today) return steps
  if (lateCharge && oldest)
    steps.push({
      action: 'charge-late',
      why: `Late fee can be added to ${oldest.label}`,
      amount: lateCharge,
      quantity: null,
      since: oldest.dueOn,
    })
  if (oldest) {
    const days = dayCount(daysBetween(oldest.dueOn, today))
    const why =
      late.length === 1 ? `${oldest.label} is ${days} late` : `${late.length} payments late, the oldest by ${days}`
    steps.push({ action: 'remind', why, amount: sumOf(late), quantity: null, since: oldest.dueOn })
  }
  if (now[0])
    steps.push({
      action: 'collect',
      why: `${now[0].label} is due today`,
      amount: sumOf(now),
      quantity: null,
      since: today,
    })
  return steps
}

export const depositStep = (sale: SaleOutlook): NextStep[] => {
  if (!sale.depositAsked || compareMoney(sale.depositReceived, sale.depositAsked.amount) >= 0) return []
  const missing = subtractMoney(sale.depositAsked.amount, sale.depositReceived)
  const why = isPositiveMoney(sale.depositReceived) ? 'Rest of the deposit not received' : 'Deposit not received yet'
  return [{ action: 'ask-deposit', why, amount: missing, quantity: null, since: sale.depositAsked.since }]
}

export const layawayStep = (layaway: LayawayStanding, sale: SaleOutlook, today: Day): NextStep[] => {
  const { next } = layaway
  const since = layaway.behindSince
  if (since)
    return [
      {
        action: 'ask-deposit',
        why: `Layaway behind since ${formatDay(since)}`,
        amount: layaway.behind,
        quantity: null,
        since,
      },
    ]
  const due = layaway.stands === 'paying in' && next && next.due <= today
  return due
    ? [
        {
          action: 'ask-deposit',
          why: `Layaway payment due ${formatDay(next.due)}`,
          amount: next.open,
          quantity: null,
          since: next.due,
        },
      ]
    : []
}
