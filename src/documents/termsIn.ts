import type { Arrangement } from '@/contract/arrangement'
import { paperWords } from '@/core/formats'
import { sayArrangement } from '@/model/sale/sayArrangement'

const capital = (text: string): string => text.slice(0, 1).toUpperCase() + text.slice(1)

/** How it will be paid, in a few words; in other languages than English the days, where it is days. */
export const termsIn = (a: Arrangement, language: string): string =>
  language === 'en' || (a.kind !== 'terms' && a.kind !== 'now')
    ? capital(sayArrangement(a))
    : `${a.kind === 'terms' ? a.net : 0} ${paperWords(language)('days')}`
