import { renderToBuffer } from '@react-pdf/renderer'
import { formatDay, yearStart, type Day } from '@/core/day'
import { formatPrice, formatMoney, isPositiveMoney, subtractMoney } from '@/core/money'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { findCustomer, listAddresses } from '@/data/queries/customers'
import { findInvoice } from '@/data/queries/invoices'
import { findReceipt, listDuesOfInvoice, listHeldMoves } from '@/data/queries/money'
import { listTaxCodes } from '@/data/queries/taxCodes'
import { readWhatItPaid } from '@/services/read/receipt'
import { readStatement } from '@/services/read/statement'
import { readStories } from '@/services/read/stories'
import { registerFonts } from './fonts'
import { ReceiptPaper } from './ReceiptPaper'
import { SalesPaper, type Paper } from './SalesPaper'

const render = async (paper: Paper): Promise<Buffer> => {
  registerFonts()
  return renderToBuffer(<SalesPaper paper={paper} />)
}

const addressOf = async (db: Db, customerId: number): Promise<string> => {
  const all = (await listAddresses(db, customerId)).filter((a) => a.kind === 'bill-to')
  return (all.find((a) => a.isDefault) ?? all[0])?.text ?? ''
}

type TaxRow = {
  readonly taxCodeId: number
  readonly componentId: number | null
  readonly amount: { minor: bigint; currency: string }
}

const taxSums = async (db: Db, taxes: readonly TaxRow[]) => {
  const codes = await listTaxCodes(db)
  return taxes.map((t) => {
    const code = codes.find((c) => c.id === t.taxCodeId)!
    const component = code.components.find((k) => k.id === t.componentId)
    return {
      name: component
        ? `${code.name}: ${component.name} ${component.rate.times(100).toString()} %`
        : code.name,
      amount: formatMoney(t.amount),
    }
  })
}

/** The estimate of a sale, or its order confirmation once it is agreed. */
export const makeEstimate = async (
  db: Db,
  saleId: number,
  business: Business,
  today: Day,
): Promise<Buffer | null> => {
  const [story] = await readStories(db, [saleId], business, today)
  if (!story) return null
  const { sale, totals } = story
  const agreed = sale.agreedOn
  return render({
    name: agreed ? 'Order confirmation' : 'Estimate',
    number: String(sale.number),
    business,
    to: { name: sale.customerName, address: await addressOf(db, sale.customerId) },
    facts: [
      ['Date', formatDay(agreed ?? sale.sentOn ?? sale.startedOn)],
      ...(!agreed && sale.validUntil ? [['Good through', formatDay(sale.validUntil)] as const] : []),
      ...(sale.purchaseOrder ? [['Your order', sale.purchaseOrder] as const] : []),
      ...(sale.wantedBy ? [['Wanted by', formatDay(sale.wantedBy)] as const] : []),
    ],
    lines: story.lines
      .map((l, i) => ({ l, amounts: totals.lines[i]!, quantity: agreed ? l.agreed : l.quantity }))
      .filter(({ quantity }) => quantity.gt(0))
      .map(({ l, amounts, quantity }) => ({
        what: l.description,
        note: l.note,
        quantity: quantity.toString(),
        each: formatPrice(l.unitPrice, business.currency),
        less: l.discountPercent.gt(0) ? `${l.discountPercent.toString()} %` : '',
        sum: formatMoney(sale.pricesIncludeTax ? amounts.gross : amounts.net),
      })),
    sums: [
      { name: 'net', amount: formatMoney(totals.net) },
      ...(await taxSums(
        db,
        totals.taxes.flatMap((t) =>
          t.components.map((c) => ({ taxCodeId: t.taxCodeId, componentId: c.componentId, amount: c.amount })),
        ),
      )),
      { name: `total, ${business.currency}`, amount: formatMoney(totals.gross), total: true },
    ],
    note: sale.note,
  })
}

const INVOICE_NAME = {
  invoice: 'Invoice',
  counter: 'Invoice and receipt',
  'credit-note': 'Credit note',
} as const

/** An invoice, invoice-receipt or credit note as it is issued. A draft says so. */
export const makeInvoice = async (db: Db, invoiceId: number, business: Business): Promise<Buffer | null> => {
  const { currency } = business
  const invoice = await findInvoice(db, invoiceId, currency)
  if (!invoice) return null
  const [dues, moves] = await Promise.all([
    listDuesOfInvoice(db, invoice.id, currency),
    listHeldMoves(db, { saleIds: [invoice.saleId] }, currency),
  ])
  const held = moves
    .filter((m) => m.invoiceId === invoice.id && m.why === 'invoice')
    .reduce((sum, m) => sum - m.amount.minor, 0n)
  const credited = invoice.creditsId === null ? null : await findInvoice(db, invoice.creditsId, currency)
  return render({
    name: invoice.status === 'draft' ? 'Draft of an invoice' : INVOICE_NAME[invoice.kind],
    number: invoice.number ?? 'not issued',
    business,
    to: { name: invoice.customerName, address: await addressOf(db, invoice.customerId) },
    facts: [
      ['Date', formatDay(invoice.on)],
      ...dues.map(
        (d) =>
          [
            'Due',
            dues.length > 1 ? `${formatDay(d.dueOn)}: ${formatMoney(d.amount)}` : formatDay(d.dueOn),
          ] as const,
      ),
      ...(credited ? [['Credits', `invoice ${credited.number}`] as const] : []),
    ],
    lines: invoice.lines.map((l) => ({
      what: l.description,
      note: l.note,
      quantity: l.quantity.isZero() ? '' : l.quantity.toString(),
      each: l.quantity.isZero() ? '' : formatPrice(l.unitPrice, currency),
      less: l.discountPercent.gt(0) ? `${l.discountPercent.toString()} %` : '',
      sum: formatMoney(l.net),
    })),
    sums: [
      { name: 'net', amount: formatMoney(invoice.net) },
      ...(await taxSums(db, invoice.taxes)),
      { name: `total, ${currency}`, amount: formatMoney(invoice.gross), total: true },
      ...(held > 0n
        ? [
            { name: 'received before', amount: formatMoney({ minor: -held, currency }) },
            {
              name: 'to pay',
              amount: formatMoney({ minor: invoice.gross.minor - held, currency }),
              total: true,
            },
          ]
        : []),
    ],
    note: invoice.reason,
  })
}

/** A receipt on paper, or as a narrow slip. */
export const makeReceipt = async (
  db: Db,
  receiptId: number,
  business: Business,
  narrow: boolean,
): Promise<Buffer | null> => {
  const { currency } = business
  const receipt = await findReceipt(db, receiptId, currency)
  if (!receipt) return null
  const invoice = receipt.invoiceId === null ? null : await findInvoice(db, receipt.invoiceId, currency)
  const change = subtractMoney(receipt.tendered, receipt.amount)
  registerFonts()
  return renderToBuffer(
    <ReceiptPaper
      narrow={narrow}
      receipt={{
        number: receipt.number,
        business,
        from: receipt.customerName,
        on: formatDay(receipt.on),
        how: receipt.method,
        lines: invoice
          ? invoice.lines.map((l) => ({
              what: `${l.quantity.toString()} × ${l.description}`,
              amount: formatMoney(l.net),
            }))
          : (await readWhatItPaid(db, receipt, currency)).map((p) => ({
              what: p.what,
              amount: formatMoney(p.amount),
            })),
        sums: [
          ...(invoice
            ? [{ name: 'net', amount: formatMoney(invoice.net) }, ...(await taxSums(db, invoice.taxes))]
            : []),
          ...(isPositiveMoney(change)
            ? [
                { name: 'given', amount: formatMoney(receipt.tendered) },
                { name: 'change', amount: formatMoney(change) },
              ]
            : []),
        ],
        amount: `${formatMoney(receipt.amount)} ${currency}`,
        voided: receipt.voidedOn ? `Voided on ${formatDay(receipt.voidedOn)}` : '',
      }}
    />,
  )
}

/** A customer's statement of this year: what was owed, what happened, what is owed. */
export const makeStatement = async (
  db: Db,
  customerId: number,
  business: Business,
  today: Day,
): Promise<Buffer | null> => {
  const s = await readStatement(db, customerId, { from: yearStart(today), to: today }, business)
  if (!s) return null
  const customer = (await findCustomer(db, customerId, business.currency))!
  return render({
    name: 'Statement',
    number: formatDay(today),
    business,
    to: { name: customer.name, address: await addressOf(db, customerId) },
    facts: [
      ['From', formatDay(s.from)],
      ['Through', formatDay(s.to)],
      ['Owed before', formatMoney(s.opening)],
    ],
    lines: s.lines.map((l) => ({
      what: l.text,
      note: formatDay(l.on),
      quantity: '',
      each: '',
      less: formatMoney(l.owes),
      sum: formatMoney(l.balance),
    })),
    sums: [{ name: `owed, ${business.currency}`, amount: formatMoney(s.closing), total: true }],
    note: '',
    columns: { less: 'Change', sum: 'Owed' },
  })
}
