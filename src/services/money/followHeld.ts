import { type FillRow, listFillsOfHeld, listFillsOfDues, isMoney } from '@/data/queries/fill'
import { type Change, lowestFrom } from '@/core/running'
import type { Work } from '../command'
import type { HeldPlace } from './heldOn'
import { type Money, sumMoney, money, isPositiveMoney, smallerMoney } from '@/core/money'
import type { Day } from '@/core/day'
import { present } from '@/core/present'
import type { Reopened } from './reopened'

const changesOf = (fills: readonly FillRow[], counts: (f: FillRow) => boolean): Change[] =>
  fills.filter(counts).map((f) => ({ on: f.on, by: f.amount.minor }))

/**
 * The dues that a place's held money had been put on by a day, newest first, up to an amount: they are owed again, with
 * the discount that was earned by it. Only what later days bear, too.
 */
export const followHeld = async (w: Work, place: HeldPlace, amount: Money, on: Day): Promise<Reopened[]> => {
  const uses = (await listFillsOfHeld(w.tx, place, w.currency)).filter((f) => f.on <= on)
  const dueIds = [...new Set(uses.map((f) => f.dueId))]
  const fills = await listFillsOfDues(w.tx, dueIds, w.currency)
  const free = new Map(
    dueIds.map((id) => {
      const ofDue = fills.filter((f) => f.dueId === id)
      const inMoney = lowestFrom(
        changesOf(ofDue, (f) => isMoney(f.kind)),
        on,
      )
      const inAll = lowestFrom(
        changesOf(ofDue, () => true),
        on,
      )
      return [id, inMoney < inAll ? inMoney : inAll] as const
    }),
  )
  let left = amount.minor
  const reopened = new Map<number, Reopened>()
  for (const use of uses) {
    const most = [left, use.amount.minor, present(free.get(use.dueId))].reduce((a, b) => (a < b ? a : b))
    if (most <= 0n) continue
    const before = reopened.get(use.dueId)
    const earned = discountOf(fills, use, w.currency)
    free.set(use.dueId, present(free.get(use.dueId)) - most)
    left -= most
    reopened.set(use.dueId, {
      dueId: use.dueId,
      saleId: use.saleId,
      money: sumMoney([...(before ? [before.money] : []), money(most, w.currency)], w.currency),
      discount: sumMoney([...(before ? [before.discount] : []), earned], w.currency),
    })
  }
  return [...reopened.values()]
}

/** The discount that stands on a due because of one use of held money. */
const discountOf = (fills: readonly FillRow[], use: FillRow, currency: string): Money => {
  const all = fills.filter((f) => f.dueId === use.dueId && f.kind === 'discount')
  const taken = all.filter((f) => f.entryId === use.entryId && isPositiveMoney(f.amount)).map((f) => f.amount)
  return smallerMoney(
    sumMoney(taken, currency),
    sumMoney(
      all.map((f) => f.amount),
      currency,
    ),
  )
}
