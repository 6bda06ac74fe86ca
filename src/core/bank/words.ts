import { plainWords } from '../plainText'

/** A text of a bank, taken apart once to look for names and numbers in it. */
export interface Words {
  readonly words: ReadonlySet<string>
  /** Numbers as they may be written: each word, and words with figures joined to those behind them. */
  readonly numbers: ReadonlySet<string>
  /** The words without figures: what comes back each time the same payee does. */
  readonly payee: string
}

/**
 * @example readWords('ADAIR, Hazel: INV 2026-0147') → words adair, hazel, inv, 2026, 0147; numbers 20260147 among them
 */
export const readWords = (text: string): Words => {
  const words = plainWords(text)
  const joined = words.flatMap((w, i) =>
    /\d/.test(w) || /\d/.test(words[i + 1] ?? '')
      ? [w, w + (words[i + 1] ?? ''), w + (words[i + 1] ?? '') + (words[i + 2] ?? '')]
      : [],
  )
  return { words: new Set(words), numbers: new Set(joined), payee: words.filter((w) => !/\d/.test(w)).join(' ') }
}

/**
 * What a rule of the owner would look for in lines like this one: the longest run of its words without figures.
 *
 * @example ruleText('POWER CO 02/26 thanks') // POWER CO
 */
export const ruleText = (text: string): string =>
  text
    .split(/\S*\d\S*/)
    .map((run) => run.trim())
    .reduce((longest, run) => (run.length > longest.length ? run : longest), '')

/** How a number is looked for: its letters and figures alone. Too short a one is found by chance. */
export const numberKey = (number: string): string | null => {
  const key = plainWords(number).join('')
  return key.length >= 4 && /\d/.test(key) ? key : null
}

/** The words of a name that tell it from others; none where it is too short to be told. */
export const nameKey = (name: string): readonly string[] => {
  const words = plainWords(name).filter((w) => w.length > 2 && !FORMS.has(w))
  return words.length === 0 || words.join('').length < 4 ? [] : words
}
const FORMS = new Set(['ltd', 'inc', 'llc', 'gmbh', 'corp', 'company', 'the', 'and', 'und', 'sarl', 'srl'])

/** Whether all words of a name stand in a text. */
export const isNamed = (key: readonly string[], { words }: Words): boolean =>
  key.length > 0 && key.every((w) => words.has(w))
