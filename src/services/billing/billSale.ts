import { billSaleInput } from '@/contract/inputs/billing/billSale'
import { present } from '@/core/present'
import type { z } from 'zod'
import { planBilling, type BillWish } from '@/core/sale'
import { findCustomer } from '@/data/queries/customers'
import { insertInvoice } from '@/data/queries/invoices'
import { defineCommand, draftDay, paperDay, type Work } from '../command'
import type { lines as newLines } from '@/contract/lines'
import { readArrangement } from '@/contract/arrangement'
import { refuse } from '@/contract/refuse'
import { fillLines } from '../sales/fillLines'
import { keepVersion } from '../sales/keepVersion'
import { refreshSale } from '../sales/refreshSale'
import { mustBeAgreed, takeSale, type LockedSale } from '../sales/saleWork'
import { lineRow } from '../sales/startSale'
import { draftBill } from './draftBill'
import { issueBill } from './issueBill'
import { insertSaleLines } from '@/data/queries/saleLine'
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

const addCharges = async (w: Work, locked: LockedSale, charges: z.output<typeof newLines>): Promise<number[]> => {
  const customer = present(await findCustomer(w.tx, locked.sale.customerId, w.currency))
  const filled = (
    await fillLines(w, charges, { customer, on: w.today, pricesIncludeTax: locked.sale.pricesIncludeTax })
  ).map((l) => (l.goodsId === null ? { ...l, kind: 'charge' as const } : l))
  const ids = await insertSaleLines(
    w.tx,
    filled.map((l, i) => lineRow(locked.sale.id, locked.lines.length + i, l, true)),
  )
  await keepVersion(w, await refreshSale(w, locked.sale.id), { kind: 'changed', on: w.today })
  return ids
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
    const chargeIds = charges && charges.length > 0 ? await addCharges(w, locked, charges) : []
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
