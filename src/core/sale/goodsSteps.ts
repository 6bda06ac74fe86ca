import { type SaleOutlook, type NextStep, units } from './nextStep'
import { lineState } from './lineState'
import { present } from '@/core/present'
import { isPositiveMoney, ZERO, type Decimal, type Money } from '../money'
import { formatDay, type Day } from '../day'

/** Goods of a layaway stay, and are not billed, until it is paid up. */
const goodsStay = ({ layaway }: SaleOutlook): boolean =>
  layaway !== null && (layaway.stands === 'paying in' || layaway.stands === 'behind')

interface Waiting {
  readonly line: SaleOutlook['lines'][number]
  readonly left: Decimal
}

/** What can go out now: what is set aside, or work that only has to be done. */
const handOverStep = (sale: SaleOutlook, waiting: readonly Waiting[], since: Day): NextStep[] => {
  const can = waiting
    .map(({ line, left }) => ({ line, now: line.fromShelf ? line.setAside : left }))
    .filter((c) => c.now.gt(0))
  const shelfCan = can.some((c) => c.line.fromShelf)
  const onlyShelfWaits = waiting.some((w) => w.line.fromShelf) && !shelfCan
  if (can.length === 0 || onlyShelfWaits || goodsStay(sale)) return []
  const all = can.length === waiting.length && can.every((c, i) => c.now.eq(present(waiting[i]).left))
  const names = can
    .slice(0, 3)
    .map((c) => `${units(c.now)} ${c.line.name}`)
    .join(', ')
  const inStock = all ? 'Everything is in stock' : 'In stock'
  const lead = sale.layaway ? 'Layaway paid up' : shelfCan ? inStock : 'Work to finish'
  return [
    {
      action: 'hand-over',
      why: `${lead}: ${names}${can.length > 3 ? ' …' : ''}`,
      amount: null,
      quantity: can.reduce((sum, c) => sum.plus(c.now), ZERO),
      since,
    },
  ]
}

/** What can be invoiced now. A layaway is invoiced with its handover. */
const billStep = (sale: SaleOutlook, nothingWaits: boolean, since: Day): NextStep[] => {
  const bill = (why: string, amount: Money | null, from: Day): NextStep[] => [
    { action: 'bill', why, amount, quantity: null, since: from },
  ]
  if (sale.layaway) return []
  if (sale.draftBills) return bill('Draft invoice ready to issue', sale.draftBills, since)
  const on = sale.lastHandoverOn
  if (isPositiveMoney(sale.readyToBillAmount))
    return on
      ? bill(`Handed over on ${formatDay(on)}, not invoiced`, sale.readyToBillAmount, on)
      : bill('Ready to invoice', sale.readyToBillAmount, since)
  return nothingWaits && sale.lines.some((l) => lineState(l).toBill.gt(0)) ? bill('Not invoiced yet', null, since) : []
}

/** What is ordered and neither set aside nor on its way. */
const buyStep = (waiting: readonly Waiting[], since: Day): NextStep[] => {
  const missing = ({ line, left }: Waiting): Decimal => left.minus(line.setAside).minus(line.onTheWay)
  const short = waiting.filter((w) => w.line.fromShelf && missing(w).gt(0))
  const [first] = short
  if (!first) return []
  const { line, left } = first
  const way = line.onTheWay.eq(0) ? 'none on order' : `${units(line.onTheWay)} on order`
  const more = short.length > 1 ? `, and ${short.length - 1} more` : ''
  return [
    {
      action: 'buy',
      why: `${units(left)} ${line.name} ordered, ${units(line.setAside)} in stock, ${way}${more}`,
      amount: null,
      quantity: missing(first),
      since,
    },
  ]
}

/** What the goods of a sale ask for next: to be handed over, invoiced, bought. */
export const goodsSteps = (sale: SaleOutlook): NextStep[] => {
  const since = sale.wantedBy ?? sale.agreedOn ?? sale.startedOn
  const waiting = sale.lines.map((line) => ({ line, left: lineState(line).toHandOver })).filter((w) => w.left.gt(0))
  return [
    ...handOverStep(sale, waiting, since),
    ...billStep(sale, waiting.length === 0, since),
    ...buyStep(waiting, since),
  ]
}
