import { keptOnce } from '../keptOnce'

/**
 * How a business writes its numbers and reads its dates: all of it plain facts, so that server and browser show the same
 * whatever tables of languages each of them ships.
 */
export interface Locale {
  /** The BCP 47 tag it was made from, such as `en-US`. */
  readonly tag: string
  /** The mark before the cents: `.` or `,`. */
  readonly decimal: string
  /** What sets thousands apart: `,` `.` `’` or a narrow space. */
  readonly group: string
  /** Digits of the first group from the right, and of each further one: 3 and 3, or 3 and 2 in India. */
  readonly groups: readonly [number, number]
  /** A whole number of fewer digits is written in one piece: 4, or 5 where `1250` stands as it is. */
  readonly groupsFrom: number
  /** What follows a figure of percent: `%`, or the sign after a space. */
  readonly percent: string
  /** `12/24` is the 24th of December. */
  readonly monthFirst: boolean
}

/** The locale every business has that chose no other. */
export const EN_US: Locale = {
  tag: 'en-US',
  decimal: '.',
  group: ',',
  groups: [3, 3],
  groupsFrom: 4,
  percent: '%',
  monthFirst: true,
}

/** The locales a business chooses from, by what people call the place. Others may be set by their tag. */
export const LOCALES = {
  'en-US': 'United States',
  'en-CA': 'Canada',
  'fr-CA': 'Canada (French)',
  'en-GB': 'United Kingdom',
  'en-IE': 'Ireland',
  'en-AU': 'Australia',
  'en-NZ': 'New Zealand',
  'en-ZA': 'South Africa',
  'en-IN': 'India',
  'he-IL': 'Israel',
  'de-DE': 'Germany',
  'de-AT': 'Austria',
  'de-CH': 'Switzerland',
  'fr-FR': 'France',
  'fr-BE': 'Belgium',
  'nl-NL': 'Netherlands',
  'es-ES': 'Spain',
  'es-MX': 'Mexico',
  'it-IT': 'Italy',
  'pt-PT': 'Portugal',
  'pt-BR': 'Brazil',
  'pl-PL': 'Poland',
  'da-DK': 'Denmark',
  'sv-SE': 'Sweden',
  'nb-NO': 'Norway',
  'fi-FI': 'Finland',
} as const

/**
 * Whether a tag names a locale whose numbers and dates are known here.
 *
 * @example isLocale('en-GB') // true
 * @example isLocale('english') // false
 */
export const isLocale = (tag: string): boolean => {
  try {
    return tag.length <= 35 && Intl.NumberFormat.supportedLocalesOf(tag).length === 1
  } catch {
    return false
  }
}

const valueOf = (parts: readonly { readonly type: string; readonly value: string }[], type: string, or: string) =>
  parts.find((p) => p.type === type)?.value ?? or

/**
 * The facts of a locale, from the platform's own tables, in Latin digits. Throws RangeError where the tag is none: ask
 * `isLocale` first.
 *
 * @example localeOf('de-DE').decimal // ,
 * @example localeOf('en-IN').groups // 3, 2
 */
export const localeOf = (tag: string): Locale => {
  if (tag === EN_US.tag) return EN_US
  const options = { numberingSystem: 'latn' } as const
  const number = (value: number) => new Intl.NumberFormat(tag, options).formatToParts(value)
  const wholes = number(123456789).flatMap((p) => (p.type === 'integer' ? [p.value.length] : []))
  const percent = new Intl.NumberFormat(tag, { ...options, style: 'percent' }).formatToParts(0.1)
  const sign = percent.findIndex((p) => p.type === 'percentSign')
  const dates = new Intl.DateTimeFormat(tag, { year: 'numeric', month: '2-digit', day: '2-digit' })
    .formatToParts(0)
    .map((p) => p.type)
  return {
    tag,
    decimal: valueOf(number(1.5), 'decimal', '.'),
    group: valueOf(number(123456789), 'group', ',').replace("'", '’').replace('\u202f', '\u00a0'),
    groups: [wholes.at(-1) ?? 3, wholes.at(-2) ?? 3],
    groupsFrom: number(1234).some((p) => p.type === 'group') ? 4 : 5,
    percent: percent[sign - 1]?.type === 'literal' ? '\u00a0%' : '%',
    monthFirst: dates.indexOf('month') < dates.indexOf('day'),
  }
}

/** Where letters are written on US Letter paper; everywhere else it is A4. */
const LETTER_PAPER = ['US', 'CA', 'MX', 'CO', 'CL', 'VE', 'PH']

/**
 * Whether offices of a locale's region print on US Letter.
 *
 * @example usesLetterPaper('fr-CA') // true
 */
export const usesLetterPaper = (tag: string): boolean => LETTER_PAPER.includes(new Intl.Locale(tag).region ?? '')

/** The one business's locale. A server keeps several copies of a module, one a bundle, and they are to agree. */
const kept = () => keptOnce<{ now?: Locale }>('iron-till/locale', () => ({}))

/** How the business of this process, or of this browser's page, writes numbers and reads dates. */
export const houseLocale = (): Locale => kept().now ?? EN_US

/** From now on numbers are written so; called where the business is read, and once in each page of a browser. */
export const writeAs = (locale: Locale): void => {
  kept().now = locale
}
