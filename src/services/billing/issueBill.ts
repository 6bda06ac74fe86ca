import { addDays, type Day } from '@/core/day'
import {
  decimal,
  isPositiveMoney,
  largerMoney,
  money,
  multiplyMoney,
  smallerMoney,
  splitMoney,
  subtractMoney,
  sumMoney,
  toDecimal,
  toDecimalString,
  zeroMoney,
  type Money,
} from '@/core/money'
import { postHeldUse, postInvoice } from '@/core/ledger'
import { findInvoice, markIssued, type InvoiceRow } from '@/data/queries/invoices'
import {
  insertDues,
  insertFills,
  insertHeldMoves,
  listDuesOfInvoice,
  listHeldMoves,
  lockHeld,
} from '@/data/queries/money'
import { takeNumber } from '@/data/queries/numbers'
import { addToLines } from '@/data/queries/sales'
import { findCustomer } from '@/data/queries/customers'
import type { Work } from '../command'
import { readArrangement, type Arrangement } from '../input/arrangement'
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
  const dues = await duesOf(w, readArrangement(sale.arrangement), locked, { gross: invoice.gross, on })
  const dueIds = await insertDues(
    w.tx,
    dues.map((d) => ({
      invoiceId,
      saleId: sale.id,
      customerId: sale.customerId,
      issuedOn: on,
      dueOn: d.dueOn,
      amount: d.amount.minor,
    })),
  )
  await putHeldOnBill(w, locked, {
    invoiceId,
    number,
    on,
    gross: invoice.gross,
    dues: dues.map((d, i) => ({ id: dueIds[i]!, open: d.amount })),
  })
}

const duesOf = async (
  w: Work,
  arrangement: Arrangement,
  { sale }: LockedSale,
  bill: { gross: Money; on: Day },
): Promise<{ dueOn: Day; amount: Money }[]> => {
  switch (arrangement.kind) {
    case 'terms':
      return [{ dueOn: addDays(bill.on, arrangement.net), amount: bill.gross }]
    case 'deposit': {
      const customer = await findCustomer(w.tx, sale.customerId, w.currency)
      return [{ dueOn: addDays(bill.on, customer!.terms.net), amount: bill.gross }]
    }
    case 'now':
    case 'layaway':
    case 'installments':
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
  const held = await lockHeld(w.tx, { customerId: sale.customerId, saleId: sale.id }, w.currency)
  const whole = sumMoney(
    held.map((h) => h.amount),
    w.currency,
  )
  const use = smallerMoney(await heldForBill(w, locked, bill, whole), bill.gross)
  if (!isPositiveMoney(use)) return
  const shares = splitMoney(
    use,
    held.map((h) => decimal(h.amount.minor)),
  )
  const uses = held
    .map((h, i) => ({ kind: h.kind, amount: shares[i]! }))
    .filter((h) => isPositiveMoney(h.amount))
  const entry = postHeldUse({
    on: bill.on,
    text: `Held money put on invoice ${bill.number}, ${sale.customerName}`,
    held: uses,
  })
  const entryId = await w.post(entry, {
    kind: 'invoice',
    id: bill.invoiceId,
    saleId: sale.id,
    customerId: sale.customerId,
  })
  await insertHeldMoves(
    w.tx,
    uses.map((h) => ({
      customerId: sale.customerId,
      saleId: sale.id,
      kind: h.kind,
      onDay: bill.on,
      amount: -h.amount.minor,
      why: 'invoice' as const,
      invoiceId: bill.invoiceId,
      entryId,
    })),
  )
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
  if (sale.total.minor <= 0n) return whole
  return smallerMoney(whole, multiplyMoney(ever, toDecimal(bill.gross).div(toDecimal(sale.total))))
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
      amount: toDecimalString(d.amount),
      open: toDecimalString(d.open),
    })),
  }
}
