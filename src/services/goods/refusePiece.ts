import { refuse, refuseAt } from '@/contract/refuse'
import { larger, ZERO, type Decimal } from '@/core/money'
import { isPast } from '@/core/stock'
import type { Day } from '@/core/day'
import { present } from '@/core/present'
import { findBatches, findSerial, listLife, listLot, type LifeRow } from '@/data/queries/batch'
import type { Goods } from '@/data/queries/goods'
import { lockStock } from '@/data/queries/stock'
import type { Work } from '../command'

/** A serial or lot that was asked for, and is not there. */
interface Missing {
  readonly goods: Goods
  readonly serial?: string
  readonly lot?: string
  readonly placeId?: number
  readonly asked: Decimal
  readonly plan: { readonly on: Day; readonly toCustomer?: boolean }
}

/** Says where a serial is or what became of it, or what there is of a lot, and the way out. */
export const refusePiece = (w: Work, missing: Missing): Promise<never> =>
  missing.serial === undefined ? refuseLot(w, missing, present(missing.lot)) : refuseSerial(w, missing, missing.serial)

/** By whom or with which document a piece left. */
export const wentWith = (move: LifeRow): string => move.customer ?? (move.paper || move.paperKind)

const refuseSerial = async (w: Work, { goods, placeId, plan }: Missing, serial: string): Promise<never> => {
  const batch = await findSerial(w.tx, goods.id, serial)
  if (!batch) return refuse({ code: 'no-such-serial', serial, goods: goods.name })
  const life = await listLife(w.tx, [batch.id])
  const last = present(life.findLast((l) => !l.quantity.eq(0)))
  if (last.quantity.lt(0)) return refuse({ code: 'serial-gone', serial, with: wentWith(last), on: last.on })
  if (placeId !== undefined && last.placeId !== placeId)
    return refuse({ code: 'serial-elsewhere', serial, place: last.place })
  if (last.on > plan.on)
    return refuse({ code: 'not-before', from: last.on, what: `Serial ${serial} came there only later.` })
  // It lies there, and another line of the same command has it already.
  return refuseAt('lines', `Serial ${serial} is named twice.`)
}

const refuseLot = async (w: Work, { goods, placeId, asked, plan }: Missing, lot: string): Promise<never> => {
  const batches = await listLot(w.tx, goods.id, lot)
  const { piles } = await lockStock(w.tx, [goods.id], w.currency)
  if (batches.length === 0) return refuse({ code: 'no-such-lot', lot, goods: goods.name, lots: await lotsOf(w, goods) })
  const past = batches.find((b) => isPast(b, plan.on))
  if (past?.expires && plan.toCustomer)
    return refuse({ code: 'lot-past', lot, goods: goods.name, expired: past.expires })
  const there = piles
    .filter((p) => batches.some((b) => b.id === p.batchId) && (placeId === undefined || p.placeId === placeId))
    .reduce((sum, p) => sum.plus(p.quantity), ZERO)
  if (there.gte(asked)) {
    const came = (
      await listLife(
        w.tx,
        batches.map((b) => b.id),
      )
    ).findLast((l) => !l.quantity.eq(0))
    return refuse({
      code: 'not-before',
      from: came?.on ?? w.today,
      what: `So much of lot ${lot} did not lie there yet on that day.`,
    })
  }
  return refuse({ code: 'not-in-lot', lot, goods: goods.name, there: larger(there, ZERO), asked })
}

/** The lots of a thing of which something lies anywhere. */
const lotsOf = async (w: Work, goods: Goods): Promise<readonly string[]> => {
  const { piles } = await lockStock(w.tx, [goods.id], w.currency)
  const batches = await findBatches(
    w.tx,
    piles.flatMap((p) => p.batchId ?? []),
  )
  return [...new Set([...batches.values()].flatMap((b) => b.lot ?? []))].sort()
}
