import { ZERO, type Decimal } from '@/core/money'
import { partsAhead, type KitPart } from '@/core/stock'
import { present } from '@/core/present'
import type { Db } from '@/data/connect'
import { findGoods, type Goods } from '@/data/queries/goods'
import type { SaleLineRow } from '@/data/queries/saleLine'
import { listOutOfLines } from '@/data/queries/stock'

/** A kit's line with its parts: how many of each went ahead of the whole kits. */
export interface KitLine {
  readonly kit: Goods
  readonly parts: readonly KitPart[]
  readonly ahead: ReadonlyMap<number, Decimal>
}

/** The kits among lines, by the line's id. */
export const readKitLines = async (db: Db, lines: readonly SaleLineRow[]): Promise<ReadonlyMap<number, KitLine>> => {
  const mine = lines.filter((l) => l.kind === 'kit' && l.goodsId !== null)
  const [kits, out] = await Promise.all([
    findGoods(
      db,
      mine.map((l) => present(l.goodsId)),
    ),
    listOutOfLines(
      db,
      mine.map((l) => l.id),
    ),
  ])
  return new Map(
    mine.map((l) => {
      const kit = present(kits.get(present(l.goodsId)))
      const outOf = (goodsId: number) => out.find((o) => o.lineId === l.id && o.goodsId === goodsId)?.out ?? ZERO
      return [l.id, { kit, parts: kit.parts, ahead: partsAhead(kit.parts, outOf, l.handedOver.minus(l.returned)) }]
    }),
  )
}

/** How many of each part one kit of a line needs; nothing where the line is no kit. */
export const perKitOf = (kit: KitLine | undefined): ReadonlyMap<number, Decimal> | undefined =>
  kit && new Map(kit.parts.map((p) => [p.goodsId, p.quantity]))

/** How many kits of a line are begun with parts that went ahead; they count as agreed until they are whole or back. */
export const kitsBegun = ({ parts, ahead }: KitLine): Decimal =>
  parts.reduce((most, p) => {
    const begun = (ahead.get(p.goodsId) ?? ZERO).div(p.quantity).ceil()
    return begun.gt(most) ? begun : most
  }, ZERO)
