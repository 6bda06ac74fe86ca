import { houseLocale, type Locale } from './locale'

/** The digits of a whole number in their groups, from the right. */
const inGroups = (whole: string, { group, groups: [first, further], groupsFrom }: Locale): string => {
  if (whole.length < groupsFrom) return whole
  const pieces = [whole.slice(-first)]
  for (let rest = whole.slice(0, -first); rest !== ''; rest = rest.slice(0, -further))
    pieces.unshift(rest.slice(-further))
  return pieces.join(group)
}

/**
 * A plain decimal string as a person reads it: thousands set apart and cents marked as the business's locale does it, a
 * minus that is no hyphen. Nothing is rounded. Text that is no plain decimal stays as it is.
 *
 * @example formatDigits('7510.25') // 7,510.25
 * @example formatDigits('-1250') // −1,250
 * @example formatDigits('-1234567.5', localeOf('de-DE')) // −1.234.567,5
 * @example formatDigits('12345678', localeOf('en-IN')) // 1,23,45,678
 */
export const formatDigits = (text: string, locale: Locale = houseLocale()): string => {
  const [plain, sign = '', whole = '', part] = /^([-−]?)(\d+)(?:\.(\d+))?$/.exec(text) ?? []
  if (plain === undefined) return text
  const digits = inGroups(whole, locale)
  return `${sign && '−'}${digits}${part === undefined ? '' : locale.decimal + part}`
}

/**
 * How many there are: a whole number as a person reads it.
 *
 * @example formatCount(100000) // 100,000
 * @example formatCount(4000, localeOf('de-DE')) // 4.000
 */
export const formatCount = (count: number, locale: Locale = houseLocale()): string =>
  formatDigits(String(count), locale)

/**
 * A figure of percent, from its plain decimal string.
 *
 * @example formatPercent('8.25') // 8.25%
 * @example formatPercent('8.25', localeOf('nl-NL')) // 8,25%
 */
export const formatPercent = (text: string, locale: Locale = houseLocale()): string =>
  formatDigits(text, locale) + locale.percent

/**
 * A plain decimal string as it is typed: with the locale's mark before the cents and in one piece. Other text stays as
 * it is.
 *
 * @example typeDigits('1250.5', localeOf('de-DE')) // 1250,5
 */
export const typeDigits = (plain: string, { decimal }: Locale = houseLocale()): string =>
  /^-?\d+\.\d+$/.test(plain) ? plain.replace('.', decimal) : plain

const escape = (mark: string): string => mark.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')

/**
 * What a person typed with every number in it made plain: thousands marks go where they stand where thousands end, the
 * mark before the cents becomes a point. What cannot be a number is left for the reader to refuse.
 *
 * @example plainDigits('1,250.00 * 2') // 1250.00*2
 * @example plainDigits('1.250,5-10%', localeOf('de-DE')) // 1250.5-10%
 */
export const plainDigits = (typed: string, { group, groups, decimal }: Locale = houseLocale()): string => {
  const tight = typed.replace(/\s+/g, '').replaceAll('−', '-')
  const mark = group === '’' ? "[’']" : escape(group)
  const grouped = new RegExp(
    `(?<![\\d.,])[1-9]\\d{0,2}(?:${mark}\\d{${groups[1]},3})*${mark}\\d{3}(?!\\d|${mark}\\d)`,
    'g',
  )
  const whole = tight.replace(grouped, (number) => number.replace(new RegExp(mark, 'g'), ''))
  return decimal === '.' ? whole : whole.replaceAll(decimal, '.')
}
