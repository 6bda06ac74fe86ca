import { paperWords } from '@/core/formats'
import { formatQuantity, ZERO, type Decimal } from '@/core/money'
import { stillOut, warrantyEnds } from '@/core/stock'
import type { Db } from '@/data/connect'
import { findBatches } from '@/data/queries/batch'
import { findGoods } from '@/data/queries/goods'
import { listHandovers } from '@/data/queries/handover'
import { listMovesOfHandovers } from '@/data/queries/stock'

/** Which pieces of a line a paper is about: those of one handover, or so many after those on papers before it. */
export interface Which {
  readonly lineId: number
  readonly handoverId?: number
  readonly skip?: Decimal
  readonly take?: Decimal
}

/** The serials and lots of a sale's lines as papers print them, with the end of their warranty; empty where nothing is told apart. */
export const readPiecesSaid = async (
  db: Db,
  { saleId, language, currency }: { readonly saleId: number; readonly language: string; readonly currency: string },
): Promise<(which: Which) => string> => {
  const t = paperWords(language)
  const handovers = await listHandovers(db, [saleId], currency)
  const moves = await listMovesOfHandovers(
    db,
    handovers.map((h) => h.id),
    currency,
  )
  const batches = await findBatches(
    db,
    moves.flatMap((m) => m.batchId ?? []),
  )
  const goods = await findGoods(
    db,
    moves.flatMap((m) => (m.batchId === null ? [] : [m.goodsId])),
  )
  return ({ lineId, handoverId, skip = ZERO, take }) => {
    const mine = moves.filter(
      (m) => m.saleLineId === lineId && (handoverId === undefined || m.handoverId === handoverId),
    )
    // What one handover moved is said as it was; of a sale, what is still with the customer.
    const out = handoverId === undefined ? stillOut(mine) : mine.map((m) => ({ ...m, quantity: m.quantity.abs() }))
    const named = out.flatMap((o) => {
      const batch = o.batchId === null ? undefined : batches.get(o.batchId)
      return batch && (batch.serial !== null || batch.lot !== null) ? [{ ...o, batch }] : []
    })
    const serials = named.filter((o) => o.batch.serial !== null)
    const from = skip.toNumber()
    const shown = take === undefined ? serials : serials.slice(from, from + take.toNumber())
    const lots = [...new Set(named.flatMap((o) => o.batch.lot ?? []))].map((lot) => {
      const quantity = named.filter((o) => o.batch.lot === lot).reduce((sum, o) => sum.plus(o.quantity), ZERO)
      return `${lot} (${formatQuantity(quantity)})`
    })
    const went = shown.map((o) => mine.findLast((m) => m.batchId === o.batchId && m.quantity.lt(0))?.on)
    const last = went.at(-1)
    const ends = last && shown[0] && warrantyEnds(last, goods.get(shown[0].goodsId)?.warrantyMonths ?? null)
    return [
      shown.length > 0 ? `${t('serialNumber')}: ${shown.map((o) => o.batch.serial).join(', ')}` : '',
      lots.length > 0 ? `${t('lot')}: ${lots.join(', ')}` : '',
      ends ? `${t('warrantyUntil')} ${t.day(ends)}` : '',
    ]
      .filter(Boolean)
      .join('; ')
  }
}
