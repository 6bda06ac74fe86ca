import { present } from '@/core/present'
import { compareMoney, isPositiveMoney, subtractMoney, sumMoney, type Decimal, type Money } from '../money'
import { daysBetween, formatDay, type Day } from '../day'
import type { LayawayStanding } from '../plan'
import { lineState, type LineTally } from './lineState'
import { standsAs, type SaleStanding, type Stands } from './standsAs'

export type NextAction =
  | 'write-again'
  | 'remind'
  | 'promise-broken'
  | 'charge-late'
  | 'card-refused'
  | 'give-back'
  | 'collect'
  | 'ask-deposit'
  | 'hand-over'
  | 'bill'
  | 'buy'
  | 'ask-again'
  | 'renew'
  | 'offer'
  | 'confirm-order'

export interface NextStep {
  readonly action: NextAction
  readonly why: string
  readonly amount: Money | null
  readonly quantity: Decimal | null
  /** Since when, or until when, it waits: sorts equals, earliest first. */
  readonly since: Day
}

export interface NextLine extends LineTally {
  readonly name: string
  /** Stock or a kit of stock: can be short. */
  readonly fromShelf: boolean
  /** Set aside for this line: what could be handed over now. */
  readonly setAside: Decimal
  readonly onTheWay: Decimal
}

export interface SaleOutlook extends Omit<SaleStanding, 'lines'> {
  readonly startedOn: Day
  /** Ordered on the shopfront: it waits for the owner's yes, nobody is asked again. */
  readonly ordered: boolean
  readonly sentOn: Day | null
  readonly wantedBy: Day | null
  readonly total: Money
  readonly readyToBillAmount: Money
  readonly lastHandoverOn: Day | null
  readonly lines: readonly NextLine[]
  readonly dues: readonly { readonly label: string; readonly dueOn: Day; readonly open: Money }[]
  /** What was asked ahead, tax included, and since when; null when nothing was arranged. */
  readonly depositAsked: { readonly amount: Money; readonly since: Day } | null
  /** All that ever came in ahead for this sale, less what was given back. */
  readonly depositReceived: Money
  /** A repeat wrote it down, and it waits for a look. */
  readonly cameAgain: boolean
  /** What drafts of invoices come to; null where there are none. */
  readonly draftBills: Money | null
  /** A letter about it that came back, and why. */
  readonly cameBack: { readonly on: Day; readonly why: string } | null
  /** Where its layaway stands; null where it is none. */
  readonly layaway: LayawayStanding | null
  /** What the customer promised, and what has come since. */
  readonly promise: { readonly by: Day; readonly amount: Money; readonly came: Money } | null
  /** What may be charged for being late, and was not. */
  readonly lateCharge: Money | null
  /** A card kept for its plan that refused, and why. */
  readonly cardRefused: { readonly on: Day; readonly why: string; readonly amount: Money } | null
}

/** An estimate without an answer is asked about again after this many days. */
export const ASK_AGAIN_AFTER = 5
/** An estimate that lapsed is worth renewing for this many days; after that nobody waits for it any more. */
const RENEW_WITHIN = 30
/** A draft nobody sent is worth a word after this many days. */
const DRAFT_WAITS = 3

const units = (n: Decimal): string => n.toString()
const dayCount = (n: number): string => (n === 1 ? '1 day' : `${n} days`)

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
          why: `A letter came back: ${sale.cameBack.why}`,
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
          why: 'Held money that no bill will use: refund it or move it',
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
            ? `Came again on ${formatDay(sale.startedOn)}: look at it and send it`
            : `Written down on ${formatDay(sale.startedOn)}, not sent yet`,
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
        why: `Estimate lapsed on ${formatDay(validUntil)}`,
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
          ? 'Ordered and paid online, waits for your yes'
          : 'Ordered online, waits for your yes or the customer’s',
        amount: sale.total,
        quantity: null,
        since: sentOn,
      },
    ]
  if (daysBetween(sentOn, today) < ASK_AGAIN_AFTER) return []
  const left = daysBetween(today, validUntil)
  const lapses = left === 0 ? 'lapses today' : `lapses in ${dayCount(left)}`
  return [
    {
      action: 'ask-again',
      why: `Estimate from ${formatDay(sentOn)}, no answer, ${lapses}`,
      amount: sale.total,
      quantity: null,
      since: sentOn,
    },
  ]
}

const dueSteps = (sale: SaleOutlook, today: Day): NextStep[] => {
  const open = sale.dues.filter((d) => isPositiveMoney(d.open)).sort((a, b) => (a.dueOn < b.dueOn ? -1 : 1))
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
      why: `The card kept for it refused: ${cardRefused.why}`,
      amount: cardRefused.amount,
      quantity: null,
      since: cardRefused.on,
    })
  if (promise && !kept && promise.by < today && open.length > 0)
    steps.push({
      action: 'promise-broken',
      why: `Promised for ${formatDay(promise.by)}, ${isPositiveMoney(promise.came) ? 'only a part came' : 'nothing came'}`,
      amount: subtractMoney(promise.amount, promise.came),
      quantity: null,
      since: promise.by,
    })
  else if (promise && !kept && promise.by >= today) return steps
  if (lateCharge && oldest)
    steps.push({
      action: 'charge-late',
      why: `A late charge may be made on ${oldest.label}`,
      amount: lateCharge,
      quantity: null,
      since: oldest.dueOn,
    })
  if (oldest) {
    const days = dayCount(daysBetween(oldest.dueOn, today))
    const why =
      late.length === 1 ? `${oldest.label} is ${days} late` : `${late.length} dues late, the oldest by ${days}`
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

const depositStep = (sale: SaleOutlook): NextStep[] => {
  if (!sale.depositAsked || compareMoney(sale.depositReceived, sale.depositAsked.amount) >= 0) return []
  const missing = subtractMoney(sale.depositAsked.amount, sale.depositReceived)
  const why = isPositiveMoney(sale.depositReceived)
    ? 'Part of the deposit is missing, tax included'
    : 'Deposit first, none received, tax included'
  return [{ action: 'ask-deposit', why, amount: missing, quantity: null, since: sale.depositAsked.since }]
}

const layawayStep = (layaway: LayawayStanding, sale: SaleOutlook, today: Day): NextStep[] => {
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

/** Goods of a layaway stay, and are not billed, until it is paid up. */
const goodsStay = ({ layaway }: SaleOutlook): boolean =>
  layaway !== null && (layaway.stands === 'paying in' || layaway.stands === 'behind')

const goodsSteps = (sale: SaleOutlook): NextStep[] => {
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
          ? 'Everything agreed is on the shelf'
          : 'On the shelf'
        : 'Work and charges to be done'
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
      why: 'A draft of an invoice waits to be issued',
      amount: sale.draftBills,
      quantity: null,
      since,
    })
  } else if (isPositiveMoney(sale.readyToBillAmount)) {
    const on = sale.lastHandoverOn
    steps.push({
      action: 'bill',
      why: on ? `Handed over on ${formatDay(on)}, not billed` : 'Ready to bill',
      amount: sale.readyToBillAmount,
      quantity: null,
      since: on ?? since,
    })
  } else if (waiting.length === 0 && sale.lines.some((l) => lineState(l).toBill.gt(0))) {
    steps.push({ action: 'bill', why: 'Left to bill', amount: null, quantity: null, since })
  }
  const short = waiting.filter((w) => w.line.fromShelf && w.left.minus(w.line.setAside).minus(w.line.onTheWay).gt(0))
  const first = short[0]
  if (first) {
    const missing = first.left.minus(first.line.setAside).minus(first.line.onTheWay)
    const way = first.line.onTheWay.isZero() ? 'none on the way' : `${units(first.line.onTheWay)} on the way`
    const more = short.length > 1 ? `, and ${short.length - 1} more` : ''
    steps.push({
      action: 'buy',
      why: `${units(first.left)} ${first.line.name} agreed, ${units(first.line.setAside)} on the shelf, ${way}${more}`,
      amount: null,
      quantity: missing,
      since,
    })
  }
  return steps
}
