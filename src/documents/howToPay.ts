import { formatPercent } from '@/core/locale'
import { readUsual } from '@/contract/usualArrangements'
import { creditTransferText, formatIban, paperWords } from '@/core/formats'
import { formatMoney, isPositiveMoney, money, parseMoney, type Money } from '@/core/money'
import type { Asked } from '@/model/where'
import type { PaperPart } from './paper'

type Business = Asked['business']

interface Wish {
  readonly business: Business
  readonly language: string
  readonly amount: Money
  /** What the payer is to quote: the number of the document, or whose account it is. */
  readonly about: string
  /** More lines below: a discount for paying early, a late fee. */
  readonly more?: readonly string[]
}

/** How a document is paid: the account, in the owner's words, what to quote, and a code for banking apps where it is euros. */
export const howToPay = ({ business, language, amount, about, more = [] }: Wish): readonly PaperPart[] => {
  const t = paperWords(language)
  const { iban, bic, paymentDetails } = business
  const ways = [paymentDetails, iban && `IBAN ${formatIban(iban)}${bic && `, BIC ${bic}`}`].filter(Boolean)
  const lines = [...ways, ...(ways.length > 0 ? [`${t('quote')}: ${about}`] : []), ...more]
  if (lines.length === 0 || !isPositiveMoney(amount)) return []
  const code = creditTransferText({ name: business.name, iban, bic, amount, about })
  return [{ as: 'words', title: t('howToPay'), text: lines.join('\n'), code: code.ok ? code.value : null }]
}

/** What is charged for being late, as Settings say; nothing where they say nothing. */
export const lateNotice = (business: Business, language: string): readonly string[] => {
  const t = paperWords(language)
  const { charge, graceDays } = readUsual(business.usualArrangements).late
  if (!charge) return []
  const amount = charge.amount ? parseMoney(charge.amount, business.currency) : null
  const fee = amount
    ? `${formatMoney(amount.ok ? amount.value : money(0n, business.currency))} ${business.currency}`
    : formatPercent(charge.percent?.toString() ?? '0')
  return [`${t('lateFee')}: ${fee}, ${graceDays ?? 0} ${t('daysAfterDue')}`]
}
