import { billSaleInput } from '@/contract/inputs/billing/billSale'
import { present } from '@/core/present'
import { planBilling, type BillWish } from '@/core/sale'
import { insertInvoice } from '@/data/queries/invoices'
import { defineCommand, draftDay, paperDay } from '../command'
import { readArrangement } from '@/contract/arrangement'
import { refuse } from '@/contract/refuse'
import { addCharges } from '../sales/addCharges'
import { refreshSale } from '../sales/refreshSale'
import { mustBeAgreed, takeSale, type LockedSale } from '../sales/saleWork'
import { draftBill } from './draftBill'
import { issueBill } from './issueBill'
import { invoiceView } from '@/model/invoice/invoiceView'

/** Turns the owner's wish into lines and quantities, or says why not. */
export const planBill = (locked: LockedSale, wish: BillWish) => {
  const planned = planBilling(locked.lines, wish)
  if (planned.ok) return planned.value
  const e = planned.error
  const nameOf = (lineId: number): string => locked.lines.find((l) => l.id === lineId)?.description ?? ''
  return e.code === 'unknown-line'
    ? refuse({ code: 'not-found', what: 'line', id: e.lineId })
    : refuse(e.code === 'nothing-to-bill' ? e : { code: e.code, line: nameOf(e.lineId), left: e.left, asked: e.asked })
}

/** Bills a sale: what was handed over, what remains, a percentage, or chosen quantities; as a draft or issued at once. */
export const billSale = defineCommand(
  'bill-sale',
  billSaleInput,
  async (w, { saleId, on: given, what, charges, issue }) => {
    let locked = await takeSale(w, saleId)
    mustBeAgreed(locked)
    if (readArrangement(locked.sale.arrangement).kind === 'layaway') refuse({ code: 'layaway-billed-at-handover' })
    const onDay = issue ? paperDay(w, given) : draftDay(w, given)
    const chargeIds = charges && charges.length > 0 ? await addCharges(w, locked, charges, { on: onDay }) : []
    const before = locked
    if (chargeIds.length > 0) locked = await takeSale(w, saleId)
    const extra = chargeIds.map((lineId) => ({
      lineId,
      quantity: present(locked.lines.find((l) => l.id === lineId)).agreed,
    }))
    const parts = [...planBillWith(before, what, extra.length > 0), ...extra]
    const invoiceId = await insertInvoice(w.tx, await draftBill(w, locked, parts, { kind: 'invoice', on: onDay }))
    if (issue) await issueBill(w, await takeSale(w, saleId), invoiceId, onDay)
    await refreshSale(w, saleId)
    return { id: invoiceId, answer: () => invoiceView(w, invoiceId) }
  },
)

/** A bill may be of charges alone when nothing else is left. */
const planBillWith = (locked: LockedSale, wish: BillWish, hasCharges: boolean) => {
  const planned = planBilling(locked.lines, wish)
  return !planned.ok && planned.error.code === 'nothing-to-bill' && hasCharges ? [] : planBill(locked, wish)
}
