import { decimal, smaller, ZERO, type Decimal } from '@/core/money'
import { lineState } from '@/core/sale'
import { kitsOut } from '@/core/stock'
import { deleteParcelsOfPick } from '@/data/queries/parcel'
import { deletePick, listPicks, trimPickLine, updatePick, type PickedFrom, type PickRow } from '@/data/queries/pick'
import { listSaleLines } from '@/data/queries/saleLine'
import { pickedOf } from '@/model/parcel/pickView'
import { readKitLines } from '@/model/sale/kitLines'
import type { Work } from '../command'

/** So many of what was taken, in its order. */
const upTo = (from: readonly PickedFrom[], most: Decimal): readonly PickedFrom[] => {
  let left = most
  return from.flatMap((f) => {
    const part = smaller(decimal(f.quantity), left)
    if (part.lte(0)) return []
    left = left.minus(part)
    return [{ ...f, serials: f.serials.slice(0, part.toNumber()), quantity: part.toString() }]
  })
}

/** How many of each line of a pick list its sale still waits for. */
const stillWanted = async (w: Work, pick: PickRow): Promise<(line: PickRow['lines'][number]) => Decimal> => {
  const lines = await listSaleLines(w.tx, [pick.saleId])
  const kits = await readKitLines(w.tx, lines)
  return ({ lineId, goodsId }) => {
    const line = lines.find((l) => l.id === lineId)
    if (!line) return ZERO
    const { toHandOver } = lineState(line)
    const kit = kits.get(lineId)
    if (!kit) return toHandOver
    if (goodsId === kit.kitId) return kitsOut(kit, toHandOver, toHandOver).assembled
    return kitsOut(kit, toHandOver, ZERO).parts.find((p) => p.goodsId === goodsId)?.quantity ?? ZERO
  }
}

/** What went another way, or is not wanted any more, leaves a sale's open pick list; an empty one is thrown away. */
export const trimPick = async (w: Work, saleId: number): Promise<void> => {
  for (const pick of await listPicks(w.tx, { saleId, open: true })) {
    const wantedOf = await stillWanted(w, pick)
    const over = pick.lines.filter((l) => l.wanted.gt(wantedOf(l)))
    if (over.length === 0) continue
    if (pick.lines.every((l) => wantedOf(l).lte(0))) {
      await deletePick(w.tx, pick.id)
      continue
    }
    for (const line of over) {
      const wanted = wantedOf(line)
      await trimPickLine(w.tx, line.id, { wanted, takenFrom: upTo(line.from, wanted) })
    }
    if (pick.state === 'packed' && over.some((l) => pickedOf(l).gt(wantedOf(l)))) {
      await deleteParcelsOfPick(w.tx, pick.id)
      await updatePick(w.tx, pick.id, { state: 'picked' })
    }
  }
}
