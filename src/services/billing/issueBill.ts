import { present } from '@/core/present'
import { addDays, type Day } from '@/core/day'
import {
  addMoney,
  HUNDRED,
  isPositiveMoney,
  multiplyMoney,
  shareInTurn,
  smallerMoney,
  subtractMoney,
  sumMoney,
  type Money,
} from '@/core/money'
import { postInvoice, type TaxPosting } from '@/core/ledger'
import { fillOldest } from '@/core/receipt'
import { findInvoice, listInvoicesOfSales, markIssued, type InvoiceRow } from '@/data/queries/invoices'
import { takeNumber } from '@/data/queries/numbers'
import { findCustomer } from '@/data/queries/customers'
import type { Work } from '../command'
import { readArrangement, type Arrangement } from '@/contract/arrangement'
import { heldOn } from '../money/heldOn'
import { putHeldOn } from '../money/useHeld'
import { evenly, termsDays } from '@/core/plan'
import { asPostings } from '../money/taxWork'
import { billedGross } from './draftBill'
import { totalsNow } from './rateShift'
import { startPlan } from '../plans/startPlan'
import type { LockedSale } from '../sales/saleWork'
import { insertDues, listDuesOfInvoice } from '@/data/queries/due'
import { listHeldMoves } from '@/data/queries/held'
import { addToLines, listSaleLines } from '@/data/queries/saleLine'
import { saysNow } from '@/model/paper/issuedSays'
import { offered } from '@/model/receipt/offered'

/** The tax lines of an invoice as postings: each component on its own account. */
export const taxPostings = (w: Work, invoice: Pick<InvoiceRow, 'taxes'>): Promise<TaxPosting[]> =>
  asPostings(
    w,
    invoice.taxes.flatMap((t) => (t.componentId === null ? [] : [{ ...t, componentId: t.componentId }])),
  )

/**
 * Issues a priced draft: number, entry, dues by the sale's arrangement, and the sale's held money put on it. After this the
 * paper never changes. The caller holds the sale and has checked that the quantities may be billed.
 */
export const issueBill = async (w: Work, locked: LockedSale, invoiceId: number, on: Day): Promise<void> => {
  const invoice = present(await findInvoice(w.tx, invoiceId, w.currency))
  const { sale } = locked
  const number = await takeNumber(w.tx, 'invoice', on)
  const source = { kind: 'invoice', id: invoiceId, saleId: sale.id, customerId: sale.customerId }
  const posting = {
    on,
    text: `Invoice ${number}, ${sale.customerName}`,
    lines: invoice.lines,
    taxes: await taxPostings(w, invoice),
  }
  const entry = postInvoice(posting, w.currency)
  // A bill of nothing (all at no charge) has no entry of its own to post; it still has a number and a paper.
  const entryId = entry.lines.length > 0 ? await w.post(entry, source) : null
  const says = await saysNow({ db: w.tx, business: w.business }, { invoice, ...locked, codes: await w.taxCodes() })
  await markIssued(w.tx, invoiceId, { number, entryId, onDay: on, says })
  await addToLines(
    w.tx,
    invoice.lines.map((l) => ({ lineId: l.saleLineId, by: { billed: l.quantity } })),
  )
  if (!isPositiveMoney(invoice.gross)) return
  await writeDues(w, locked, { invoiceId, gross: invoice.gross, on })
  await putHeldOnBill(w, locked, { invoiceId, number, on, gross: invoice.gross })
}

/** The dues of a bill as the sale's arrangement makes them. */
const writeDues = async (
  w: Work,
  locked: LockedSale,
  bill: { readonly invoiceId: number; readonly gross: Money; readonly on: Day },
): Promise<void> => {
  const { sale } = locked
  const arrangement = readArrangement(sale.arrangement)
  if (arrangement.kind === 'installments') {
    const before = await billedBefore(w, sale.id, bill.invoiceId)
    return startPlan(w, locked, arrangement, { ...bill, before, ...(await wholesOf(w, locked)) })
  }
  const dues = await duesOf(w, arrangement, locked, bill)
  await insertDues(
    w.tx,
    dues.map((d, i) => ({
      invoiceId: bill.invoiceId,
      saleId: sale.id,
      customerId: sale.customerId,
      issuedOn: bill.on,
      dueOn: d.dueOn,
      amount: d.amount.minor,
      label: dues.length > 1 ? `part ${i + 1} of ${dues.length}` : '',
      discount: d.discount?.amount.minor ?? 0n,
      discountUntil: d.discount?.until,
    })),
  )
}

/** What other bills of the sale came to, less what was credited to be billed again. */
const billedBefore = async (w: Work, saleId: number, invoiceId: number): Promise<Money> =>
  billedGross(
    (await listInvoicesOfSales(w.tx, [saleId], w.currency)).filter((i) => i.status === 'issued' && i.id !== invoiceId),
    w.currency,
  )

/** What the whole sale comes to with tax, with this bill and before it: a bill at other tax rates moves it. */
const wholesOf = async (
  w: Work,
  { sale }: LockedSale,
): Promise<{ readonly whole: Money; readonly wholeBefore: Money }> => {
  const { totals, rateShift } = await totalsNow(w, sale, await listSaleLines(w.tx, [sale.id]))
  return {
    whole: totals.gross,
    wholeBefore: addMoney(subtractMoney(totals.gross, rateShift), sale.rateShift),
  }
}

interface NewDue {
  readonly dueOn: Day
  readonly amount: Money
  /** For paying all the rest through a day. */
  readonly discount?: { readonly amount: Money; readonly until: Day }
}

const duesOf = async (
  w: Work,
  arrangement: Exclude<Arrangement, { kind: 'installments' }>,
  { sale }: LockedSale,
  bill: { readonly gross: Money; readonly on: Day },
): Promise<NewDue[]> => {
  switch (arrangement.kind) {
    case 'terms': {
      const days = termsDays(arrangement, bill.on)
      const parts = evenly(bill.gross, days.length)
      const { discountPercent, discountDays } = arrangement
      const discount =
        discountPercent && discountDays !== undefined
          ? { amount: multiplyMoney(bill.gross, discountPercent.div(HUNDRED)), until: addDays(bill.on, discountDays) }
          : undefined
      return days.map((dueOn, i) => ({ dueOn, amount: present(parts[i]), ...(discount ? { discount } : {}) }))
    }
    case 'deposit': {
      const customer = present(await findCustomer(w.tx, sale.customerId, w.currency))
      return [{ dueOn: addDays(bill.on, customer.terms.net), amount: bill.gross }]
    }
    case 'now':
    case 'layaway':
      return [{ dueOn: bill.on, amount: bill.gross }]
  }
}

interface BillToPay {
  readonly invoiceId: number
  readonly number: string
  readonly on: Day
  readonly gross: Money
}

/** Puts the sale's held money on a bill: as much as possible, or in proportion to the part billed. */
const putHeldOnBill = async (w: Work, locked: LockedSale, bill: BillToPay): Promise<void> => {
  const { sale } = locked
  const place = { customerId: sale.customerId, saleId: sale.id }
  const held = await heldOn(w, place, bill.on)
  if (!isPositiveMoney(held.free)) return
  const dues = (await listDuesOfInvoice(w.tx, bill.invoiceId, w.currency)).filter((d) => d.issuedOn <= bill.on)
  const use = await heldForBill(w, locked, bill, held.free)
  const { dues: filled } = fillOldest({ dues: offered(dues, bill.on), deposits: [] }, use)
  if (filled.length === 0) return
  await putHeldOn(w, {
    place,
    on: bill.on,
    dues,
    filled,
    text: `Held money put on invoice ${bill.number}, ${sale.customerName}`,
    source: { kind: 'invoice', id: bill.invoiceId },
    bill: { id: bill.invoiceId, gross: bill.gross },
  })
}

/** How much of the held money a bill takes: all there is, or its share of what ever came, the last bill what is left. */
const heldForBill = async (w: Work, locked: LockedSale, bill: BillToPay, free: Money): Promise<Money> => {
  const { sale } = locked
  const arrangement = readArrangement(sale.arrangement)
  if (arrangement.kind !== 'deposit' || arrangement.apply !== 'in-proportion') return free
  const lines = await listSaleLines(w.tx, [sale.id])
  const { whole, wholeBefore } = await wholesOf(w, locked)
  if (!isPositiveMoney(whole) || lines.every((l) => l.agreed.minus(l.billed).plus(l.toRebill).lte(0))) return free
  const moves = await listHeldMoves(w.tx, { saleIds: [sale.id] }, w.currency)
  const ever = sumMoney(
    moves.filter((m) => m.why !== 'invoice').map((m) => m.amount),
    w.currency,
  )
  const before = await billedBefore(w, sale.id, bill.invoiceId)
  return smallerMoney(free, shareInTurn(ever, { whole, wholeBefore, before, part: bill.gross }))
}
