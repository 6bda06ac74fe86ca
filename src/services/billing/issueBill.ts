import { addDays, type Day } from '@/core/day'
import {
  HUNDRED,
  isPositiveMoney,
  largerMoney,
  money,
  multiplyMoney,
  smallerMoney,
  subtractMoney,
  sumMoney,
  toDecimal,
  toDecimalString,
  zeroMoney,
  type Money,
} from '@/core/money'
import { postHeldUse, postInvoice } from '@/core/ledger'
import { findInvoice, markIssued, type InvoiceRow } from '@/data/queries/invoices'
import { insertDues, insertFills, listDuesOfInvoice, listHeldMoves } from '@/data/queries/money'
import { takeNumber } from '@/data/queries/numbers'
import { addToLines } from '@/data/queries/sales'
import { findCustomer } from '@/data/queries/customers'
import type { Work } from '../command'
import { readArrangement, type Arrangement } from '../input/arrangement'
import { leaveHeld, noteLeft, sumHeldAt } from '../money/heldWork'
import { asPostings } from '../money/taxWork'
import { evenly, termsDays } from '../plans/planTerms'
import { totalsOf } from '../read/stories'
import { startPlan } from '../plans/startPlan'
import type { LockedSale } from '../sales/saleWork'

/** The tax lines of an invoice as postings: each component on its own account. */
export const taxPostings = async (w: Work, invoice: Pick<InvoiceRow, 'taxes'>) => {
  const codes = await w.taxCodes()
  return invoice.taxes
    .filter((t) => t.componentId !== null)
    .map((t) => ({
      accountId: codes.find((c) => c.id === t.taxCodeId)!.accountOf.get(t.componentId!)!,
      amount: t.amount,
    }))
}

/**
 * Issues a priced draft: number, entry, dues by the sale's arrangement, and the sale's held money put on it. After this the
 * paper never changes. The caller holds the sale and has checked that the quantities may be billed.
 */
export const issueBill = async (w: Work, locked: LockedSale, invoiceId: number, on: Day): Promise<void> => {
  const invoice = (await findInvoice(w.tx, invoiceId, w.currency))!
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
  await markIssued(w.tx, invoiceId, { number, entryId: entryId!, onDay: on })
  await addToLines(
    w.tx,
    invoice.lines.map((l) => ({ lineId: l.saleLineId, by: { billed: l.quantity } })),
  )
  if (!isPositiveMoney(invoice.gross)) return
  const dues = await writeDues(w, locked, { invoiceId, gross: invoice.gross, on })
  await putHeldOnBill(w, locked, { invoiceId, number, on, gross: invoice.gross, dues })
}

/** The dues of a bill as the sale's arrangement makes them. Answers them with what is open. */
const writeDues = async (
  w: Work,
  locked: LockedSale,
  bill: { readonly invoiceId: number; readonly gross: Money; readonly on: Day },
): Promise<{ id: number; open: Money }[]> => {
  const { sale } = locked
  const arrangement = readArrangement(sale.arrangement)
  if (arrangement.kind === 'installments')
    return startPlan(w, locked, arrangement, { ...bill, whole: await wholeOf(w, locked) })
  const dues = await duesOf(w, arrangement, locked, bill)
  const ids = await insertDues(
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
  return ids.map((id, i) => ({ id, open: dues[i]!.amount }))
}

/** What the whole sale comes to with tax, as agreed. */
const wholeOf = async (w: Work, { sale, lines }: LockedSale): Promise<Money> =>
  totalsOf(sale, lines, await w.taxCodes(), w.business).gross

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
      const discount = discountPercent && discountDays !== undefined
        ? { amount: multiplyMoney(bill.gross, discountPercent.div(HUNDRED)), until: addDays(bill.on, discountDays) }
        : undefined // prettier-ignore
      return days.map((dueOn, i) => ({ dueOn, amount: parts[i]!, ...(discount ? { discount } : {}) }))
    }
    case 'deposit': {
      const customer = await findCustomer(w.tx, sale.customerId, w.currency)
      return [{ dueOn: addDays(bill.on, customer!.terms.net), amount: bill.gross }]
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
  readonly dues: readonly { readonly id: number; readonly open: Money }[]
}

/** Puts the sale's held money on a bill: as much as possible, or in proportion to the part billed. */
const putHeldOnBill = async (w: Work, locked: LockedSale, bill: BillToPay): Promise<void> => {
  const { sale } = locked
  const place = { customerId: sale.customerId, saleId: sale.id }
  const toPay = sumMoney(bill.dues.map((d) => d.open), w.currency) // prettier-ignore
  const use = smallerMoney(await heldForBill(w, locked, bill, await sumHeldAt(w, place)), toPay)
  if (!isPositiveMoney(use)) return
  const leaving = await leaveHeld(w, place, use)
  const entry = postHeldUse({
    on: bill.on,
    text: `Held money put on invoice ${bill.number}, ${sale.customerName}`,
    held: leaving.parts,
    taxAhead: await asPostings(w, leaving.tax),
  })
  const entryId = await w.post(entry, { kind: 'invoice', id: bill.invoiceId, ...place })
  await noteLeft(w, place, leaving, { onDay: bill.on, why: 'invoice', invoiceId: bill.invoiceId, entryId })
  let left = use
  const fills: { dueId: number; onDay: Day; amount: bigint; kind: 'held'; entryId: number }[] = []
  for (const due of bill.dues) {
    const part = smallerMoney(left, due.open)
    if (isPositiveMoney(part))
      fills.push({ dueId: due.id, onDay: bill.on, amount: part.minor, kind: 'held', entryId })
    left = subtractMoney(left, part)
  }
  await insertFills(w.tx, fills)
}

const heldForBill = async (
  w: Work,
  { sale, lines }: LockedSale,
  bill: BillToPay,
  whole: Money,
): Promise<Money> => {
  const arrangement = readArrangement(sale.arrangement)
  const lastBill = lines.every((l) => l.agreed.minus(l.billed).plus(l.toRebill).lte(0))
  if (arrangement.kind !== 'deposit' || arrangement.apply !== 'in-proportion' || lastBill) return whole
  const moves = await listHeldMoves(w.tx, { saleIds: [sale.id] }, w.currency)
  const ever = sumMoney(
    moves.filter((m) => m.why !== 'invoice').map((m) => m.amount),
    w.currency,
  )
  const total = await wholeOf(w, { sale, lines })
  if (!isPositiveMoney(total)) return whole
  return smallerMoney(whole, multiplyMoney(ever, toDecimal(bill.gross).div(toDecimal(total))))
}

/** An invoice as the HTTP interface answers it. */
export const invoiceView = async (w: Pick<Work, 'tx' | 'currency'>, invoiceId: number) => {
  const invoice = (await findInvoice(w.tx, invoiceId, w.currency))!
  const dues = invoice.status === 'issued' ? await listDuesOfInvoice(w.tx, invoiceId, w.currency) : []
  const moves =
    invoice.status === 'issued' ? await listHeldMoves(w.tx, { saleIds: [invoice.saleId] }, w.currency) : []
  const applied = sumMoney(
    moves
      .filter((m) => m.invoiceId === invoiceId && m.why === 'invoice')
      .map((m) => money(-m.amount.minor, w.currency)),
    w.currency,
  )
  const open =
    invoice.status === 'draft'
      ? invoice.gross
      : largerMoney(
          sumMoney(
            dues.map((d) => d.open),
            w.currency,
          ),
          zeroMoney(w.currency),
        )
  return {
    id: invoice.id,
    number: invoice.number,
    kind: invoice.kind,
    status: invoice.status,
    saleId: invoice.saleId,
    customerId: invoice.customerId,
    on: invoice.on,
    reason: invoice.reason,
    creditsId: invoice.creditsId,
    lines: invoice.lines.map((l) => ({
      id: l.id,
      lineId: l.saleLineId,
      description: l.description,
      quantity: l.quantity.toString(),
      unitPrice: l.unitPrice.toString(),
      discountPercent: l.discountPercent.toString(),
      net: toDecimalString(l.net),
      tax: toDecimalString(l.tax),
    })),
    totals: {
      net: toDecimalString(invoice.net),
      tax: toDecimalString(invoice.tax),
      gross: toDecimalString(invoice.gross),
    },
    heldApplied: toDecimalString(applied),
    open: toDecimalString(open),
    dues: dues.map((d) => ({
      id: d.id,
      due: d.dueOn,
      label: d.label,
      ...(isPositiveMoney(d.discount)
        ? { discount: toDecimalString(d.discount), discountUntil: d.discountUntil }
        : {}),
      amount: toDecimalString(d.amount),
      open: toDecimalString(d.open),
    })),
  }
}
