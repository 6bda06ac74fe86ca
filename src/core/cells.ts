import { isDayInReach, type Day } from './day'
import type { Locale } from './locale'
import { money, parseMoney, type Money } from './money'
import { present } from './present'

/** What stands in the cells of tables that other programs wrote: amounts, numbers and days in whichever way they are written there. */

/** The sign between whole and parts: `1.250,00` has `,`. */
export type DecimalMark = ',' | '.'

/**
 * An amount of digits: a sign before it, a comma or point, digits of the currency at most. Null where it is none.
 *
 * @example plainAmount('-12.50', 'USD') // -12.50
 * @example plainAmount('1250', 'JPY') // 1250
 * @example plainAmount('12.505', 'USD') // none
 */
export const plainAmount = (text: string, currency: string): Money | null => {
  const said = /^([-+]?)(\d{1,13}(?:[.,]\d*)?)$/.exec(text.trim())
  if (!said) return null
  const parsed = parseMoney(
    (said[2] ?? '')
      .replace(',', '.')
      .replace(/\.$/, '')
      .replace(/(\.\d*?)0+$/, '$1')
      .replace(/\.$/, ''),
    currency,
  )
  if (!parsed.ok) return null
  return said[1] === '-' ? money(-parsed.value.minor, currency) : parsed.value
}

/** How numbers and days are written where cells themselves do not tell. */
export interface Habits {
  readonly decimal: DecimalMark
  /** The day stands before the month. */
  readonly dayFirst: boolean
}

/** Those of a region. */
export const habitsOf = ({ decimal, monthFirst }: Locale): Habits => ({
  decimal: decimal === ',' ? ',' : '.',
  dayFirst: !monthFirst,
})

/**
 * Which mark a cell shows to be the one before the parts: the last of both, the other of one that stands twice, and one that is not
 * followed by just three digits. Null where nothing tells: `1.250` may be either.
 */
const markIn = (cell: string): DecimalMark | null => {
  // A currency may be written with a point, too: Fr. 12.50.
  const text = cell.replace(/^[^\d.,]*\p{L}\.?|\p{L}+\.?\D*$/gu, '').replace(/[\s'’]/g, '')
  const marks = text.replace(/[^.,]/g, '')
  if (marks === '') return null
  const last = marks.endsWith(',') ? ',' : '.'
  const other = last === ',' ? '.' : ','
  if (marks.includes(other)) return last
  if (marks.length > 1) return other
  // 0.125, 1250.125 and .125 have no thousands.
  return /(^|\D)[1-9]\d{0,2}[.,]\d{3}(\D|$)/.test(text) ? null : last
}

/**
 * The mark that counts where several are shown: a comma before a point; null where none is.
 *
 * @example decimalMarkAmong([null, '.', ',']) === ',' // true
 */
export const decimalMarkAmong = (marks: readonly (DecimalMark | null)[]): DecimalMark | null =>
  marks.includes(',') ? ',' : marks.includes('.') ? '.' : null

/**
 * The mark that the cells of a column show before the parts; null where none of them tells.
 *
 * @example decimalMarkShown(['1.250', '0.5']) === '.' // true
 * @example decimalMarkShown(['1.250']) // none
 */
export const decimalMarkShown = (cells: readonly string[]): DecimalMark | null => decimalMarkAmong(cells.map(markIn))

/**
 * The mark that amounts of a column are written with: what its cells show; where none of them does, `usual`.
 *
 * @example decimalMarkOf(['1.250,00', '4'], '.') === ',' // true
 * @example decimalMarkOf(['1.250', '980'], ',') === ',' // true
 * @example decimalMarkOf(['1.250', '0.5'], ',') === '.' // true
 */
export const decimalMarkOf = (cells: readonly string[], usual: DecimalMark): DecimalMark =>
  decimalMarkShown(cells) ?? usual

/**
 * A number in a cell, with a point and its sign before it; null where it is none. Separators of thousands, currency signs, and
 * signs behind or brackets around it are understood.
 *
 * @example numberIn('1.250,00', ',') // 1250.00
 * @example numberIn('(4.50)', '.') // -4.50
 * @example numberIn('-Fr. 12.50', '.') // -12.50
 * @example numberIn('1,5', '.') // none
 */
export const numberIn = (cell: string, mark: DecimalMark): string | null => {
  const text = cell.trim().replace(/[−–]/g, '-')
  const brackets = /^\((.*)\)$/.exec(text)
  const bare = (brackets?.[1] ?? text)
    .replace(/[\s'’ ]/g, '')
    .replace(/^(\p{L}{1,3}\.?|[^\d.,+-]{1,3})|(\p{L}{1,3}\.?|[^\d.,-]{1,3})$/gu, '')
    .replace(/^([-+]?)(\p{L}{1,3}\.?|[^\d.,+-]{1,3})/u, '$1')
  const plain = bare.replace(/-$/, '').replace(mark === ',' ? /\.(?=\d{3}(\D|$))/g : /,(?=\d{3}(\D|$))/g, '')
  if (mark === '.' && plain.includes(',')) return null
  const said = /^([-+]?)(\d+(?:[.,]\d*)?)$/.exec(plain)
  if (!said) return null
  const turned = brackets !== null || bare.endsWith('-')
  return `${(said[1] === '-') === turned ? '' : '-'}${present(said[2]).replace(',', '.')}`
}

/**
 * An amount in a cell, as `numberIn` reads it; null where it is none, or has more digits than the currency.
 *
 * @example amountIn('$ 1,250.00', '.', 'USD') // 1250.00
 */
export const amountIn = (cell: string, mark: DecimalMark, currency: string): Money | null => {
  const number = numberIn(cell, mark)
  return number === null ? null : plainAmount(number, currency)
}

/**
 * The day a cell says in a way of writing dates; null where it says none. Years of two digits are of this century.
 *
 * @example dayIn('31.01.2026', 'DD.MM.YYYY') // 2026-01-31
 * @example dayIn('2026-02-30', 'YYYY-MM-DD') // none
 */
export const dayIn = (cell: string, pattern: string): Day | null => {
  const parts = pattern.match(/Y+|M+|D+|[^YMD]+/g) ?? []
  let rest = cell.trim()
  const read: Record<string, string> = {}
  for (const part of parts) {
    const letter = part.charAt(0)
    const wanted = 'YMD'.includes(letter)
      ? new RegExp(
          letter === 'Y'
            ? `^\\d{${part.length}}`
            : part.length === 1
              ? '^\\d{1,2}'
              : parts.length > 3
                ? '^\\d{1,2}'
                : '^\\d{2}',
        )
      : null
    const found = wanted ? wanted.exec(rest)?.[0] : rest.startsWith(part) ? part : undefined
    if (found === undefined) return null
    if (wanted) read[letter] = found
    rest = rest.slice(found.length)
  }
  // A time behind it is not looked at.
  if (rest !== '' && !/^[T\s]/.test(rest)) return null
  const { Y = '', M = '', D = '' } = read
  const said = `${Y.length === 2 ? `20${Y}` : Y}-${M.padStart(2, '0')}-${D.padStart(2, '0')}`
  return isDayInReach(said) ? said : null
}

const DATES = ['YYYY-MM-DD', 'DD.MM.YYYY', 'YYYYMMDD', 'YYYY/MM/DD', 'YYYY.MM.DD', 'DD-MM-YYYY', 'DD.MM.YY'] as const

/**
 * The way of writing dates that most cells of a column are in; of two that fit equally well, the region's.
 *
 * @param dayFirst whether the region writes the day before the month
 * @example dayFormatOf(['24/03/2026', '01/04/2026'], false) // DD/MM/YYYY
 */
export const dayFormatOf = (cells: readonly string[], dayFirst: boolean): string => {
  const slashes = dayFirst ? ['DD/MM/YYYY', 'MM/DD/YYYY'] : ['MM/DD/YYYY', 'DD/MM/YYYY']
  const formats = [...DATES, ...slashes, ...slashes.map((s) => s.replace('YYYY', 'YY'))]
  const fits = formats.map((f) => cells.filter((c) => dayIn(c, f) !== null).length)
  return present(formats[fits.indexOf(Math.max(...fits))])
}
