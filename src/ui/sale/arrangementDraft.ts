import type { Day } from '@/core/day'
import { decimal } from '@/core/money'
import type { Arrangement, ArrangementInput } from '@/contract/arrangement'
import type { UsualArrangements } from '@/contract/usualArrangements'

/** An arrangement as it is being typed: every field as text. */
export interface Draft {
  readonly kind: Arrangement['kind']
  readonly net: string
  readonly parts: string
  readonly discountPercent: string
  readonly discountDays: string
  readonly percent: string
  readonly amount: string
  readonly percent2: string
  readonly amount2: string
  readonly when2: string
  readonly apply: string
  readonly firstPercent: string
  readonly firstPayment: string
  readonly months: string
  readonly every: string
  readonly graceDays: string
  readonly feePercent: string
  readonly feeAmount: string
  readonly count: string
  readonly firstDue: string
  readonly yearly: string
  readonly flat: string
  readonly roundUpTo: string
  readonly latePercent: string
  readonly lateAmount: string
}

export const KINDS = [
  { value: 'now', label: 'Due on invoice' },
  { value: 'terms', label: 'Net days' },
  { value: 'deposit', label: 'Deposit first' },
  { value: 'layaway', label: 'Layaway (goods stay until paid)' },
  { value: 'installments', label: 'Installments (goods go now)' },
] as const

export const EVERY = [
  { value: 'month', label: 'Every month' },
  { value: 'two-weeks', label: 'Every two weeks' },
  { value: 'week', label: 'Every week' },
  { value: '10', label: 'Every 10 days' },
] as const

/** Plain values of an arrangement that stands: decimals as text. */
type Plain = Readonly<Record<string, unknown>>
const text = (v: unknown): string => (v === undefined || v === null ? '' : String(v))

/** The typed form of the arrangement a sale has; what it does not say begins as Settings say. */
export const readBack = (now: Plain, usual: UsualPlain, nextMonth: Day): Draft => {
  const part = (v: unknown, key: 'percent' | 'amount'): string => text((v as Plain | undefined)?.[key])
  const stages = (now.stages as readonly Plain[] | undefined) ?? [now]
  const [lay, ins] = [
    now.kind === 'layaway' ? now : usual.layaway,
    now.kind === 'installments' ? now : usual.installments,
  ]
  const charge = ins.charge as Plain | undefined
  const every = now.every ?? lay.every ?? ins.every ?? 'month'
  return {
    kind: now.kind as Draft['kind'],
    net: text(now.net ?? usual.terms.net ?? 30),
    parts: text(now.parts ?? 1),
    discountPercent: text(now.kind === 'terms' ? now.discountPercent : usual.terms.discountPercent),
    discountDays: text(now.kind === 'terms' ? now.discountDays : usual.terms.discountDays),
    percent: text(stages[0]?.percent ?? (stages[0]?.amount ? '' : (usual.deposit.percent ?? 50))),
    amount: text(stages[0]?.amount),
    percent2: text(stages[1]?.percent),
    amount2: text(stages[1]?.amount),
    when2: text(stages[1]?.when),
    apply: text(now.apply ?? 'first'),
    firstPercent: text(lay.firstPercent ?? (lay.firstPayment ? '' : 20)),
    firstPayment: text(now.kind === 'installments' || now.kind === 'layaway' ? now.firstPayment : ''),
    months: text(lay.months ?? 3),
    every: typeof every === 'object' ? text((every as Plain).days) : text(every),
    graceDays: text(now.graceDays ?? lay.graceDays ?? ins.graceDays ?? 0),
    feePercent: part(lay.fee, 'percent'),
    feeAmount: part(lay.fee, 'amount'),
    count: text(ins.count ?? 6),
    firstDue: text(now.firstDue ?? nextMonth),
    yearly: charge?.yearlyRate === undefined ? '' : decimal(text(charge.yearlyRate)).times(100).toString(),
    flat: text(charge?.flat),
    roundUpTo: text(ins.roundUpTo),
    latePercent: part(now.lateCharge ?? usual.late.charge, 'percent'),
    lateAmount: part(now.lateCharge ?? usual.late.charge, 'amount'),
  }
}

/** Settings' usual arrangements as the page hands them over. */
export type UsualPlain = { readonly [K in keyof UsualArrangements]: Plain }

const filled = (s: string): string | undefined => (s.trim() === '' || Number(s) === 0 ? undefined : s)
const whole = (s: string): number | undefined => (filled(s) === undefined ? undefined : Number(s))
const partOf = (percent: string, amount: string) =>
  filled(amount) ? { amount } : filled(percent) ? { percent } : undefined
/** A rhythm by its name, or every so many days. */
export const rhythm = (every: string): 'week' | 'two-weeks' | 'month' | { days: number } =>
  every === 'week' || every === 'two-weeks' || every === 'month' ? every : { days: Number(every) }

/** A percentage as a fraction; what is no number goes as it was typed, and is refused with a sentence. */
const rateOf = (percent: string): string =>
  /^\d+(\.\d+)?$/.test(percent) ? decimal(percent).div(100).toString() : percent

/** The arrangement as it is sent. */
export const writeOut = (d: Draft): ArrangementInput => {
  switch (d.kind) {
    case 'now':
      return { kind: 'now' }
    case 'terms': {
      const parts = whole(d.parts) ?? 1
      return {
        kind: 'terms',
        net: whole(d.net) ?? 0,
        ...(parts !== 1
          ? { parts, every: rhythm(d.every) }
          : filled(d.discountPercent)
            ? { discountPercent: d.discountPercent, discountDays: whole(d.discountDays) }
            : {}),
      }
    }
    case 'deposit': {
      const first = partOf(d.percent, d.amount)
      const second = partOf(d.percent2, d.amount2)
      const apply = d.apply as 'first' | 'in-proportion'
      if (!second) return { kind: 'deposit', ...first, apply }
      return {
        kind: 'deposit',
        stages: [{ ...first }, { ...second, ...(d.when2 ? { when: d.when2 } : {}) }],
        apply,
      }
    }
    case 'layaway':
      return {
        kind: 'layaway',
        ...(filled(d.firstPayment)
          ? { firstPayment: d.firstPayment }
          : { firstPercent: filled(d.firstPercent) ?? '0' }),
        months: whole(d.months),
        every: rhythm(d.every),
        graceDays: whole(d.graceDays) ?? 0,
        fee: partOf(d.feePercent, d.feeAmount),
      }
    case 'installments':
      return {
        kind: 'installments',
        firstPayment: filled(d.firstPayment),
        count: Number(d.count),
        every: rhythm(d.every),
        firstDue: d.firstDue,
        roundUpTo: whole(d.roundUpTo),
        charge: filled(d.flat) ? { flat: d.flat } : filled(d.yearly) ? { yearlyRate: rateOf(d.yearly) } : undefined,
        graceDays: whole(d.graceDays) ?? 0,
        lateCharge: partOf(d.latePercent, d.lateAmount),
      }
  }
}
