import { ZERO } from '@/core/money'
import { partsAhead, type KitOut, type KitState } from '@/core/stock'
import { present } from '@/core/present'
import type { Db } from '@/data/connect'
import { listLineParts, listLinesAsUsual, type SaleLineRow } from '@/data/queries/saleLine'
import { listOutOfLines } from '@/data/queries/stock'

/** A kit's line: of which kit, what one is made of on this sale, and how many of each part went ahead of whole kits. */
export interface KitLine extends KitState {
  readonly kitId: number
}

/** The kits among lines, by the line's id. */
export const readKitLines = async (db: Db, lines: readonly SaleLineRow[]): Promise<ReadonlyMap<number, KitLine>> => {
  const mine = lines.filter((l) => l.kind === 'kit' && l.goodsId !== null)
  const ids = mine.map((l) => l.id)
  const [allParts, out, asUsual] = await Promise.all([
    listLineParts(db, ids),
    listOutOfLines(db, ids),
    listLinesAsUsual(db, ids),
  ])
  return new Map(
    mine.map((l) => {
      const kitId = present(l.goodsId)
      const parts = allParts.filter((p) => p.lineId === l.id)
      const outOf = (goodsId: number) => out.find((o) => o.lineId === l.id && o.goodsId === goodsId)?.out ?? ZERO
      // What went assembled took no parts along.
      const whole = l.handedOver.minus(l.returned).minus(outOf(kitId))
      return [l.id, { kitId, parts, ahead: partsAhead(parts, outOf, whole), asUsual: asUsual.has(l.id) }]
    }),
  )
}

/** How a kit's line is out; nothing where the line is no kit. */
export const kitOutOf = (kit: KitLine | undefined): KitOut | undefined =>
  kit && { kitId: kit.kitId, perKit: new Map(kit.parts.map((p) => [p.goodsId, p.quantity])) }
