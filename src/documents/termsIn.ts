import type { Arrangement } from '@/contract/arrangement'
import { paperWords } from '@/core/formats'
import { formatPercent } from '@/core/locale'
import { sayArrangement } from '@/model/sale/sayArrangement'

const capital = (text: string): string => text.slice(0, 1).toUpperCase() + text.slice(1)

/** How it will be paid, in a few words of the customer's language. */
export const termsIn = (a: Arrangement, language: string): string => {
  if (language === 'en') return capital(sayArrangement(a))
  const t = paperWords(language)
  switch (a.kind) {
    case 'now':
      return t('dueOnInvoice')
    case 'terms': {
      if (a.parts && a.parts > 1) return `${a.parts} ${t('installments')}, ${a.net} ${t('days')}`
      const days = a.net === 0 ? t('dueOnInvoice') : `${a.net} ${t('days')}`
      return a.discountPercent?.gt(0)
        ? `${days}, ${formatPercent(a.discountPercent.toString())} ${t('off')} ${a.discountDays ?? 0} ${t('days')}`
        : days
    }
    case 'deposit':
      return a.percent ? `${formatPercent(a.percent.toString())} ${t('depositTerms')}` : capital(t('depositTerms'))
    case 'layaway':
      return t('layaway')
    case 'installments':
      return `${a.count} ${t('installments')}`
  }
}
