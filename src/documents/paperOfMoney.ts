import { present } from '@/core/present'
import { formatDay, yearStart } from '@/core/day'
import { paperWords } from '@/core/formats'
import { formatMoney, formatPrice, isPositiveMoney, sumMoney, negateMoney, subtractMoney } from '@/core/money'
import { findCustomer, listAddresses } from '@/data/queries/customers'
import { findInvoice } from '@/data/queries/invoices'
import { findSales } from '@/data/queries/sales'
import { showInvoiceLine } from '@/model/invoice/invoiceLines'
import { readWhatItPaid } from '@/model/receipt/receipt'
import { readStatement } from '@/model/receivables/statement'
import type { Asked, Paper } from './paper'
import { saleRows, type Standing } from './saleRows'
import { taxSums } from './taxSums'
import { changeOf } from '@/model/receipt/changeOf'
import { listDuesOfInvoice, listOpenDues } from '@/data/queries/due'
import { listHeldMoves } from '@/data/queries/held'
import { findReceipt } from '@/data/queries/receipt'
import { listSaleLines } from '@/data/queries/saleLine'

const billTo = async ({ db }: Asked, customerId: number): Promise<string> => {
  const all = (await listAddresses(db, customerId)).filter((a) => a.kind === 'bill-to')
  return (all.find((a) => a.isDefault) ?? all[0])?.text ?? ''
}

/** An invoice, invoice-receipt or credit note as it is issued. A draft says so. */
export const paperOfInvoice = async (asked: Asked, invoiceId: number): Promise<Paper | null> => {
  const { db, business } = asked
  const { currency } = business
  const invoice = await findInvoice(db, invoiceId, currency)
  if (!invoice) return null
  const [dues, moves, sales, saleLines, customer, credited] = await Promise.all([
    listDuesOfInvoice(db, invoice.id, currency),
    listHeldMoves(db, { saleIds: [invoice.saleId] }, currency),
    findSales(db, [invoice.saleId], currency),
    listSaleLines(db, [invoice.saleId]),
    findCustomer(db, invoice.customerId, currency),
    invoice.creditsId === null ? null : findInvoice(db, invoice.creditsId, currency),
  ])
  const sale = present(sales[0])
  const { language } = present(customer)
  const t = paperWords(language)
  const held = negateMoney(
    sumMoney(
      moves.filter((m) => m.invoiceId === invoice.id && m.why === 'invoice').map((m) => m.amount),
      currency,
    ),
  )
  const name =
    invoice.status === 'draft' ? t('draft-invoice') : t(invoice.kind === 'counter' ? 'counter' : invoice.kind)
  const standing = invoice.lines.map((l): Standing => {
    const { worth, less } = showInvoiceLine(l, sale.pricesIncludeTax, currency)
    const none = l.quantity.isZero()
    return {
      line: present(saleLines.find((s) => s.id === l.saleLineId)),
      what: l.description,
      note: l.note,
      cells: {
        code: saleLines.find((s) => s.id === l.saleLineId)?.code ?? '',
        quantity: none ? '' : l.quantity.toString(),
        each: none ? '' : formatPrice(l.unitPrice, currency),
        less,
        sum: formatMoney(worth),
      },
      worth,
    }
  })
  return {
    kind: invoice.kind === 'credit-note' ? 'credit-note' : 'invoice',
    language,
    name,
    number: invoice.number ?? '–',
    to: { name: invoice.customerName, address: sale.billTo || (await billTo(asked, invoice.customerId)) },
    deliverTo: sale.deliverTo && sale.deliverTo !== sale.billTo ? { address: sale.deliverTo, note: '' } : null,
    facts: [
      [t('date'), formatDay(invoice.on)],
      ...dues.map(
        (d) =>
          [t('due'), dues.length > 1 ? `${formatDay(d.dueOn)}: ${formatMoney(d.amount)}` : formatDay(d.dueOn)] as const,
      ),
      ...(sale.purchaseOrder ? [[t('yourOrder'), sale.purchaseOrder] as const] : []),
      ...(credited ? [[t('credits'), credited.number ?? ''] as const] : []),
    ],
    above: '',
    rows: saleRows(saleLines, standing, { language, rolledUp: sale.rolledUp, withSums: true, currency }),
    sums: [
      { name: t('net'), amount: formatMoney(invoice.net) },
      ...(await taxSums(db, invoice.taxes)),
      { name: `${t('total')}, ${currency}`, amount: formatMoney(invoice.gross), total: true },
      ...(isPositiveMoney(held)
        ? [
            { name: t('received'), amount: formatMoney(negateMoney(held)) },
            {
              name: t('toPay'),
              amount: formatMoney(subtractMoney(invoice.gross, held)),
              total: true,
            },
          ]
        : []),
    ],
    note: invoice.reason,
    conditions: '',
  }
}

/** A receipt on a whole page. The narrow slip is a paper of its own. */
export const paperOfReceipt = async (asked: Asked, receiptId: number): Promise<Paper | null> => {
  const { db, business } = asked
  const { currency } = business
  const receipt = await findReceipt(db, receiptId, currency)
  if (!receipt) return null
  const customer = present(await findCustomer(db, receipt.customerId, currency))
  const t = paperWords(customer.language)
  const invoice = receipt.invoiceId === null ? null : await findInvoice(db, receipt.invoiceId, currency)
  const change = changeOf(receipt)
  const row = (what: string, sum: string) => ({ as: 'line' as const, what, note: '', cells: { sum } })
  return {
    kind: 'receipt',
    language: customer.language,
    name: t('receipt'),
    number: receipt.number,
    to: { name: receipt.customerName, address: await billTo(asked, receipt.customerId) },
    deliverTo: null,
    facts: [[t('date'), formatDay(receipt.on)]],
    above: receipt.voidedOn ? `Voided on ${formatDay(receipt.voidedOn)}` : '',
    rows: invoice
      ? invoice.lines.map((l) => row(`${l.quantity.toString()} × ${l.description}`, formatMoney(l.net)))
      : (await readWhatItPaid(db, receipt, currency)).map((p) => row(p.what, formatMoney(p.amount))),
    sums: [
      ...(invoice ? [{ name: t('net'), amount: formatMoney(invoice.net) }, ...(await taxSums(db, invoice.taxes))] : []),
      ...(isPositiveMoney(change)
        ? [
            { name: t('given'), amount: formatMoney(receipt.tendered) },
            { name: t('back'), amount: formatMoney(change) },
          ]
        : []),
      {
        name: `${t('total')}, ${currency}, ${receipt.method}`,
        amount: formatMoney(receipt.amount),
        total: true,
      },
    ],
    note: '',
    conditions: '',
  }
}

/** A customer's statement of this year: what was owed, what happened, what is owed. */
export const statementOf = async (asked: Asked, customerId: number): Promise<Paper | null> => {
  const { db, business, today } = asked
  const s = await readStatement(db, customerId, { from: yearStart(today), to: today }, business)
  if (!s) return null
  const t = paperWords(s.customer.language)
  return {
    kind: 'statement',
    language: s.customer.language,
    name: t('statement'),
    number: formatDay(today),
    to: { name: s.customer.name, address: await billTo(asked, customerId) },
    deliverTo: null,
    facts: [
      [t('from'), formatDay(s.from)],
      [t('through'), formatDay(s.to)],
      [t('owedBefore'), formatMoney(s.opening)],
    ],
    above: '',
    rows: s.lines.map((l) => ({
      as: 'line' as const,
      what: l.text,
      note: formatDay(l.on),
      cells: { change: formatMoney(l.owes), owed: formatMoney(l.balance) },
    })),
    sums: [{ name: `${t('owed')}, ${business.currency}`, amount: formatMoney(s.closing), total: true }],
    note: '',
    conditions: '',
  }
}

/** What is late, in one list: what it was for, since when, how much. */
export const reminderOf = (asked: Asked, customerId: number): Promise<Paper | null> =>
  listOfDues(asked, customerId, 'reminder')

/** Everything that is open, late or not, in one list. */
export const openItemsOf = (asked: Asked, customerId: number): Promise<Paper | null> =>
  listOfDues(asked, customerId, 'open-items')

const listOfDues = async (asked: Asked, customerId: number, kind: 'reminder' | 'open-items'): Promise<Paper | null> => {
  const { db, business, today } = asked
  const customer = await findCustomer(db, customerId, business.currency)
  if (!customer) return null
  const t = paperWords(customer.language)
  const dues = (await listOpenDues(db, customerId, business.currency)).filter(
    (d) => kind === 'open-items' || d.dueOn < today,
  )
  const sum = sumMoney(
    dues.map((d) => d.open),
    business.currency,
  )
  return {
    kind,
    language: customer.language,
    name: t(kind),
    number: formatDay(today),
    to: { name: customer.name, address: await billTo(asked, customerId) },
    deliverTo: null,
    facts: [[t('date'), formatDay(today)]],
    above: '',
    rows: dues.map((d) => ({
      as: 'line' as const,
      what: d.number === '' ? d.label : [`${t('invoice')} ${d.number}`, d.label].filter(Boolean).join(', '),
      note: d.dueOn < today ? `${t('late')} ${formatDay(d.dueOn)}` : '',
      cells: { due: formatDay(d.dueOn), sum: formatMoney(d.open) },
    })),
    sums: [{ name: `${t('toPay')}, ${business.currency}`, amount: formatMoney(sum), total: true }],
    note: '',
    conditions: '',
  }
}
