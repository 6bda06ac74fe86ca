import { money, sumMoney, type Money } from '@/core/money'
import { firstDayFor, lowestFrom } from '@/core/running'
import { HELD_KINDS, type HeldKind } from '@/core/ledger'
import type { Day } from '@/core/day'
import type { Work } from '../command'
import { refuse } from '@/contract/refuse'
import { listHeldChanges, lockHeld } from '@/data/queries/held'

/** Whose held money: a sale's, or what is on account of a customer. */
export interface HeldPlace {
  readonly customerId: number
  readonly saleId: number | null
}

/** What of a place's held money may leave on a day, by kind, so that no later day falls below zero. */
export interface HeldOn {
  readonly kinds: readonly { readonly kind: HeldKind; readonly free: Money }[]
  readonly free: Money
  /** What is held there now, whatever the day. */
  readonly now: Money
}

/** Locks a place, and says what may leave it on a day. Nothing is dated after today, so today only the sums count. */
export const heldOn = async (w: Work, place: HeldPlace, on: Day): Promise<HeldOn> => {
  const held = await lockHeld(w.tx, place, w.currency)
  const changes = on < w.today && held.length > 0 ? await listHeldChanges(w.tx, place) : null
  const kinds = held.map(({ kind, amount }) => {
    const free = changes
      ? lowestFrom(
          changes.filter((c) => c.kind === kind),
          on,
        )
      : amount.minor
    return { kind, free: money(free < 0n ? 0n : free, w.currency) }
  })
  return {
    kinds,
    free: sumMoney(
      kinds.map((k) => k.free),
      w.currency,
    ),
    now: sumMoney(
      held.map((h) => h.amount),
      w.currency,
    ),
  }
}

/** A place's changes, each kind of held money for itself. */
export const byKind = <C extends { readonly kind: HeldKind }>(changes: readonly C[]): readonly (readonly C[])[] =>
  HELD_KINDS.map((kind) => changes.filter((c) => c.kind === kind))

/** What is held at a place now. */
export const sumHeldAt = async (w: Work, place: HeldPlace): Promise<Money> =>
  sumMoney(
    (await lockHeld(w.tx, place, w.currency)).map((h) => h.amount),
    w.currency,
  )

/** Refuses an amount that a place cannot give on a day: more than is held, or held first from a later day on. */
export const refuseHeld = async (w: Work, place: HeldPlace, held: HeldOn, amount: Money, on: Day): Promise<never> => {
  if (amount.minor > held.now.minor || amount.minor <= 0n)
    return refuse({ code: 'more-than-held', held: held.now, asked: amount })
  const from = firstDayFor(byKind(await listHeldChanges(w.tx, place)), amount.minor, on) ?? w.today
  return refuse({ code: 'not-before', from, what: 'That money was not held yet, or was used meanwhile.' })
}
