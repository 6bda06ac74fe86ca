import { readSaleFacts } from '@/model/paper/saleFacts'
import { paperWords } from '@/core/formats'
import { formatDigits, formatPercent } from '@/core/locale'
import { formatMoney, formatQuantity, isPositiveMoney, addMoney, subtractMoney, ZERO } from '@/core/money'
import type { Arrangement } from '@/contract/arrangement'
import { rulesIn } from './rulesIn'
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
    [t('date'), t.day(sale.agreedOn ?? today)],
    [t('seller'), business.name],
    [t('buyer'), sale.customerName],
    [t('cashPrice'), formatMoney(totals.net)],
    ...(isPositiveMoney(totals.tax) ? [[t('tax'), formatMoney(totals.tax)] as const] : []),
    [t('total'), `${formatMoney(totals.gross)} ${business.currency}`],
    ...(first ? [[t('downPayment'), formatDigits(first)] as const] : []),
    ...(last ? [[t('lastPayment'), t.day(last.due)] as const] : []),
    ...(arrangement.kind === 'installments'
      ? [
          [t('financed'), formatMoney(plan.financed)] as const,
          ...(isPositiveMoney(plan.totalCharge) ? [[t('chargeOf'), formatMoney(plan.totalCharge)] as const] : []),
          [t('yearly'), formatPercent(rate)] as const,
        ]
      : []),
  ]
}

/** The payments one by one, what is paid at once before them. */
const rowsOf = ({ today }: Asked, { story }: SaleFacts, plan: PlanOf, t: Words): Paper['rows'] => {
  const first = paidFirst(story.arrangement)
  const at = t.day(story.sale.agreedOn ?? today)
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
        { due: t.day(r.due), sum: formatMoney(r.payment), owed: formatMoney(r.balance) },
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
      .map((l) => `${formatQuantity(sale.agreedOn ? l.agreed : l.quantity)} × ${l.description}`)
      .join('\n'),
    rows: rowsOf(asked, facts, plan, t),
    sums: [{ name: `${t('total')}, ${business.currency}`, amount: formatMoney(paid), total: true }],
    note: rulesIn(arrangement, customer.language),
    conditions: business.conditions,
    signatures: [t('seller'), t('buyer')].map((who) => ({ says: who, lines: [t('signed'), t('name'), t('date')] })),
  }
}
