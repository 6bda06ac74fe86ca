import { assembleInput } from '@/contract/inputs/goods/assemble'
import type { z } from 'zod'
import { found, refuseAt } from '@/contract/refuse'
import { present } from '@/core/present'
import type { Day } from '@/core/day'
import { isWhole, splitMoney, sumMoney, toDecimalString, type Decimal } from '@/core/money'
import { findGoods, type Goods } from '@/data/queries/goods'
import { takeNumber } from '@/data/queries/numbers'
import { reserveId } from '@/data/queries/reserveId'
import { insertMoves, listPlaces, lockStock, type MoveRow } from '@/data/queries/stock'
import { insertAssembly } from '@/data/queries/stockPapers'
import { readUnitCosts } from '@/model/goods/unitCosts'
import { defineCommand, paperDay, type Work } from '../command'
import { batchFor } from './changeStock'
import { placeNamed } from './places'
import { planLeaving } from './planLeaving'

interface Assembling {
  readonly kit: Goods
  readonly parts: readonly { readonly goods: Goods; readonly each: Decimal }[]
  readonly placeId: number
  readonly on: Day
}

/** A kit, locked with its parts: whoever changes what it is made of waits, or has written it already. */
const takeKit = async (w: Work, goodsId: number): Promise<Goods> => {
  const read = async () => found((await findGoods(w.tx, [goodsId])).get(goodsId), 'goods', goodsId)
  const { id, parts } = await read()
  await lockStock(w.tx, [id, ...parts.map((p) => p.goodsId)], w.currency)
  return read()
}

/** A kit whose parts can lie together: none of them is told apart, or it could not be found again in the kit. */
const assembling = async (w: Work, input: z.output<typeof assembleInput>): Promise<Assembling> => {
  const kit = await takeKit(w, input.goodsId)
  if (kit.kind !== 'kit') refuseAt('goodsId', `${kit.name} is no kit. Only kits are assembled.`)
  if (kit.parts.length === 0) refuseAt('goodsId', `${kit.name} has no parts in stock.`)
  if (!isWhole(input.quantity)) refuseAt('quantity', 'Kits are assembled whole. Enter a whole number.')
  const goods = await findGoods(
    w.tx,
    kit.parts.map((p) => p.goodsId),
  )
  const parts = kit.parts.map((p) => ({ goods: present(goods.get(p.goodsId)), each: p.quantity }))
  const told = parts.find((p) => p.goods.track !== 'none')?.goods
  if (told)
    refuseAt(
      'goodsId',
      `${told.name} is tracked by ${told.track}: it joins the kit when that is handed over, so that it stays known who has it.`,
    )
  const place = placeNamed(await listPlaces(w.tx), input.placeId ?? kit.placeId ?? undefined, 'placeId')
  return { kit, parts, placeId: place.id, on: paperDay(w, input.on) }
}

/** Writes that kits were put together (or taken apart, below zero), with the moves of it. */
const writeAssembly = async (
  w: Work,
  { kit, placeId, on }: Assembling,
  { quantity, moves }: { readonly quantity: Decimal; readonly moves: readonly MoveRow[] },
) => {
  const number = await takeNumber(w.tx, 'assembly', on)
  const id = await reserveId(w.tx, 'assembly')
  await insertAssembly(w.tx, { number, onDay: on, kitId: kit.id, placeId, quantity }, id)
  await insertMoves(w.tx, moves, { kind: 'assembly', id })
  const ofKit = moves.filter((m) => m.goodsId === kit.id).map((m) => m.value)
  return {
    id,
    answer: async () => ({
      id,
      number,
      on,
      goodsId: kit.id,
      placeId,
      quantity: quantity.toString(),
      value: toDecimalString(sumMoney(ofKit, w.currency)),
    }),
  }
}

/** Puts kits together ahead: their parts leave the shelves, and the kits lie at a place, worth what their parts cost. */
export const assembleKits = defineCommand('assemble-kits', assembleInput, async (w, input) => {
  const what = await assembling(w, input)
  const { quantity } = input
  const { moves, costs } = await planLeaving(
    w,
    what.parts.map((p) => ({ goods: p.goods, quantity: p.each.times(quantity) })),
    { on: what.on },
  )
  const kits = { goodsId: what.kit.id, placeId: what.placeId, batchId: null, on: what.on }
  const value = sumMoney(costs, w.currency)
  return writeAssembly(w, what, { quantity, moves: [...moves, { ...kits, quantity, value }] })
})

/** Takes assembled kits apart: what they were worth is shared out over their parts by what those cost now. */
export const takeKitsApart = defineCommand('take-kits-apart', assembleInput, async (w, input) => {
  const what = await assembling(w, input)
  const { quantity } = input
  const { placeId, on } = what
  const { moves, costs } = await planLeaving(
    w,
    [{ goods: what.kit, quantity, from: [{ placeId: input.placeId, quantity }] }],
    { on },
  )
  const costOf = await readUnitCosts(
    w.tx,
    what.parts.map((p) => p.goods),
    w,
  )
  const values = splitMoney(
    sumMoney(costs, w.currency),
    what.parts.map((p) => costOf(p.goods.id).times(p.each)),
  )
  const back: MoveRow[] = []
  for (const [i, { goods, each }] of what.parts.entries()) {
    const batch = await batchFor(w, goods, undefined, on)
    const value = present(values[i])
    back.push({ goodsId: goods.id, placeId, batchId: batch?.id ?? null, on, quantity: each.times(quantity), value })
  }
  return writeAssembly(w, what, { quantity: quantity.neg(), moves: [...moves, ...back] })
})
