import { agreeSaleInput } from '@/contract/inputs/sales/agreeSale'
import { decimal, type Decimal } from '@/core/money'
import type { Day } from '@/core/day'
import { updateSale } from '@/data/queries/sales'
import { defineCommand, type Work } from '../command'
import { refuse } from '@/contract/refuse'
import { keepVersion } from './keepVersion'
import { refreshSale } from './refreshSale'
import { answerSale, mustBeOpen, takeSale, type LockedSale } from './saleWork'
import { updateSaleLines } from '@/data/queries/saleLine'

interface Agreement {
  readonly on: Day
  readonly purchaseOrder?: string
  readonly wantedBy?: Day
  readonly deliverTo?: string
  readonly by?: string
  readonly how?: string
  /** What they take of each line; what counts on the estimate where nothing is said. */
  readonly lines?: readonly { readonly lineId: number; readonly quantity: Decimal }[]
}

/** Makes an estimate an order: what is agreed stands, stock is set aside by this alone, nothing is posted. */
export const writeAgreement = async (w: Work, locked: LockedSale, a: Agreement): Promise<void> => {
  const { sale } = locked
  mustBeOpen(locked)
  if (sale.agreedOn) refuse({ code: 'already-agreed', on: sale.agreedOn })
  if (!locked.lines.some((l) => l.quantity.gt(0))) refuse({ code: 'nothing-on-sale' })
  const chosen = a.lines && new Map(a.lines.map((l) => [l.lineId, l.quantity]))
  for (const lineId of chosen?.keys() ?? [])
    if (!locked.lines.some((l) => l.id === lineId)) refuse({ code: 'not-found', what: 'line', id: lineId })
  const taken = new Map<string, string>()
  const changes = locked.lines.map((line) => {
    const agreed = chosen ? (chosen.get(line.id) ?? decimal(0)) : line.chosen ? line.quantity : decimal(0)
    if (agreed.gt(line.quantity))
      refuse({ code: 'more-than-offered', line: line.description, offered: line.quantity, asked: agreed })
    if (line.choice === 'alternative' && agreed.gt(0)) {
      if (taken.has(line.choiceGroup)) refuse({ code: 'two-of-one-choice', group: line.choiceGroup })
      taken.set(line.choiceGroup, line.description)
    }
    return { id: line.id, change: { agreed, chosen: line.choice === 'none' ? line.chosen : agreed.gt(0) } }
  })
  await updateSaleLines(w.tx, changes)
  await updateSale(w.tx, sale.id, {
    agreedOn: a.on,
    purchaseOrder: a.purchaseOrder ?? sale.purchaseOrder,
    wantedBy: a.wantedBy ?? sale.wantedBy,
    deliverTo: a.deliverTo ?? sale.deliverTo,
    yesBy: a.by ?? '',
    yesHow: a.how ?? '',
  })
  await keepVersion(w, await refreshSale(w, sale.id), { kind: 'agreed', on: a.on })
}

/** The customer said yes, to all or to the lines named. */
export const agreeSale = defineCommand('agree-sale', agreeSaleInput, async (w, { saleId, on: given, ...agreement }) => {
  await writeAgreement(w, await takeSale(w, saleId), { ...agreement, on: given ?? w.today })
  return answerSale(w, saleId)
})
