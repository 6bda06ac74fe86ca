import { present } from '@/core/present'
import { larger, smaller, ZERO, type Decimal } from '@/core/money'
import { lineState } from '@/core/sale'
import { kitsAvailable, setAsideInTurn } from '@/core/stock'
import type { Db } from '@/data/connect'
import { findGoods } from '@/data/queries/goods'
import type { SaleRow } from '@/data/queries/sales'
import type { SaleLineRow } from '@/data/queries/saleLine'
import { sumShelves } from '@/data/queries/stock'
import { listWaiting } from '@/data/queries/waiting'

/** What a line has set aside, and whether it comes from a shelf at all. */
export interface Kept {
  readonly setAside: Decimal
  readonly fromShelf: boolean
}

/** What is set aside for each line, oldest agreement first; work and charges take nothing from the shelf. */
export const readSetAside = async (
  db: Db,
  lines: readonly SaleLineRow[],
  sales: readonly SaleRow[],
  currency: string,
): Promise<Map<number, Kept>> => {
  const agreed = new Set(sales.filter((s) => s.agreedOn && !s.closedAs).map((s) => s.id))
  const onShelf = lines.filter((l) => l.goodsId !== null && (l.kind === 'stock' || l.kind === 'kit'))
  const kits = await findGoods(
    db,
    onShelf.filter((l) => l.kind === 'kit').map((l) => present(l.goodsId)),
  )
  const waitingLines = onShelf.filter((l) => agreed.has(l.saleId) && lineState(l).toHandOver.gt(0))
  const goodsIds = waitingLines.flatMap((l) =>
    l.kind === 'stock' ? [present(l.goodsId)] : present(kits.get(present(l.goodsId))).parts.map((p) => p.goodsId),
  )
  const [shelves, waiting] = await Promise.all([sumShelves(db, goodsIds, currency), listWaiting(db, goodsIds)])
  const shares = setAsideInTurn(waiting, (goodsId) => shelves.get(goodsId)?.quantity ?? ZERO)
  const given = new Map<string, Decimal>()
  waiting.forEach(({ lineId, goodsId }, i) => {
    const key = `${lineId}:${goodsId}`
    given.set(key, (given.get(key) ?? ZERO).plus(present(shares[i])))
  })
  return new Map(
    onShelf.map((l) => {
      const parts = l.kind === 'kit' ? present(kits.get(present(l.goodsId))).parts : []
      const fromShelf = l.kind === 'stock' || parts.length > 0
      const got = (goodsId: number) => given.get(`${l.id}:${goodsId}`) ?? ZERO
      const possible =
        l.kind === 'stock'
          ? got(present(l.goodsId))
          : kitsAvailable(parts.map((p) => ({ available: got(p.goodsId), perKit: p.quantity })))
      return [l.id, { setAside: larger(smaller(possible, lineState(l).toHandOver), ZERO), fromShelf }] as const
    }),
  )
}
