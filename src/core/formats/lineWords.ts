import { present } from '@/core/present'
import type { PaperWord } from './paperWordList'
import type { PaperTongue } from './paperWords'

/** What a line of a statement or a receipt is about, with the number of the paper it names; or a due by the name it is kept under. */
export type PaperLine =
  | { readonly what: PaperWord; readonly number: string | null }
  | { readonly what: 'due-part'; readonly label: string; readonly number: string | null }

/**
 * A line in the words of a language.
 *
 * @example lineIn(paperWords('de'), { what: 'receipt', number: 'R-26-3' }) // Quittung R-26-3
 * @example lineIn(paperWords('en'), { what: 'heldOnAccount', number: null }) // Held on account
 * @example lineIn(paperWords('en'), { what: 'due-part', number: '2026-0012', label: 'payment 1 of 3' }) // Invoice 2026-0012, payment 1 of 3
 */
export const lineIn = (t: PaperTongue, line: PaperLine): string =>
  line.what === 'due-part' ? dueIn(t, line) : line.number === null ? t(line.what) : `${t(line.what)} ${line.number}`

/** The names that dues are kept under, and what papers call them; a number may follow. */
const LABELS: readonly (readonly [kept: string, word: PaperWord])[] = [
  ['payoff of plan', 'payoff'],
  ['first payment', 'firstPayment'],
  ['Late fee', 'lateFee'],
  ['Returned-check fee', 'returnedCheckFee'],
]

/**
 * The name a due is kept under in the words of a language; a name that is none of the program's stays as it is.
 *
 * @example labelIn(paperWords('fr'), 'payment 2 of 9') // Paiement 2 sur 9
 * @example labelIn(paperWords('de'), 'Late fee X-26-1') // Mahngebühr X-26-1
 * @example labelIn(paperWords('es'), 'receipt R-26-3 came back') // Devuelto: recibo R-26-3
 */
export const labelIn = (t: PaperTongue, label: string): string => {
  if (t.language === 'en') return label
  const part = /^(?:payment|part) (\d+) of (\d+)$/.exec(label)
  if (part) return `${t('payment')} ${present(part[1])} ${t('of')} ${present(part[2])}`
  const back = /^receipt (\S+) came back$/.exec(label)
  if (back) return `${t('receiptBounced')} ${present(back[1])}`
  const [kept, word] = LABELS.find(([name]) => label === name || label.startsWith(`${name} `)) ?? []
  return kept && word ? t(word) + label.slice(kept.length) : label
}

/**
 * How a due is named on paper: its invoice and which part of it, or the charge that it is.
 *
 * @example dueIn(paperWords('de'), { number: '2026-0012', label: 'payment 1 of 3' }) // Rechnung 2026-0012, Zahlung 1 von 3
 */
export const dueIn = (t: PaperTongue, due: { readonly number: string | null; readonly label: string }): string =>
  [due.number && `${t('invoice')} ${due.number}`, due.label && labelIn(t, due.label)].filter(Boolean).join(', ')
