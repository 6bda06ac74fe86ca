import { present } from '@/core/present'
import { larger, smaller, ZERO, type Decimal } from '@/core/money'
import { lineState } from '@/core/sale'
import { kitsWith, partsNeeded } from '@/core/stock'
import type { Db } from '@/data/connect'
import type { SaleRow } from '@/data/queries/sales'
import type { SaleLineRow } from '@/data/queries/saleLine'
import type { Day } from '@/core/day'
import { readTurns } from '../goods/shares'
import { readKitLines, type KitLine } from './kitLines'

/** What a line has set aside, and whether it comes from a shelf at all. */
export interface Kept {
  readonly setAside: Decimal
  /** Of a kit's line: how many of them lie assembled; the rest of them is set aside as parts. */
  readonly assembled: Decimal
  readonly fromShelf: boolean
  /** Of a kit's line: what is set aside of each part, and how many of it are still to go. */
  readonly parts: readonly KeptPart[]
}

export interface KeptPart {
  readonly goodsId: number
  readonly perKit: Decimal
  readonly ahead: Decimal
  readonly toHandOver: Decimal
  readonly setAside: Decimal
}

/** What is set aside for each line, oldest agreement first; work and charges take nothing from the shelf. */
export const readSetAside = async (
  db: Db,
  lines: readonly SaleLineRow[],
  sales: readonly SaleRow[],
  today: Day,
): Promise<Map<number, Kept>> => {
  const agreed = new Set(sales.filter((s) => s.agreedOn && !s.closedAs).map((s) => s.id))
  const onShelf = lines.filter((l) => l.goodsId !== null && (l.kind === 'stock' || l.kind === 'kit'))
  const kits = await readKitLines(db, onShelf)
  const waitingLines = onShelf.filter((l) => agreed.has(l.saleId) && lineState(l).toHandOver.gt(0))
  const goodsIds = waitingLines.flatMap((l) =>
    l.kind === 'stock' ? [present(l.goodsId)] : present(kits.get(l.id)).parts.map((p) => p.goodsId),
  )
  const given = new Map<string, Decimal>()
  for (const share of (await readTurns(db, goodsIds, today)).shares) {
    const key = `${share.lineId}:${share.goodsId}`
    given.set(key, (given.get(key) ?? ZERO).plus(share.given))
  }
  return new Map(
    onShelf.map((l) => {
      const kit = kits.get(l.id)
      const got = (goodsId: number) => given.get(`${l.id}:${goodsId}`) ?? ZERO
      const { toHandOver } = lineState(l)
      const assembled = kit ? got(kit.kitId) : ZERO
      const parts = kit ? partsOf(kit, toHandOver.minus(assembled), got) : []
      const fromShelf = l.kind === 'stock' || parts.length > 0
      const possible = kit ? assembled.plus(kitsWith(kit.parts, kit.ahead, got)) : got(present(l.goodsId))
      return [l.id, { setAside: larger(smaller(possible, toHandOver), ZERO), assembled, fromShelf, parts }] as const
    }),
  )
}

/** A kit's parts: what went ahead of whole kits, what is still to go, and what is set aside for it. */
const partsOf = (
  { parts, ahead }: KitLine,
  toHandOver: Decimal,
  got: (goodsId: number) => Decimal,
): readonly KeptPart[] => {
  const needed = partsNeeded(parts, ahead, toHandOver)
  return parts.map((p, i) => {
    const still = present(needed[i]).quantity
    return {
      goodsId: p.goodsId,
      perKit: p.quantity,
      ahead: ahead.get(p.goodsId) ?? ZERO,
      toHandOver: still,
      setAside: smaller(got(p.goodsId), still),
    }
  })
}
