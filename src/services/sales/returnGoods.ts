import { returnGoodsInput } from '@/contract/inputs/sales/returnGoods'
import { present } from '@/core/present'
import type { z } from 'zod'
import type { Track } from '@/core/kinds'
import { decimal, larger, smaller, toDecimalString, ZERO, type Decimal } from '@/core/money'
import { comeBack, stillOut } from '@/core/stock'
import { kitOutOf, readKitLines } from '@/model/sale/kitLines'
import { findBatches } from '@/data/queries/batch'
import type { Db } from '@/data/connect'
import { bringBack, costBack, lockMovesOf, namedOut, outOf, type ComingBack } from '../billing/goodsBack'
import { scrap } from '../goods/scrap'
import { dayAfter, defineCommand, paperDay, type Work } from '../command'
import { found, refuse } from '@/contract/refuse'
import { refreshSale } from './refreshSale'
import { takeSale, type LockedSale } from './saleWork'
import { addToLines, listSaleLines, type SaleLineRow } from '@/data/queries/saleLine'
import { findHandover, listHandovers, type HandoverRow } from '@/data/queries/handover'
import { listPlaces } from '@/data/queries/stock'

const ONE = decimal(1)

/** What of a handover's line may come back without a credit: not come back before, and not invoiced. */
const mayComeBack = (
  handover: HandoverRow,
  handovers: readonly HandoverRow[],
  line: SaleLineRow,
): { readonly quantity: Decimal; readonly left: Decimal } => {
  const there = handover.lines.filter((l) => l.saleLineId === line.id)
  const before = handovers
    .filter((h) => h.returnsId === handover.id)
    .flatMap((h) => h.lines.filter((l) => l.saleLineId === line.id))
  const quantity = (rows: HandoverRow['lines']) => rows.reduce((sum, l) => sum.plus(l.quantity), ZERO)
  const notBilled = line.handedOver.minus(line.returned).minus(line.billed.minus(line.credited))
  const left = quantity(there).minus(quantity(before))
  return {
    left,
    quantity: larger(smaller(left, notBilled), ZERO),
  }
}

/** The lines of a handover of which something may come back without a credit, and how much. */
export const goodsThatMayComeBack = async (
  db: Db,
  { id: handoverId, saleId }: { readonly id: number; readonly saleId: number },
  currency: string,
): Promise<
  { readonly lineId: number; readonly description: string; readonly track: Track; readonly quantity: Decimal }[]
> => {
  const [handovers, lines] = await Promise.all([listHandovers(db, [saleId], currency), listSaleLines(db, [saleId])])
  const handover = handovers.find((h) => h.id === handoverId)
  if (handover?.direction !== 'out') return []
  return lines
    .filter((line) => handover.lines.some((l) => l.saleLineId === line.id))
    .map((line) => ({
      lineId: line.id,
      description: line.description,
      track: line.track ?? 'none',
      quantity: mayComeBack(handover, handovers, line).quantity,
    }))
    .filter((l) => l.quantity.gt(0))
}

const comingBack = async (
  w: Work,
  locked: LockedSale,
  handover: HandoverRow,
  handovers: readonly HandoverRow[],
  wish: z.output<typeof returnGoodsInput>,
): Promise<ComingBack[]> => {
  const onDay = paperDay(w, wish.on)
  const moves = await lockMovesOf(w, handovers)
  const batches = await findBatches(
    w.tx,
    moves.flatMap((m) => m.batchId ?? []),
  )
  const kits = await readKitLines(w.tx, locked.lines)
  const papers = handovers.filter((h) => h.id === handover.id || h.returnsId === handover.id).map((h) => h.id)
  const lineIds = [...new Set(handover.lines.map((l) => l.saleLineId))]
  const wanted = wish.lines ?? lineIds.map((lineId) => ({ lineId, quantity: null, serials: undefined }))
  const rows = wanted.map(({ lineId, quantity: asked, serials }): ComingBack => {
    const line =
      locked.lines.find((l) => l.id === lineId && lineIds.includes(lineId)) ??
      refuse({ code: 'not-found', what: 'line', id: lineId })
    const may = mayComeBack(handover, handovers, line)
    const quantity = asked ?? may.quantity
    if (quantity.gt(may.quantity))
      refuse({ code: 'billed-is-credited', line: line.description, left: may.quantity, asked: quantity })
    const out = outOf(handovers, moves, line)
    if (quantity.gt(0)) out.refuseEarly(quantity, onDay)
    const left = moves.filter((m) => papers.includes(m.handoverId) && m.saleLineId === line.id)
    const outs = namedOut(stillOut(left), batches, serials)
    const whole = serials?.length ? quantity : may.left
    const kit = kits.get(line.id)
    // Parts that went ahead of a kit's rest come back where all of a handover does.
    if (kit && !asked && may.left.eq(0))
      return { line, quantity, pieces: comeBack(outs, out.pieces, { quantity: ONE, whole: ONE }) }
    return { line, quantity, pieces: comeBack(outs, out.pieces, { quantity, whole, kit: kitOutOf(kit) }) }
  })
  return rows.filter((r) => r.quantity.gt(0) || r.pieces.length > 0)
}

/** Goods that were handed over and not invoiced come back, at their share of what they had cost, to be handed over again. */
export const returnGoods = defineCommand('return-goods', returnGoodsInput, async (w, wish) => {
  const seen = found(await findHandover(w.tx, wish.handoverId, w.currency), 'handover', wish.handoverId)
  const locked = await takeSale(w, seen.saleId)
  if (seen.direction === 'back')
    return refuse({ code: 'not-found', what: 'handover to the customer', id: wish.handoverId })
  const onDay = dayAfter(w, wish.on, seen.on, 'These goods left only later.')
  if (wish.placeId !== undefined)
    found(
      (await listPlaces(w.tx)).find((p) => p.id === wish.placeId),
      'place',
      wish.placeId,
    )
  const handovers = await listHandovers(w.tx, [seen.saleId], w.currency)
  const handover = present(handovers.find((h) => h.id === wish.handoverId))
  const rows = await comingBack(w, locked, handover, handovers, wish)
  const first = present(handover.lines[0])
  if (rows.length === 0)
    refuse({
      code: 'billed-is-credited',
      line: present(locked.lines.find((l) => l.id === first.saleLineId)).description,
      left: ZERO,
      asked: first.quantity,
    })
  const made = await bringBack(w, locked.sale, rows, {
    on: onDay,
    replace: true,
    placeId: wish.placeId,
    returnsId: handover.id,
    reason: wish.reason,
  })
  if (wish.scrap) await scrap(w, made.moves, { on: onDay, reason: wish.reason })
  await addToLines(
    w.tx,
    rows.map((r) => ({ lineId: r.line.id, by: { returned: r.quantity, toReplace: r.quantity } })),
  )
  await refreshSale(w, seen.saleId)
  return {
    id: made.id,
    answer: async () => ({
      id: made.id,
      number: made.number,
      saleId: seen.saleId,
      returns: handover.id,
      on: onDay,
      lines: rows.map((r) => ({
        lineId: r.line.id,
        quantity: r.quantity.toString(),
        cost: toDecimalString(costBack(r, w.currency)),
      })),
    }),
  }
})
