import { copySaleInput } from '@/contract/inputs/sales/copySale'
import { present } from '@/core/present'
import { toDecimalString, money } from '@/core/money'
import { findCustomer } from '@/data/queries/customers'
import { defineCommand, type Work } from '../command'
import type { LineInput } from '@/contract/lines'
import { found } from '@/contract/refuse'
import { fillLines } from './fillLines'
import { refreshSale } from './refreshSale'
import { answerSale, takeSale, type LockedSale } from './saleWork'
import { writeSale } from './startSale'
import type { Day } from '@/core/day'
import { listSaleLines, type SaleLineRow } from '@/data/queries/saleLine'

/**
 * A line of one sale as it would be typed on another. Goods take today's price unless `keepPrices`. What stands on a sale is not held
 * against what may be typed: a price with its tax may have more digits than one without. What was exempt by its customer's standing
 * is not by its own: the standing of the copy's day decides.
 */
const asTyped = (
  l: SaleLineRow,
  { currency, keepPrices, byStanding }: { currency: string; keepPrices: boolean; byStanding: readonly number[] },
): LineInput => ({
  ...(l.kind === 'heading' || l.kind === 'text' ? { kind: l.kind } : { quantity: l.quantity }),
  ...(l.goodsId === null ? {} : { goodsId: l.goodsId }),
  description: l.description,
  note: l.note,
  ...(keepPrices || l.goodsId === null || l.priceFrom === 'typed' ? { unitPrice: l.unitPrice } : {}),
  discountPercent: l.discountPercent,
  discountAmount: toDecimalString(money(l.discountAmount, currency)),
  ...(byStanding.includes(l.taxCodeId) ? {} : { taxCode: l.taxCode }),
  choice: l.choice,
  choiceGroup: l.choiceGroup,
  chosen: l.chosen,
  deliverTo: l.deliverTo,
})

/** Writes a new draft that holds what another sale holds: lines, notes, addresses, arrangement. */
export const writeCopy = async (
  w: Work,
  { sale }: Pick<LockedSale, 'sale'>,
  wish: { readonly on: Day; readonly keepPrices: boolean },
): Promise<number> => {
  const customer = present(await findCustomer(w.tx, sale.customerId, w.currency))
  const lines = (await listSaleLines(w.tx, [sale.id])).filter(
    (l) => l.quantity.gt(0) || l.kind === 'heading' || l.kind === 'text',
  )
  const exempt = customer.taxExempt || customer.exemptNumber !== '' ? await w.taxCodes() : []
  const byStanding = exempt.filter((c) => c.treatment === 'exempt').map((c) => c.id)
  const { saleId } = await writeSale(w, {
    customer,
    on: wish.on,
    lines: await fillLines(
      w,
      lines.map((l) => asTyped(l, { currency: w.currency, keepPrices: wish.keepPrices, byStanding })),
      { customer, on: wish.on, pricesIncludeTax: sale.pricesIncludeTax, deliverTo: sale.deliverTo },
    ),
    title: sale.title,
    // What the owner writes again was not ordered online.
    channel: sale.channel === 'shopfront' ? 'phone' : sale.channel,
    kind: sale.kind,
    note: sale.note,
    noteAbove: sale.noteAbove,
    discountPercent: sale.discountPercent,
    discountAmount: sale.discountAmount.minor,
    rolledUp: sale.rolledUp,
    billTo: sale.billTo,
    deliverTo: sale.deliverTo,
    deliverNote: sale.deliverNote,
    pricesIncludeTax: sale.pricesIncludeTax,
    copiedFromId: sale.id,
    wantedBy: null,
    arrangement: sale.arrangement,
    agreedOn: null,
  })
  await refreshSale(w, saleId)
  return saleId
}

/** Copies a sale to a new draft. What costs something else today is priced anew, unless its prices are kept. */
export const copySale = defineCommand('copy-sale', copySaleInput, async (w, { saleId, on: given, keepPrices }) => {
  const locked = await takeSale(w, saleId)
  found(locked.sale, 'sale', saleId)
  return answerSale(w, await writeCopy(w, locked, { on: given ?? w.today, keepPrices }))
})
