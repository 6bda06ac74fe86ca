import { formatDay, type Day } from '../day'
import { absMoney, formatMoney, isZeroMoney, type Money } from '../money'

/** What is done at the end of a month, in its order. */
export const MONTH_STEPS = ['drawer', 'slips', 'statement', 'unbilled', 'held', 'tax', 'profit', 'closed'] as const
export type MonthStepKey = (typeof MONTH_STEPS)[number]

export interface MonthStep {
  readonly key: MonthStepKey
  readonly done: boolean
  readonly why: string
  readonly amount?: Money
}

/** What the end of a month turns on, as it stands on its last day. */
export interface MonthEnd {
  /** The month is over. */
  readonly isOver: boolean
  readonly to: Day
  readonly drawer: { readonly holds: Money; readonly movedOn: Day | null; readonly countedOn: Day | null }
  readonly checks: Money
  readonly banks: { readonly count: number; readonly done: number; readonly holds: Money }
  /** Sales with something handed over that is not invoiced. */
  readonly notInvoiced: number
  readonly onAccount: { readonly amount: Money; readonly customers: number }
  readonly tax: { readonly filed: boolean; readonly due: Money; readonly any: boolean }
  readonly profit: Money
  readonly closedThrough: Day | null
}

const s = (n: number): string => (n === 1 ? '' : 's')

const drawerStep = ({ drawer: { holds, movedOn, countedOn } }: MonthEnd): MonthStep => {
  const counted = countedOn !== null && (movedOn === null || countedOn >= movedOn)
  const idle = movedOn === null && isZeroMoney(holds)
  return {
    key: 'drawer',
    done: counted || idle,
    why: counted
      ? `Counted on ${formatDay(countedOn)}.`
      : idle
        ? 'No cash moved this month.'
        : movedOn === null
          ? 'Cash lies in the drawer and was not counted this month.'
          : `Cash moved on ${formatDay(movedOn)} and was not counted since.`,
    amount: holds,
  }
}

const statementStep = ({ banks, to }: MonthEnd): MonthStep => {
  const idle = banks.count === 0 && isZeroMoney(banks.holds)
  const done = banks.count > 0 ? banks.done === banks.count : idle
  return {
    key: 'statement',
    done,
    why: idle
      ? 'Nothing is at the bank.'
      : banks.count === 0
        ? 'No bank account is set up for statements yet.'
        : done
          ? `The statements are done through ${formatDay(to)}.`
          : `${banks.done} of ${banks.count} bank account${s(banks.count)} done through ${formatDay(to)}.`,
    amount: banks.holds,
  }
}

const taxStep = ({ tax, to }: MonthEnd): MonthStep => ({
  key: 'tax',
  done: tax.filed || !tax.any,
  why: tax.filed
    ? `A tax return is filed through ${formatDay(to)}.`
    : tax.any
      ? 'The tax of this month is not filed yet.'
      : 'No tax this month.',
  amount: tax.due,
})

/**
 * What is done at the end of a month and what is not, each with why: it is read off the books, nobody ticks it. The profit is
 * settled when all before it is; a month that is not over is not closed.
 *
 * @example cash moved on the 30th, last counted on the 28th → drawer, not done, "Cash moved on 30 Mar 2026 and was not counted since."
 */
export const monthSteps = (m: MonthEnd): readonly MonthStep[] => {
  const before: readonly MonthStep[] = [
    drawerStep(m),
    {
      key: 'slips',
      done: isZeroMoney(m.checks),
      why: isZeroMoney(m.checks) ? 'No checks on hand.' : `Checks of ${formatMoney(m.checks)} are not at the bank yet.`,
      amount: m.checks,
    },
    statementStep(m),
    {
      key: 'unbilled',
      done: m.notInvoiced === 0,
      why:
        m.notInvoiced === 0
          ? 'All that was handed over is invoiced.'
          : `${m.notInvoiced} sale${s(m.notInvoiced)} handed over and not invoiced.`,
    },
    {
      key: 'held',
      done: isZeroMoney(m.onAccount.amount),
      why: isZeroMoney(m.onAccount.amount)
        ? 'All held money belongs to a sale.'
        : `${formatMoney(m.onAccount.amount)} on account of ${m.onAccount.customers} customer${s(m.onAccount.customers)}: put it on invoices or give it back.`,
      amount: m.onAccount.amount,
    },
    taxStep(m),
  ]
  const ready = m.isOver && before.every((step) => step.done)
  const isClosed = m.closedThrough !== null && m.closedThrough >= m.to
  return [
    ...before,
    {
      key: 'profit',
      done: ready || isClosed,
      why: `${m.profit.minor < 0n ? 'Loss' : 'Net profit'} ${formatMoney(absMoney(m.profit))}${ready || isClosed ? '.' : m.isOver ? '; it can still change.' : ' so far.'}`,
      amount: m.profit,
    },
    {
      key: 'closed',
      done: isClosed,
      why: isClosed
        ? `The books are closed through ${formatDay(m.closedThrough ?? m.to)}.`
        : m.isOver
          ? 'The books are still open.'
          : 'The month is not over.',
    },
  ]
}
