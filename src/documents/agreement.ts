import { readSaleFacts } from '@/model/paper/saleFacts'
import { formatDay } from '@/core/day'
import { paperWords } from '@/core/formats'
import { formatDigits, formatMoney, isPositiveMoney, addMoney, subtractMoney, ZERO } from '@/core/money'
import type { Arrangement } from '@/contract/arrangement'
import { planOf } from '@/model/plan/terms'
import type { Paper } from './paper'
import type { Asked } from '@/model/where'

type SaleFacts = NonNullable<Awaited<ReturnType<typeof readSaleFacts>>>
type Words = ReturnType<typeof paperWords>
type PlanOf = ReturnType<typeof planOf>

/** What is paid at once, as it was typed; null where nothing is. */
const paidFirst = (a: Arrangement): string | null =>
  a.kind === 'installments' && a.firstPayment ? a.firstPayment : null

/** Who with whom, over what, at what price. */
const termsOf = ({ business, today }: Asked, { story }: SaleFacts, plan: PlanOf, t: Words): Paper['facts'] => {
  const { sale, arrangement, totals } = story
  const first = paidFirst(arrangement)
  const last = plan.rows.at(-1)
  const rate = (plan.effectiveYearlyRate ?? ZERO).times(100).toFixed(2)
  return [
    [t('date'), formatDay(sale.agreedOn ?? today)],
    [t('seller'), business.name],
    [t('buyer'), sale.customerName],
    [t('cashPrice'), formatMoney(totals.net)],
    ...(isPositiveMoney(totals.tax) ? [[t('tax'), formatMoney(totals.tax)] as const] : []),
    [t('total'), `${formatMoney(totals.gross)} ${business.currency}`],
    ...(first ? [[t('downPayment'), formatDigits(first)] as const] : []),
    ...(last ? [[t('lastPayment'), formatDay(last.due)] as const] : []),
    ...(arrangement.kind === 'installments'
      ? [
          [t('financed'), formatMoney(plan.financed)] as const,
          ...(isPositiveMoney(plan.totalCharge) ? [[t('chargeOf'), formatMoney(plan.totalCharge)] as const] : []),
          [t('yearly'), `${rate}%`] as const,
        ]
      : []),
  ]
}

/** The payments one by one, what is paid at once before them. */
const rowsOf = ({ today }: Asked, { story }: SaleFacts, plan: PlanOf, t: Words): Paper['rows'] => {
  const first = paidFirst(story.arrangement)
  const at = formatDay(story.sale.agreedOn ?? today)
  const payment = (what: string, note: string, cells: Paper['rows'][number]['cells']) =>
    ({ as: 'line', what, note, cells }) as const
  return [
    ...(first
      ? [payment(t('downPayment'), '', { due: at, sum: formatDigits(first), owed: formatMoney(plan.financed) })]
      : []),
    ...plan.rows.map((r, i) =>
      payment(
        `${t('payment')} ${i + 1}`,
        isPositiveMoney(r.charge) ? `${t('chargeOf')} ${formatMoney(r.charge)}` : '',
        { due: formatDay(r.due), sum: formatMoney(r.payment), owed: formatMoney(r.balance) },
      ),
    ),
  ]
}

/** What the customer signs: what is bought, the payments one by one, and the rules. */
export const agreementOf = async (asked: Asked, saleId: number): Promise<Paper | null> => {
  const { business, today } = asked
  const facts = await readSaleFacts(asked, saleId)
  if (!facts) return null
  const { story, customer } = facts
  const { sale, arrangement, totals } = story
  const t = paperWords(customer.language)
  const plan = planOf(arrangement, totals.gross, sale.agreedOn ?? today, business.currency)
  const paid =
    arrangement.kind === 'installments'
      ? addMoney(plan.totalPayments, subtractMoney(totals.gross, plan.financed))
      : plan.totalPayments
  return {
    kind: 'agreement',
    language: customer.language,
    name: t('agreement'),
    number: String(sale.number),
    to: { name: sale.customerName, address: sale.billTo },
    deliverTo: null,
    facts: termsOf(asked, facts, plan, t),
    above: story.lines
      .filter((l) => (sale.agreedOn ? l.agreed.gt(0) : l.chosen && l.quantity.gt(0)))
      .map((l) => `${(sale.agreedOn ? l.agreed : l.quantity).toString()} × ${l.description}`)
      .join('\n'),
    rows: rowsOf(asked, facts, plan, t),
    sums: [{ name: `${t('total')}, ${business.currency}`, amount: formatMoney(paid), total: true }],
    note: rulesOf(arrangement),
    conditions: business.conditions,
    signatures: [t('seller'), t('buyer')].map((who) => ({ says: who, lines: [t('signed'), t('name'), t('date')] })),
  }
}

const part = (
  p: { readonly percent?: { toString(): string }; readonly amount?: string } | undefined,
  of: string,
): string => (p?.amount ? formatDigits(p.amount) : p?.percent ? `${p.percent.toString()}% of ${of}` : 'no amount')

/** The rules of an arrangement in the customer's words. */
const rulesOf = (a: Arrangement): string => {
  switch (a.kind) {
    case 'layaway':
      return [
        'The goods are set aside and stay with us until all of it is paid; the price does not change.',
        'You may pay earlier, and any amount up to the rest.',
        `A payment counts as late after ${a.graceDays ?? 0} days.`,
        a.fee
          ? `If you cancel, we keep a cancellation fee of ${part(a.fee, 'the total')}, never more than you have paid, and refund the rest.`
          : 'If you cancel, we refund everything you have paid.',
      ].join(' ')
    case 'installments':
      return [
        'You get the goods now; the payments follow on the dates above. Payments are applied to the oldest installment first, to its finance charge before principal.',
        'You may pay off early at any time; unearned finance charges are waived.',
        ...(a.lateCharge
          ? [
              `Payments more than ${a.graceDays ?? 0} days late carry a late fee of ${part(a.lateCharge, 'the late amount')}.`,
            ]
          : []),
      ].join(' ')
    case 'deposit':
      return 'What you pay in advance is yours until the goods are handed over and invoiced; it is deducted from the invoice, tax included.'
    case 'terms':
      return a.discountPercent?.gt(0)
        ? `${a.discountPercent.toString()}% discount if paid in full within ${a.discountDays ?? 0} days of the invoice.`
        : 'Each invoice is due on the dates above, counted from its date.'
    case 'now':
      return 'Each invoice is due on its date.'
  }
}
