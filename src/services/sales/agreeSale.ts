import { z } from 'zod'
import { decimal } from '@/core/money'
import { updateSale, updateSaleLine } from '@/data/queries/sales'
import { defineCommand } from '../command'
import { day, id, on, text } from '../input/fields'
import { lineQuantities } from '../input/lines'
import { refuse } from '../refuse'
import { keepVersion } from './keepVersion'
import { refreshSale } from './refreshSale'
import { answerSale, mustBeOpen, takeSale } from './saleWork'

const input = z.object({
  saleId: id,
  on,
  purchaseOrder: text(80).optional(),
  wantedBy: day.optional(),
  lines: lineQuantities.optional(),
})

/** The customer said yes, to all or to the lines named. Stock is set aside by this alone; nothing is posted. */
export const agreeSale = defineCommand(
  'agree-sale',
  input,
  async (w, { saleId, on: given, purchaseOrder, wantedBy, lines }) => {
    const locked = await takeSale(w, saleId)
    mustBeOpen(locked)
    if (locked.sale.agreedOn) refuse({ code: 'already-agreed', on: locked.sale.agreedOn })
    if (locked.lines.length === 0) refuse({ code: 'nothing-on-sale' })
    const chosen = lines && new Map(lines.map((l) => [l.lineId, l.quantity]))
    for (const lineId of chosen?.keys() ?? []) {
      if (!locked.lines.some((l) => l.id === lineId)) refuse({ code: 'not-found', what: 'line', id: lineId })
    }
    for (const line of locked.lines) {
      const agreed = chosen ? (chosen.get(line.id) ?? decimal(0)) : line.quantity
      if (agreed.gt(line.quantity))
        refuse({ code: 'more-than-offered', line: line.description, offered: line.quantity, asked: agreed })
      await updateSaleLine(w.tx, line.id, { agreed: agreed.toFixed(4) })
    }
    const agreedOn = given ?? w.today
    await updateSale(w.tx, saleId, {
      agreedOn,
      purchaseOrder: purchaseOrder ?? locked.sale.purchaseOrder,
      wantedBy: wantedBy ?? locked.sale.wantedBy,
    })
    await keepVersion(w, await refreshSale(w, saleId), { kind: 'agreed', on: agreedOn })
    return answerSale(w, saleId)
  },
)
