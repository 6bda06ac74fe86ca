import type { z } from 'zod'
import {
  correctPickInput,
  dropPickInput,
  packPickInput,
  sendPickInput,
  type PickedLine,
} from '@/contract/inputs/parcels/picks'
import { refuse, refuseAt } from '@/contract/refuse'
import type { Day } from '@/core/day'
import { decimal, smaller, ZERO } from '@/core/money'
import { lineState } from '@/core/sale'
import { kitsBegun } from '@/core/stock'
import { present } from '@/core/present'
import { findCustomer } from '@/data/queries/customers'
import { findGoods } from '@/data/queries/goods'
import { deleteParcelsOfPick, insertParcel, listParcels, type ParcelRow } from '@/data/queries/parcel'
import {
  deletePick,
  listPicks,
  lockPick,
  updatePick,
  updatePickLine,
  type PickedFrom,
  type PickRow,
} from '@/data/queries/pick'
import { listSaleLines } from '@/data/queries/saleLine'
import { readKitLines } from '@/model/sale/kitLines'
import { readPickedWhole, type PickedWhole } from '@/model/parcel/pickedWhole'
import { pickedOf, pickViews } from '@/model/parcel/pickView'
import type { ParcelInput } from '@/contract/shipping'
import { handoverView } from '@/model/sale/handoverView'
import { defineCommand, paperDay, type Work } from '../command'
import { planLeaving } from '../goods/planLeaving'
import { writeLetterIn } from '../post/writeLetter'
import type { HandedLine } from '../sales/handingOf'
import { giveGoods } from '../sales/handOver'
import { strikeOffIn } from '../sales/strikeOff'
import { takeSale } from '../sales/saleWork'
import type { Carrier } from '@/core/parcel'
import { askingOf, asPacked, book, inParcels, packParcels, shipParcels, type Asking } from './ship'

const answerPick = (w: Work, id: number) => ({
  id,
  answer: async () => present((await pickViews(w.tx, { id }, w.currency))[0]),
})

/** Takes a pick list for this transaction; one that is sent stays as it is. */
const takePick = async (w: Work, pickId: number): Promise<PickRow> => {
  if (!(await lockPick(w.tx, pickId))) refuse({ code: 'not-found', what: 'pick list', id: pickId })
  const pick = present((await listPicks(w.tx, { id: pickId }))[0])
  if (pick.state === 'sent') refuse({ code: 'pick-sent', number: pick.number })
  return pick
}

const asFrom = (from: PickedLine['from']): readonly PickedFrom[] =>
  from.map((f) => ({
    placeId: f.placeId,
    lot: f.lot ?? null,
    serials: f.serials ?? [],
    quantity: f.quantity.toString(),
  }))

/** What was picked must lie where it was picked: refused with where it is instead. Nothing is written. */
const mustLieThere = async (
  w: Work,
  pick: PickRow,
  taken: ReadonlyMap<number, readonly PickedFrom[]>,
): Promise<void> => {
  const goods = await findGoods(
    w.tx,
    pick.lines.map((l) => l.goodsId),
  )
  const leaving = pick.lines.flatMap((l) => {
    const from = taken.get(l.id) ?? l.from
    const quantity = pickedOf({ from })
    return quantity.gt(0) ? [{ goods: present(goods.get(l.goodsId)), quantity, from: from.map(asNamed) }] : []
  })
  await planLeaving(w, leaving, { on: w.today, toCustomer: true })
}

const asNamed = ({ placeId, lot, serials, quantity }: PickedFrom) => ({
  placeId,
  lot: lot ?? undefined,
  serials: serials.length > 0 ? serials : undefined,
  quantity: decimal(quantity),
})

/** What was really picked: another lot, fewer, from two places. It decides what is handed over. */
export const correctPick = defineCommand('correct-pick', correctPickInput, async (w, { pickId, lines }) => {
  const pick = await takePick(w, pickId)
  const taken = new Map<number, readonly PickedFrom[]>()
  for (const [i, l] of lines.entries()) {
    const row = pick.lines.find((p) => p.lineId === l.lineId && (l.goodsId === undefined || p.goodsId === l.goodsId))
    if (!row) return refuseAt(`lines.${i}.lineId`, 'This is not on the pick list.')
    const from = asFrom(l.from)
    const asked = pickedOf({ from })
    if (asked.gt(row.wanted)) refuse({ code: 'more-than-agreed', line: row.name, left: row.wanted, asked })
    taken.set(row.id, from)
  }
  await mustLieThere(w, pick, taken)
  for (const [id, from] of taken) await updatePickLine(w.tx, id, from)
  await deleteParcelsOfPick(w.tx, pickId)
  await updatePick(w.tx, pickId, { state: 'picked' })
  return answerPick(w, pickId)
})

/** Everything that is picked whole has its parcel, and nothing else has. */
const mustBePacked = (picked: readonly PickedWhole[], parcels: readonly ParcelInput[]): void => {
  const wrong = (message: string): never => refuseAt('parcels', message)
  const packed = inParcels(parcels)
  for (const lineId of packed.keys())
    if (!picked.some((p) => p.lineId === lineId)) wrong(`Line ${lineId} is not on this pick list. Leave it out.`)
  for (const { lineId, description, quantity } of picked) {
    const inThem = packed.get(lineId) ?? ZERO
    if (inThem.gt(quantity))
      wrong(`Only ${quantity.toString()} ${description} are picked, and ${inThem.toString()} are in parcels.`)
    if (inThem.lt(quantity))
      wrong(`${quantity.minus(inThem).toString()} ${description} are in no parcel yet. Add them to one.`)
  }
}

/** Puts what is picked into parcels, each with its weight and size. */
export const packPick = defineCommand('pack-pick', packPickInput, async (w, { pickId, parcels }) => {
  const pick = await takePick(w, pickId)
  mustBePacked(await readPickedWhole(w.tx, pick), parcels)
  await deleteParcelsOfPick(w.tx, pickId)
  for (const { lines: inside, weight, size, address } of await packParcels(w, pick.saleId, parcels))
    await insertParcel(w.tx, { pickId, weight, size, address }, inside)
  await updatePick(w.tx, pickId, { state: 'packed' })
  return answerPick(w, pickId)
})

/** What was picked, as a handover takes it: kits as their parts. */
const handedLines = async (w: Pick<Asking, 'tx'>, pick: PickRow): Promise<readonly HandedLine[]> => {
  const lines = await listSaleLines(w.tx, [pick.saleId])
  return [...new Set(pick.lines.map((l) => l.lineId))].flatMap((lineId): HandedLine[] => {
    const mine = pick.lines.filter((l) => l.lineId === lineId && pickedOf(l).gt(0))
    if (mine.length === 0) return []
    if (lines.find((l) => l.id === lineId)?.kind !== 'kit') {
      const row = present(mine[0])
      return [{ lineId, quantity: pickedOf(row), from: row.from.map(asNamed) }]
    }
    const parts = mine.map((l) => ({ goodsId: l.goodsId, quantity: pickedOf(l), from: l.from.map(asNamed) }))
    return [{ lineId, quantity: ZERO, from: [], parts }]
  })
}

/** A pick list as it was when its carrier was asked: when it is sent, it must still be so. */
const looks = (pick: PickRow, parcels: readonly ParcelRow[]): string =>
  JSON.stringify([
    pick.lines.map((l) => [l.id, l.from]),
    parcels.map(({ id, weight, size, address }) => [id, weight, size, address]),
  ])

type Sending = z.output<typeof sendPickInput>

/** The parcels of a pick list booked with the carrier, none where it goes without; null where there is nothing to send. */
const askForPick = async (w: Asking, { pickId, carrier, service, by }: Sending, asked: Parameters<typeof book>[3]) => {
  const [pick] = await listPicks(w.tx, { id: pickId })
  if (!pick || pick.state === 'sent') return null
  const parcels = await listParcels(w.tx, { pickIds: [pickId] }, w.currency)
  const looked = looks(pick, parcels)
  const byCarrier =
    carrier !== undefined || service !== undefined || (parcels.length > 0 && (by ?? 'parcel') === 'parcel')
  if (!byCarrier) return { looked, booked: [] }
  const whole = (await readPickedWhole(w.tx, pick)).filter((l) => l.quantity.gt(0))
  const packed = parcels.length > 0 ? parcels.map(asPacked) : await packParcels(w, pick.saleId, [{ lines: whole }])
  return { looked, booked: await book(w, packed, { carrier, service }, asked) }
}

/** Hands over what was picked: with a carrier, or across the counter. Once, and never more than was picked. */
export const sendPick = (carrier: Carrier | null) =>
  defineCommand(
    'send-pick',
    sendPickInput,
    async (
      w,
      { pickId, on, by, tell, freight, strikeOff },
      asked: Awaited<ReturnType<typeof askForPick>> | undefined,
    ) => {
      const onDay = paperDay(w, on)
      const pick = await takePick(w, pickId)
      const parcels = await listParcels(w.tx, { pickIds: [pickId] }, w.currency)
      if (asked?.looked !== looks(pick, parcels))
        return refuse({ code: 'changed-meanwhile', what: `Pick list ${pick.number}` })
      const { booked } = asked
      const lines = await handedLines(w, pick)
      if (lines.length === 0) refuse({ code: 'nothing-to-hand-over' })
      const id = await giveGoods(w, pick.saleId, {
        on: onDay,
        by: booked.length > 0 ? 'parcel' : (by ?? 'counter'),
        lines,
        freight,
      })
      await shipParcels(w, { handoverId: id, pickId, on: onDay }, booked)
      await updatePick(w.tx, pickId, { state: 'sent', handoverId: id })
      if (strikeOff) await strikeOffRest(w, pick, { on: onDay, reason: strikeOff })
      if (booked.length > 0 && tell !== false) await tellOnItsWay(w, pick.saleId, id)
      return { id, answer: () => handoverView(w.tx, id, w.currency) }
    },
    { ask: async (till, input, dry) => askForPick(await askingOf(till), input, { carrier, dry }) },
  )

/** What was to be picked and was not found comes off the order; of a kit, whole ones that are not begun. */
const strikeOffRest = async (w: Work, pick: PickRow, why: { readonly on: Day; readonly reason: string }) => {
  const locked = await takeSale(w, pick.saleId)
  const kits = await readKitLines(w.tx, locked.lines)
  const struck = locked.lines.flatMap((line) => {
    const mine = pick.lines.filter((l) => l.lineId === line.id && pickedOf(l).lt(l.wanted))
    if (mine.length === 0) return []
    const kit = kits.get(line.id)
    const { toHandOver } = lineState(line)
    const missing = mine.reduce((sum, l) => sum.plus(l.wanted).minus(pickedOf(l)), ZERO)
    const quantity = kit ? toHandOver.minus(kitsBegun(kit)) : smaller(missing, toHandOver)
    return quantity.gt(0) ? [{ lineId: line.id, quantity }] : []
  })
  if (struck.length > 0) await strikeOffIn(w, locked, struck, why)
}

/** Tells the customer that the goods are on their way, where there is an address to write to. */
export const tellOnItsWay = async (w: Work, saleId: number, handoverId: number): Promise<void> => {
  const { sale } = await takeSale(w, saleId)
  const customer = await findCustomer(w.tx, sale.customerId, w.currency)
  if (customer?.email) await writeLetterIn(w, { paper: 'packing-slip', paperId: handoverId })
}

/** Throws a pick list away that is not sent: it has posted nothing. */
export const dropPick = defineCommand('drop-pick', dropPickInput, async (w, { pickId }) => {
  const { number } = await takePick(w, pickId)
  await deletePick(w.tx, pickId)
  return { id: pickId, answer: async () => ({ id: pickId, number }) }
})
