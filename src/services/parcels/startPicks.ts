import { startPickInput, startPicksInput } from '@/contract/inputs/parcels/picks'
import { refuse, refuseAt } from '@/contract/refuse'
import { readArrangement } from '@/contract/arrangement'
import type { Day } from '@/core/day'
import { decimal, isPositiveMoney } from '@/core/money'
import { present } from '@/core/present'
import { takeNumber } from '@/data/queries/numbers'
import { insertPick, listPicks } from '@/data/queries/pick'
import { findSales } from '@/data/queries/sales'
import { listAllWaiting } from '@/data/queries/waiting'
import { readPicking, readPickings } from '@/model/goods/picking'
import { shareOut } from '@/model/goods/shares'
import { pickViews } from '@/model/parcel/pickView'
import { defineCommand, paperDay, type Work } from '../command'
import { layawayLeft } from '../plans/layawayLeft'
import { mustBeAgreed, takeSale } from '../sales/saleWork'

type Picking = NonNullable<Awaited<ReturnType<typeof readPicking>>>

/** Writes a pick list as it is proposed; null where nothing of it lies anywhere. It posts nothing. */
const writePick = async (w: Work, { saleId, lines }: Picking, on: Day): Promise<number | null> => {
  const rows = lines.map((p) => ({
    saleLineId: p.lineId,
    goodsId: p.goodsId,
    wanted: decimal(p.quantity),
    takenFrom: p.from.map(({ placeId, lot, serials, quantity }) => ({ placeId, lot, serials, quantity })),
  }))
  if (rows.every((r) => r.takenFrom.length === 0)) return null
  const number = await takeNumber(w.tx, 'pick', on)
  return insertPick(w.tx, { number, saleId, onDay: on }, rows)
}

/** Writes what is to be gathered for a sale: all that is set aside, or so many of some lines. */
export const startPick = defineCommand('start-pick', startPickInput, async (w, { saleId, on, lines }) => {
  const locked = await takeSale(w, saleId)
  mustBeAgreed(locked)
  const [open] = await listPicks(w.tx, { saleId, open: true })
  if (open) refuse({ code: 'pick-open', number: open.number })
  const onDay = paperDay(w, on)
  for (const [i, l] of (lines ?? []).entries())
    if (!locked.lines.some((x) => x.id === l.lineId)) refuseAt(`lines.${i}.lineId`, 'This line is not on the sale.')
  const picking = present(await readPicking(w.tx, saleId, onDay, { business: w.business, today: w.today, only: lines }))
  const id = (await writePick(w, picking, onDay)) ?? refuse({ code: 'nothing-to-hand-over' })
  return { id, answer: async () => present((await pickViews(w.tx, { id }, w.currency))[0]) }
})

/** So many sales at a time, the oldest orders first. */
const AT_ONCE = 100

/** Sales that have goods set aside and no open pick list; a layaway only when it is paid up. */
const salesThatCanGo = async (w: Work): Promise<readonly number[]> => {
  const [waiting, open] = await Promise.all([listAllWaiting(w.tx), listPicks(w.tx, { open: true })])
  const shares = await shareOut(w.tx, waiting, w.today)
  const picked = new Set(open.map((p) => p.saleId))
  const ids = [...new Set(shares.filter((x) => x.given.gt(0) && !picked.has(x.saleId)).map((x) => x.saleId))]
  const sales = await findSales(w.tx, ids, w.currency)
  const layaways = new Set(sales.flatMap((s) => (readArrangement(s.arrangement).kind === 'layaway' ? [s.id] : [])))
  const going: number[] = []
  // Layaways that wait for money, however many, keep nobody behind them waiting.
  for (const id of ids) {
    if (going.length === AT_ONCE) break
    if (!layaways.has(id) || !isPositiveMoney(await layawayLeft(w, id))) going.push(id)
  }
  return going
}

/** A pick list for every order that can go now, the oldest first: none of them takes what another waits for. */
export const startPicks = defineCommand('start-picks', startPicksInput, async (w, { on }) => {
  const onDay = paperDay(w, on)
  const saleIds = await salesThatCanGo(w)
  const pickings = await readPickings(w.tx, saleIds, onDay, w)
  const made: number[] = []
  for (const saleId of saleIds) {
    const picking = pickings.find((p) => p.saleId === saleId)
    const id = picking ? await writePick(w, picking, onDay) : null
    if (id !== null) made.push(id)
  }
  if (made.length === 0) refuse({ code: 'nothing-to-hand-over' })
  return {
    id: present(made[0]),
    answer: async () => ({
      picks: await pickViews(w.tx, { ids: made }, w.currency),
    }),
  }
})
