import { present } from '@/core/present'
import { formatDay, instantOf, type Day } from '../day'
import { PAPER_LANGUAGES, PAPER_WORDS, type PaperLanguage, type PaperWord } from './paperWordList'

/** A word of the papers in a language; English where the language is not one of ours. */
export const paperWords = (language: string): PaperTongue => {
  const at = Math.max(0, PAPER_LANGUAGES.indexOf(language as PaperLanguage))
  return Object.assign((word: PaperWord) => present(PAPER_WORDS[word][at]), {
    language: present(PAPER_LANGUAGES[at]),
    day: (d: Day) => formatDayIn(present(PAPER_LANGUAGES[at]), d),
  })
}

/** The words of papers in one language, and how it writes a day. */
export interface PaperTongue {
  (word: PaperWord): string
  readonly language: PaperLanguage
  readonly day: (d: Day) => string
}

/**
 * A day with its month by name in one of the languages of papers, in Latin digits.
 *
 * @example formatDayIn('en', day('2026-03-05')) // 5 Mar 2026
 * @example formatDayIn('de', day('2026-03-05')) // 5. März 2026
 * @example formatDayIn('fr', day('2026-12-24')) // 24 déc. 2026
 */
export const formatDayIn = (language: PaperLanguage, d: Day): string =>
  language === 'en'
    ? formatDay(d)
    : new Intl.DateTimeFormat(language, {
        day: 'numeric',
        month: 'short',
        year: 'numeric',
        numberingSystem: 'latn',
        timeZone: 'UTC',
      }).format(instantOf(d))

/**
 * Whether a language is written from right to left.
 *
 * @example isRightToLeft('he') // true
 */
export const isRightToLeft = (language: string): boolean => language === 'he'
