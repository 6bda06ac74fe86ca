import { houseLocale, plainDigits, type Locale } from '../locale'
import { err, ok, type Result } from '../result'
import { decimal, HUNDRED, type Decimal } from './decimal'

/**
 * What a person may type into a money or quantity field: `1250`, `1,250.00`, `12*45`, `450-10%`, `(3+2)*8`. Thousands
 * and cents are marked as the business's locale does it; a point before cents is understood everywhere.
 *
 * `+ - * /` with the usual precedence and brackets; `a - b%` takes b percent of a off, `a + b%` puts it on, elsewhere
 * `b%` is b ÷ 100. The exact result, not rounded. Fails on anything else, and on division by zero.
 *
 * @example evaluateAmount('12*45') // 540
 * @example evaluateAmount('450-10%') // 405
 * @example evaluateAmount('1.250,5', localeOf('de-DE')) // 1250.5
 */
export const evaluateAmount = (
  text: string,
  locale: Locale = houseLocale(),
): Result<Decimal, { readonly code: 'not-an-amount'; readonly text: string }> => {
  const source = plainDigits(text, locale)
  const tokens = source.match(/\d+(?:\.\d*)?|\.\d+|[-+*/()%]/g)
  const fail = err({ code: 'not-an-amount' as const, text })
  if (!tokens || tokens.join('') !== source || source.length > 60) return fail
  let at = 0
  const peek = () => tokens[at]

  const atom = (): Decimal => {
    const token = tokens[at++]
    if (token === '-') return atom().neg()
    if (token === '(') {
      const inside = sum()
      if (tokens[at++] !== ')') throw new SyntaxError(text)
      return inside
    }
    if (token === undefined || !/\d/.test(token)) throw new SyntaxError(text)
    return decimal(token)
  }
  const product = (): { value: Decimal; percent: boolean } => {
    let value = atom()
    let percent = false
    for (;;) {
      const token = peek()
      if (token === '%') {
        at++
        percent = true
        value = value.div(HUNDRED)
      } else if (token === '*' || token === '/') {
        at++
        percent = false
        const right = atom()
        if (token === '/' && right.eq(0)) throw new SyntaxError(text)
        value = token === '*' ? value.times(right) : value.div(right)
      } else return { value, percent }
    }
  }
  const sum = (): Decimal => {
    let value = product().value
    while (peek() === '+' || peek() === '-') {
      const minus = tokens[at++] === '-'
      const right = product()
      const change = right.percent ? value.times(right.value) : right.value
      value = minus ? value.minus(change) : value.plus(change)
    }
    return value
  }
  try {
    const value = sum()
    return at === tokens.length ? ok(value) : fail
  } catch (problem) {
    if (problem instanceof SyntaxError) return fail
    throw problem
  }
}
