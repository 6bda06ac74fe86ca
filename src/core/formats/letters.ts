import { present } from '@/core/present'
import { PAPERS, traitsOf, type LetterTemplate, type PaperKind } from './papers'
import { paperWords } from './paperWords'
import type { PaperWord } from './paperWordList'

/** What a letter may speak of. Anything left out is left out of the letter, with its line where it stands alone. */
export const LETTER_FACTS = [
  'name',
  'paper',
  'number',
  'title',
  'amount',
  'due',
  'until',
  'business',
  'link',
  'parcel',
  'ready',
] as const
export type LetterFact = (typeof LETTER_FACTS)[number]
export type LetterFacts = Partial<Record<LetterFact, string>>

/** The frame of a letter in the other languages; the paper that is attached says the rest. */
const FRAMES: Readonly<Record<string, LetterTemplate>> = {
  de: {
    subject: '{paper} {number}',
    body: 'Guten Tag {name},\n\nanbei finden Sie: {paper} {number}, {amount}.\n\nIhre Seite bei uns:\n{link}\n\nMit freundlichen Grüßen\n{business}',
  },
  fr: {
    subject: '{paper} {number}',
    body: 'Bonjour {name},\n\nvous trouverez ci-joint : {paper} {number}, {amount}.\n\nVotre page :\n{link}\n\nCordialement\n{business}',
  },
  es: {
    subject: '{paper} {number}',
    body: 'Hola {name}:\n\nAdjuntamos {paper} {number}, {amount}.\n\nSu página:\n{link}\n\nUn saludo\n{business}',
  },
  he: {
    subject: '{paper} {number}',
    body: 'שלום {name},\n\nמצורף: {paper} {number}, {amount}.\n\nהעמוד שלך אצלנו:\n{link}\n\nבברכה\n{business}',
  },
}

/** A reminder that was not heard is written again, firmer each time. */
const FIRMER: Readonly<Record<number, LetterTemplate>> = {
  2: {
    subject: 'Second reminder: {amount} past due',
    body: 'Dear {name},\n\nWe have not yet received {amount} (the oldest due since {due}). Please pay within seven days, or call us so we can agree on a solution. A list is attached, and you can pay online:\n{link}\n\nKind regards,\n{business}',
  },
  3: {
    subject: 'Final reminder: {amount} past due',
    body: 'Dear {name},\n\nDespite our earlier reminders, {amount} (the oldest due since {due}) remains unpaid. Please pay within seven days. After that we will supply only against payment in advance and add the agreed late fees. A list is attached, and you can pay online:\n{link}\n\n{business}',
  },
}

/** An order that will be ready on another day than was promised. */
const NEW_DATE: LetterTemplate = {
  subject: 'New date for order {number}',
  body: 'Dear {name},\n\nThe date of your order {number} has changed. It will be ready on:\n{ready}\n\nThe confirmation is attached. You can also see your order online:\n{link}\n\nKind regards,\n{business}',
}

/** Letters about a paper that has another wording than its own: the later reminders, and a promised day that moved. */
const OTHER_LETTERS = {
  'reminder-2': { paper: 'reminder', wording: present(FIRMER[2]) },
  'reminder-3': { paper: 'reminder', wording: present(FIRMER[3]) },
  'new-date': { paper: 'confirmation', wording: NEW_DATE },
} as const satisfies Readonly<Record<string, { readonly paper: PaperKind; readonly wording: LetterTemplate }>>

/** Every letter that has a wording of its own. */
export const LETTERS = [...PAPERS, 'reminder-2', 'reminder-3', 'new-date'] as const
export type LetterKind = (typeof LETTERS)[number]

const otherLetter = (letter: LetterKind) =>
  letter === 'reminder-2' || letter === 'reminder-3' || letter === 'new-date' ? OTHER_LETTERS[letter] : null

/**
 * The letter that a reminder of a stage is written with.
 *
 * @example reminderLetter(1) // reminder
 * @example reminderLetter(5) // reminder-3
 */
export const reminderLetter = (stage: number): 'reminder' | 'reminder-2' | 'reminder-3' =>
  stage <= 1 ? 'reminder' : stage === 2 ? 'reminder-2' : 'reminder-3'

/**
 * The paper that goes along with a letter.
 *
 * @example paperOfLetter('reminder-3') // reminder
 */
export const paperOfLetter = (letter: LetterKind): PaperKind =>
  letter === 'reminder-2' || letter === 'reminder-3' || letter === 'new-date' ? OTHER_LETTERS[letter].paper : letter

/** The program's own wording of a letter, where the owner has none. */
export const usualLetter = (letter: LetterKind, language: string): LetterTemplate =>
  FRAMES[language] ?? otherLetter(letter)?.wording ?? traitsOf(paperOfLetter(letter)).letter

/**
 * What a document is called in a language; English where the language is not known.
 *
 * @example paperName('packing-slip', 'de') // Lieferschein
 */
export const paperName = (paper: PaperKind, language: string): string => paperWords(language)(paper satisfies PaperWord)

/**
 * What stands in braces in a template and is no fact that can be filled in, each once, as it is written.
 *
 * @example unknownFacts('{name}, {sum} of {sum}') // {sum}
 */
export const unknownFacts = (template: string): string[] => [
  ...new Set(
    [...template.matchAll(/\{(\w+)\}/g)].flatMap(([whole, fact]) =>
      LETTER_FACTS.some((known) => known === fact) ? [] : [whole],
    ),
  ),
]

/** Greets without a name: `Hello,` instead of `Dear …,`. */
const greetNobody = (template: string): string =>
  template.replace(/^Dear \{name\}(?=[,:])/m, 'Hello').replace(/ \{name\}(?=[,:])/g, '')

/**
 * Fills a template with facts. A fact that is not known disappears; a line that speaks of nothing but such facts disappears
 * with it, and so does the line before when that only led up to it (it ends with a colon). `{anything else}` stays as it
 * is. Where nobody is named, the greeting goes without.
 *
 * @example "See it here:\n{link}\nBye" without a link → "Bye"
 */
export const fillLetter = (template: string, facts: LetterFacts): string => {
  const lines: string[] = []
  for (const line of (facts.name ? template : greetNobody(template)).split('\n')) {
    const used = [...line.matchAll(/\{(\w+)\}/g)]
      .map((m) => present(m[1]))
      .filter((f) => LETTER_FACTS.includes(f as LetterFact))
    const filled = line.replace(/\{(\w+)\}/g, (all, fact: string) =>
      LETTER_FACTS.includes(fact as LetterFact) ? (facts[fact as LetterFact] ?? '') : all,
    )
    if (used.length > 0 && used.every((f) => !facts[f as LetterFact])) {
      if (/:\s*$/.test(lines.at(-1) ?? '')) lines.pop()
      continue
    }
    lines.push(filled)
  }
  return lines
    .join('\n')
    .replace(/\n{3,}/g, '\n\n')
    .trim()
}
