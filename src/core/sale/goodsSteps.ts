import { type SaleOutlook, type NextStep, units } from './nextStep'
import { lineState } from './lineState'
import { present } from '@/core/present'
import { isPositiveMoney } from '../money'
import { formatDay } from '../day'

/** Goods of a layaway stay, and are not billed, until it is paid up. */
const goodsStay = ({ layaway }: SaleOutlook): boolean =>
  layaway !== null && (layaway.stands === 'paying in' || layaway.stands === 'behind')

export const goodsSteps = (sale: SaleOutlook): NextStep[] => {
  const since = sale.wantedBy ?? sale.agreedOn ?? sale.startedOn
  const waiting = sale.lines.map((line) => ({ line, left: lineState(line).toHandOver })).filter((w) => w.left.gt(0))
  const steps: NextStep[] = []
  const can = waiting
    .map(({ line, left }) => ({ line, now: line.fromShelf ? line.setAside : left }))
    .filter((c) => c.now.gt(0))
  const shelfWaits = waiting.some((w) => w.line.fromShelf)
  const shelfCan = can.some((c) => c.line.fromShelf)
  if (can.length > 0 && (shelfCan || !shelfWaits) && !goodsStay(sale)) {
    const quantity = can.reduce((sum, c) => sum.plus(c.now), present(can[0]).now.minus(present(can[0]).now))
    const all = can.length === waiting.length && can.every((c, i) => c.now.eq(present(waiting[i]).left))
    const names = can
      .slice(0, 3)
      .map((c) => `${units(c.now)} ${c.line.name}`)
      .join(', ')
    const lead = sale.layaway
      ? 'Layaway paid up'
      : shelfCan
        ? all
          ? 'Everything is in stock'
          : 'In stock'
        : 'Work to finish'
    steps.push({
      action: 'hand-over',
      why: `${lead}: ${names}${can.length > 3 ? ' …' : ''}`,
      amount: null,
      quantity,
      since,
    })
  }
  if (sale.layaway) {
    // Its bill is made with the handover.
  } else if (sale.draftBills) {
    steps.push({
      action: 'bill',
      why: 'Draft invoice ready to issue',
      amount: sale.draftBills,
      quantity: null,
      since,
    })
  } else if (isPositiveMoney(sale.readyToBillAmount)) {
    const on = sale.lastHandoverOn
    steps.push({
      action: 'bill',
      why: on ? `Handed over on ${formatDay(on)}, not invoiced` : 'Ready to invoice',
      amount: sale.readyToBillAmount,
      quantity: null,
      since: on ?? since,
    })
  } else if (waiting.length === 0 && sale.lines.some((l) => lineState(l).toBill.gt(0))) {
    steps.push({ action: 'bill', why: 'Not invoiced yet', amount: null, quantity: null, since })
  }
  const short = waiting.filter((w) => w.line.fromShelf && w.left.minus(w.line.setAside).minus(w.line.onTheWay).gt(0))
  const first = short[0]
  if (first) {
    const missing = first.left.minus(first.line.setAside).minus(first.line.onTheWay)
    const way = first.line.onTheWay.isZero() ? 'none on order' : `${units(first.line.onTheWay)} on order`
    const more = short.length > 1 ? `, and ${short.length - 1} more` : ''
    steps.push({
      action: 'buy',
      why: `${units(first.left)} ${first.line.name} ordered, ${units(first.line.setAside)} in stock, ${way}${more}`,
      amount: null,
      quantity: missing,
      since,
    })
  }
  return steps
}
