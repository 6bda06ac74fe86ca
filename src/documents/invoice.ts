import { readInvoiceFacts } from '@/model/paper/invoiceFacts'
import { readArrangement } from '@/contract/arrangement'
import { howToPay, lateNotice } from './howToPay'
import type { Paper, PaperPart } from './paper'
import { termsIn } from './termsIn'
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
  formatQuantity,
} from '@/core/money'
import { type Standing, saleRows } from './saleRows'
import { showInvoiceLine } from '@/model/invoice/invoiceLines'
import { taxSums } from '@/model/paper/taxSums'

type Dues = NonNullable<Awaited<ReturnType<typeof readInvoiceFacts>>>['dues']
type Words = ReturnType<typeof paperWords>

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
        row(t.day(d.dueOn), [formatMoney(principal(d)), formatMoney(d.charge), formatMoney(d.amount)]),
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
        `${t('earlyPay')} ${t.day(present(d.discountUntil))}: ${formatMoney(subtractMoney(d.amount, d.discount))} ${currency} (${t('earlyDiscount')} ${formatMoney(d.discount)})`,
    )

type Facts = NonNullable<Awaited<ReturnType<typeof readInvoiceFacts>>>

/** Its lines as they stand on it: one of no quantity is an amount taken off. */
const standingOf = ({ invoice, sale, says, piecesSaid }: Facts, currency: string): readonly Standing[] =>
  invoice.lines.map((l) => {
    const { worth, less } = showInvoiceLine(l, sale.pricesIncludeTax, currency)
    const line = present(says.rows.find((s) => s.id === l.saleLineId))
    const none = l.quantity.eq(0)
    return {
      line,
      what: l.description,
      note: [l.note, piecesSaid(l)].filter(Boolean).join('\n'),
      cells: {
        code: line.code ?? '',
        quantity: none ? '' : formatQuantity(l.quantity),
        each: none ? '' : formatPrice(l.unitPrice, currency),
        less,
        sum: formatMoney(worth),
      },
      worth,
    }
  })

/** Dates, numbers and terms beside the address. */
const factsOf = ({ invoice, dues, sale, says, customer, credited, handedOver }: Facts, t: Words): Paper['facts'] => [
  [t('date'), t.day(invoice.on)],
  ...(dues.length === 1 ? dues.map((d) => [t('due'), t.day(d.dueOn)] as const) : []),
  [t('order'), String(sale.number)],
  ...(handedOver ? [[t('delivered'), t.day(handedOver)] as const] : []),
  ...(invoice.kind === 'invoice'
    ? [[t('terms'), termsIn(readArrangement(says.arrangement), customer.language)] as const]
    : []),
  ...(says.purchaseOrder ? [[t('yourOrder'), says.purchaseOrder] as const] : []),
  ...(says.taxExempt && says.exemptNumber ? [[t('exempt'), says.exemptNumber] as const] : []),
  ...(credited ? [[t('credits'), credited.number ?? ''] as const] : []),
]

/** Where the money of a credit note went: off what is open, and what was paid already to the customer's account. */
const wentWhere = (gross: Money, onAccount: Money, t: Words): Paper['sums'] =>
  [
    { name: t('takenOff'), worth: subtractMoney(gross, onAccount) },
    { name: t('keptForYou'), worth: onAccount },
  ]
    .filter(({ worth }) => isPositiveMoney(worth))
    .map(({ name, worth }) => ({ name, amount: formatMoney(worth) }))

/** What it comes to, less what was held of it before. */
const sumsOf = ({ invoice, codes, held, onAccount }: Facts, t: Words): Paper['sums'] => [
  { name: t('net'), amount: formatMoney(invoice.net) },
  ...taxSums(codes, invoice.taxes),
  { name: `${t('total')}, ${invoice.gross.currency}`, amount: formatMoney(invoice.gross), total: true },
  ...(isPositiveMoney(held)
    ? [
        { name: t('received'), amount: formatMoney(negateMoney(held)) },
        { name: t('toPay'), amount: formatMoney(subtractMoney(invoice.gross, held)), total: true },
      ]
    : []),
  ...(invoice.kind === 'credit-note' && invoice.status === 'issued' ? wentWhere(invoice.gross, onAccount, t) : []),
]

/** How the rest of it is paid. */
const paidHow = ({ business }: Asked, { invoice, dues, held, customer }: Facts, t: Words, about: string) => {
  if (invoice.kind !== 'invoice') return []
  const asked = sumMoney(
    dues.map((d) => d.amount),
    business.currency,
  )
  return howToPay({
    business,
    language: customer.language,
    amount: subtractMoney(asked, held),
    about,
    more: [...earlyPay(dues, t, business.currency), ...lateNotice(business, customer.language)],
  })
}

/** An invoice, invoice-receipt or credit note as it is issued. A draft says so. */
export const paperOfInvoice = async (asked: Asked, invoiceId: number): Promise<Paper | null> => {
  const { currency } = asked.business
  const facts = await readInvoiceFacts(asked, invoiceId)
  if (!facts) return null
  const { invoice, dues, says } = facts
  const { language } = facts.customer
  const t = paperWords(language)
  const credit = invoice.kind === 'credit-note'
  const name =
    invoice.status === 'draft' ? t('draft-invoice') : t(invoice.kind === 'counter' ? 'counter' : invoice.kind)
  const reason = invoice.reason && `${t('reason')}: ${invoice.reason}`
  return {
    kind: credit ? 'credit-note' : 'invoice',
    from: says.seller,
    language,
    name,
    number: invoice.number ?? '–',
    to: { name: says.name, address: says.billTo },
    deliverTo: says.deliverTo && says.deliverTo !== says.billTo ? { address: says.deliverTo, note: '' } : null,
    facts: factsOf(facts, t),
    above: credit ? '' : says.noteAbove,
    rows: saleRows(says.rows, standingOf(facts, currency), {
      language,
      rolledUp: says.rolledUp,
      withSums: true,
      currency,
    }),
    sums: sumsOf(facts, t),
    parts: [...schedule(dues, t), ...paidHow(asked, facts, t, [name, invoice.number].filter(Boolean).join(' '))],
    note: [reason, credit ? '' : says.note].filter(Boolean).join('\n\n'),
    conditions: credit ? '' : says.conditions,
  }
}
