import { present } from '@/core/present'
import { PAPERS, type PaperKind } from './papers'
import { paperWords, type PaperWord } from './paperWords'

/** What a letter may speak of. Anything left out is left out of the letter, with its line where it stands alone. */
export const LETTER_FACTS = ['name', 'paper', 'number', 'title', 'amount', 'due', 'until', 'business', 'link'] as const
export type LetterFact = (typeof LETTER_FACTS)[number]
export type LetterFacts = Partial<Record<LetterFact, string>>

export interface LetterTemplate {
  readonly subject: string
  readonly body: string
}

const ENGLISH: Readonly<Record<PaperKind, LetterTemplate>> = {
  estimate: {
    subject: 'Our estimate {number} for {title}',
    body: 'Dear {name},\n\nhere is our estimate for {title}: {amount}, good through {until}.\n\nYou can look at it, choose, and say yes or no on your page:\n{link}\n\nWith kind regards\n{business}',
  },
  confirmation: {
    subject: 'Your order {number} is agreed',
    body: 'Dear {name},\n\nthank you for your order. Attached is what we agreed, {amount} in all.\n\nYou find it on your page too:\n{link}\n\nWith kind regards\n{business}',
  },
  'pick-list': { subject: 'Pick list {number}', body: 'Attached is pick list {number}.\n\n{business}' },
  'packing-slip': {
    subject: 'On its way: {title}',
    body: 'Dear {name},\n\nyour goods have left our shop. The packing slip {number} is attached.\n\nWith kind regards\n{business}',
  },
  'deposit-request': {
    subject: 'Deposit for {title}',
    body: 'Dear {name},\n\nbefore we begin we ask for a deposit of {amount}. The request {number} is attached; you can also pay on your page:\n{link}\n\nWith kind regards\n{business}',
  },
  invoice: {
    subject: 'Invoice {number}',
    body: 'Dear {name},\n\nattached is invoice {number} over {amount}, due {due}.\n\nYou can see and pay it on your page:\n{link}\n\nWith kind regards\n{business}',
  },
  'credit-note': {
    subject: 'Credit note {number}',
    body: 'Dear {name},\n\nattached is credit note {number} over {amount}.\n\nWith kind regards\n{business}',
  },
  receipt: {
    subject: 'Receipt {number}: thank you',
    body: 'Dear {name},\n\nthank you for your payment of {amount}. The receipt {number} is attached.\n\nWith kind regards\n{business}',
  },
  statement: {
    subject: 'Your statement',
    body: 'Dear {name},\n\nattached is your statement. {amount} is open today.\n\nYour papers are on your page:\n{link}\n\nWith kind regards\n{business}',
  },
  agreement: {
    subject: 'Our agreement on payments for {title}',
    body: 'Dear {name},\n\nattached is what we agreed on paying for {title}, {amount} in all. Please sign one copy and bring or send it back.\n\nYou find everything on your page too:\n{link}\n\nWith kind regards\n{business}',
  },
  'open-items': {
    subject: 'What is open with us',
    body: 'Dear {name},\n\nattached is the list of what is open with us: {amount} in all.\n\nYou can see and pay it on your page:\n{link}\n\nWith kind regards\n{business}',
  },
  reminder: {
    subject: 'A reminder: {amount} is late',
    body: 'Dear {name},\n\nperhaps it slipped by: {amount} was due by {due} and is still open. The list is attached, and you can pay on your page:\n{link}\n\nIf it is on its way already, thank you.\n\nWith kind regards\n{business}',
  },
}

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
    subject: 'Second reminder: {amount} is late',
    body: 'Dear {name},\n\nwe wrote to you before: {amount} was due by {due} and has not come. Please pay it within a week, or call us, so that we find a way together. The list is attached; you can pay on your page:\n{link}\n\nWith kind regards\n{business}',
  },
  3: {
    subject: 'Last reminder: {amount} is long late',
    body: 'Dear {name},\n\nin spite of our reminders {amount}, due by {due}, is still open. This is our last reminder. If it does not come within a week, we can hand nothing more over on credit, and shall add the late charges we agreed. The list is attached; you can pay on your page:\n{link}\n\n{business}',
  },
}

/** Every letter that has a wording of its own: one for each paper, and the later reminders. */
export const LETTERS = [...PAPERS, 'reminder-2', 'reminder-3'] as const
export type LetterKind = (typeof LETTERS)[number]

/** The letter that a reminder of a stage is written with. */
export const reminderLetter = (stage: number): LetterKind =>
  stage <= 1 ? 'reminder' : stage === 2 ? 'reminder-2' : 'reminder-3'

/** The paper that goes along with a letter. */
export const paperOfLetter = (letter: LetterKind): PaperKind =>
  letter === 'reminder-2' || letter === 'reminder-3' ? 'reminder' : letter

/** The program's own wording of a letter, where the owner has none. */
export const usualLetter = (letter: LetterKind, language: string): LetterTemplate =>
  FRAMES[language] ??
  (letter === 'reminder-2' ? present(FIRMER[2]) : letter === 'reminder-3' ? present(FIRMER[3]) : ENGLISH[letter])

export const paperName = (paper: PaperKind, language: string): string => paperWords(language)(paper satisfies PaperWord)

/**
 * Fills a template with facts. A fact that is not known disappears; a line that held nothing else disappears with it, and
 * with it the line before when that only led up to it (it ends with a colon). `{anything else}` stays as it is.
 *
 * @example "See it here:\n{link}\nBye" without a link → "Bye"
 */
export const fillLetter = (template: string, facts: LetterFacts): string => {
  const lines: string[] = []
  for (const line of template.split('\n')) {
    const used = [...line.matchAll(/\{(\w+)\}/g)]
      .map((m) => present(m[1]))
      .filter((f) => LETTER_FACTS.includes(f as LetterFact))
    const filled = line.replace(/\{(\w+)\}/g, (all, fact: string) =>
      LETTER_FACTS.includes(fact as LetterFact) ? (facts[fact as LetterFact] ?? '') : all,
    )
    if (used.length > 0 && filled.trim() === '') {
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
