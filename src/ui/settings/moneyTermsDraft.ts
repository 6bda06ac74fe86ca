import { decimal, isPositiveMoney, money, parseMoney, toDecimalString } from '@/core/money'
import { rhythm, type UsualPlain } from '../sale/arrangementDraft'

/** What Settings say of money that is promised, as plain values. */
export interface MoneyTerms {
  readonly currency: string
  readonly usual: UsualPlain
  readonly ageLimits: readonly number[]
  readonly reminderDays: readonly number[]
  readonly bounceFee: string
  readonly stopSupplyDays: number
  /** In minor units. */
  readonly smallestCoin: number
  readonly taxOnDeposits: boolean
  readonly taxBackOnBadDebts: boolean
}

/** The same as it is typed, in the shape of the call, so that what is refused finds its field. */
export interface MoneyTermsDraft {
  usualArrangements: {
    terms: { net: string; discountPercent: string; discountDays: string }
    deposit: { percent: string }
    layaway: { firstPercent: string; months: string; every: string; graceDays: string; fee: { percent: string } }
    installments: { count: string }
    late: { charge: { percent: string; amount: string }; graceDays: string }
  }
  ageLimits: string
  reminderDays: string
  bounceFee: string
  stopSupplyDays: string
  smallestCoin: string
  taxOnDeposits: boolean
  taxBackOnBadDebts: boolean
}

type Plain = Readonly<Record<string, unknown>>
const text = (v: unknown): string => (v === undefined || v === null ? '' : String(v))
const within = (of: Plain, name: string, key: string): string => text((of[name] as Plain | undefined)?.[key])

export const moneyTermsDraft = ({ usual, currency, ...t }: MoneyTerms): MoneyTermsDraft => {
  const every = usual.layaway.every ?? 'month'
  return {
    usualArrangements: {
      terms: {
        net: text(usual.terms.net),
        discountPercent: text(usual.terms.discountPercent),
        discountDays: text(usual.terms.discountDays),
      },
      deposit: { percent: text(usual.deposit.percent) },
      layaway: {
        firstPercent: text(usual.layaway.firstPercent),
        months: text(usual.layaway.months),
        every: typeof every === 'object' ? text((every as Plain).days) : text(every),
        graceDays: text(usual.layaway.graceDays),
        fee: { percent: within(usual.layaway, 'fee', 'percent') },
      },
      installments: { count: text(usual.installments.count) },
      late: {
        charge: { percent: within(usual.late, 'charge', 'percent'), amount: within(usual.late, 'charge', 'amount') },
        graceDays: text(usual.late.graceDays),
      },
    },
    ageLimits: t.ageLimits.join(', '),
    reminderDays: t.reminderDays.join(', '),
    bounceFee: t.bounceFee,
    stopSupplyDays: String(t.stopSupplyDays),
    smallestCoin: toDecimalString(money(BigInt(t.smallestCoin), currency)),
    taxOnDeposits: t.taxOnDeposits,
    taxBackOnBadDebts: t.taxBackOnBadDebts,
  }
}

const whole = (s: string): number | undefined => (s.trim() === '' ? undefined : Number(s))
const some = (s: string): string | undefined => {
  const typed = s.trim()
  return typed === '' || (/^\d+(\.\d+)?$/.test(typed) && decimal(typed).eq(0)) ? undefined : typed
}
const numbers = (s: string): number[] => s.split(/[ ,]+/).filter(Boolean).map(Number)

/** Some part of a sum: an amount where one is typed, else a percentage. */
const partOf = (percent: string, amount: string) => {
  if (some(amount)) return { amount }
  return some(percent) ? { percent } : undefined
}

/** The smallest coin in minor units; what is no amount goes as no number, and is refused with a sentence. */
const coinOf = (typed: string, currency: string): number => {
  const read = parseMoney(typed, currency)
  return read.ok && isPositiveMoney(read.value) ? Number(read.value.minor) : Number.NaN
}

/** What is typed as the call takes it. What the form does not show stays as it was. */
export const moneyTermsBody = (d: MoneyTermsDraft, { usual, currency }: Pick<MoneyTerms, 'usual' | 'currency'>) => {
  const { terms, deposit, layaway, installments, late } = d.usualArrangements
  const graceDays = whole(late.graceDays)
  return {
    usualArrangements: {
      terms: {
        net: whole(terms.net),
        discountPercent: some(terms.discountPercent),
        discountDays: whole(terms.discountDays),
      },
      deposit: { percent: some(deposit.percent) },
      layaway: {
        firstPercent: some(layaway.firstPercent),
        months: whole(layaway.months),
        every: rhythm(layaway.every),
        graceDays: whole(layaway.graceDays),
        fee: partOf(layaway.fee.percent, layaway.fee.percent === '' ? within(usual.layaway, 'fee', 'amount') : ''),
      },
      installments: { ...usual.installments, count: whole(installments.count), graceDays },
      late: { charge: partOf(late.charge.percent, late.charge.amount), graceDays },
    },
    // Three limits are wanted; more or fewer are refused with a sentence at the field.
    ageLimits: numbers(d.ageLimits) as [number, number, number],
    reminderDays: numbers(d.reminderDays),
    bounceFee: d.bounceFee || '0',
    stopSupplyDays: whole(d.stopSupplyDays) ?? 0,
    smallestCoin: coinOf(d.smallestCoin, currency),
    taxOnDeposits: d.taxOnDeposits,
    taxBackOnBadDebts: d.taxBackOnBadDebts,
  }
}
