import { readInvoiceFacts } from '@/model/paper/invoiceFacts'
import { readArrangement, type Arrangement } from '@/contract/arrangement'
import { sayArrangement } from '@/model/sale/sayArrangement'
import { howToPay, lateNotice } from './howToPay'
import type { Paper, PaperPart } from './paper'
import type { Asked } from '@/model/where'
import { present } from '@/core/present'
import { paperWords } from '@/core/formats'
import {
  negateMoney,
  formatPrice,
  formatMoney,
  isPositiveMoney,
  subtractMoney,
  sumMoney,
  type Money,
} from '@/core/money'
import { type Standing, saleRows } from './saleRows'
import { showInvoiceLine } from '@/model/invoice/invoiceLines'
import { formatDay } from '@/core/day'
import { taxSums } from '@/model/paper/taxSums'

type Dues = NonNullable<Awaited<ReturnType<typeof readInvoiceFacts>>>['dues']
type Words = ReturnType<typeof paperWords>

/** How it will be paid, in a few words; said in full where the document is in English. */
const termsIn = (a: Arrangement, t: Words, language: string): string => {
  if (language === 'en' || (a.kind !== 'terms' && a.kind !== 'now')) return capital(sayArrangement(a))
  return `${a.kind === 'terms' ? a.net : 0} ${t('days')}`
}
const capital = (text: string): string => text.slice(0, 1).toUpperCase() + text.slice(1)

/** The payments one by one, with what each costs of being late to pay, and what they come to. */
const schedule = (dues: Dues, t: Words): readonly PaperPart[] => {
  const [first] = dues
  if (!first || dues.length < 2) return []
  const sum = (pick: (d: Dues[number]) => Money): string => formatMoney(sumMoney(dues.map(pick), first.amount.currency))
  const charged = dues.some((d) => isPositiveMoney(d.charge))
  const principal = (d: Dues[number]): Money => subtractMoney(d.amount, d.charge)
  const row = (name: string, amounts: readonly [string, string, string]): readonly string[] =>
    charged ? [name, ...amounts] : [name, amounts[2]]
  return [
    {
      as: 'table',
      title: t('schedule'),
      heads: row(t('due'), [t('principal'), t('chargeOf'), t('payment')]),
      rows: dues.map((d) =>
        row(formatDay(d.dueOn), [formatMoney(principal(d)), formatMoney(d.charge), formatMoney(d.amount)]),
      ),
      total: row(t('total'), [sum(principal), sum((d) => d.charge), sum((d) => d.amount)]),
    },
  ]
}

/** What comes off where it is paid early: until when, how much, and what is paid then. */
const earlyPay = (dues: Dues, t: Words, currency: string): readonly string[] =>
  dues
    .filter((d) => d.discountUntil !== null && isPositiveMoney(d.discount))
    .map(
      (d) =>
        `${t('earlyPay')} ${formatDay(present(d.discountUntil))}: ${formatMoney(subtractMoney(d.amount, d.discount))} ${currency} (${t('earlyDiscount')} ${formatMoney(d.discount)})`,
    )

/** An invoice, invoice-receipt or credit note as it is issued. A draft says so. */
export const paperOfInvoice = async (asked: Asked, invoiceId: number): Promise<Paper | null> => {
  const { currency } = asked.business
  const facts = await readInvoiceFacts(asked, invoiceId)
  if (!facts) return null
  const { invoice, dues, held, sale, saleLines, credited, handedOver } = facts
  const { language } = facts.customer
  const t = paperWords(language)
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
    to: { name: invoice.customerName, address: sale.billTo || facts.billTo },
    deliverTo: sale.deliverTo && sale.deliverTo !== sale.billTo ? { address: sale.deliverTo, note: '' } : null,
    facts: [
      [t('date'), formatDay(invoice.on)],
      ...(dues.length === 1 ? dues.map((d) => [t('due'), formatDay(d.dueOn)] as const) : []),
      [t('order'), String(sale.number)],
      ...(handedOver ? [[t('delivered'), formatDay(handedOver)] as const] : []),
      ...(invoice.kind === 'invoice'
        ? [[t('terms'), termsIn(readArrangement(sale.arrangement), t, language)] as const]
        : []),
      ...(sale.purchaseOrder ? [[t('yourOrder'), sale.purchaseOrder] as const] : []),
      ...(facts.customer.taxExempt && facts.customer.exemptNumber
        ? [[t('exempt'), facts.customer.exemptNumber] as const]
        : []),
      ...(credited ? [[t('credits'), credited.number ?? ''] as const] : []),
    ],
    above: invoice.kind === 'credit-note' ? '' : sale.noteAbove,
    rows: saleRows(saleLines, standing, { language, rolledUp: sale.rolledUp, withSums: true, currency }),
    sums: [
      { name: t('net'), amount: formatMoney(invoice.net) },
      ...(await taxSums(asked.db, invoice.taxes)),
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
    parts: [
      ...schedule(dues, t),
      ...(invoice.kind === 'invoice'
        ? howToPay({
            business: asked.business,
            language,
            amount: subtractMoney(
              sumMoney(
                dues.map((d) => d.amount),
                currency,
              ),
              held,
            ),
            about: [name, invoice.number].filter(Boolean).join(' '),
            more: [...earlyPay(dues, t, currency), ...lateNotice(asked.business, language)],
          })
        : []),
    ],
    note: [invoice.reason && `${t('reason')}: ${invoice.reason}`, invoice.kind === 'credit-note' ? '' : sale.note]
      .filter(Boolean)
      .join('\n\n'),
    conditions: invoice.kind === 'credit-note' ? '' : asked.business.conditions,
  }
}
