import { smaller, ZERO, type Decimal } from '@/core/money'
import { lineState } from '@/core/sale'
import { kitsWith } from '@/core/stock'
import type { Db } from '@/data/connect'
import type { PickRow } from '@/data/queries/pick'
import { listSaleLines } from '@/data/queries/saleLine'
import { readKitLines } from '../sale/kitLines'
import { pickedOf } from './pickView'

/** So many of a line of a sale are picked whole: what goes into parcels. */
export interface PickedWhole {
  readonly lineId: number
  readonly description: string
  readonly quantity: Decimal
}

/** How many of each line are picked, kits as whole ones with what went ahead of them. */
export const readPickedWhole = async (db: Db, pick: PickRow): Promise<readonly PickedWhole[]> => {
  const lines = await listSaleLines(db, [pick.saleId])
  const kits = await readKitLines(db, lines)
  return lines
    .filter((l) => pick.lines.some((p) => p.lineId === l.id))
    .map((line) => {
      const picked = (goodsId: number): Decimal =>
        pick.lines
          .filter((p) => p.lineId === line.id && p.goodsId === goodsId)
          .reduce((sum, p) => sum.plus(pickedOf(p)), ZERO)
      const kit = kits.get(line.id)
      const quantity = picked(line.goodsId ?? 0).plus(kit ? kitsWith(kit.parts, kit.ahead, picked) : ZERO)
      return { lineId: line.id, description: line.description, quantity: smaller(quantity, lineState(line).toHandOver) }
    })
}
