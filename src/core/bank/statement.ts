import { isDayInReach, type Day } from '../day'
import { addMoney, isZeroMoney, subtractMoney, sumMoney, type Money } from '../money'
import { err, ok, type Result } from '../result'

export const STATEMENT_FORMATS = ['csv', 'ofx', 'camt.053'] as const
export type StatementFormat = (typeof STATEMENT_FORMATS)[number]

/** A line of a statement: positive came in, negative went out. */
export interface StatementLine {
  readonly on: Day
  readonly amount: Money
  /** What the bank says about it, on one line. */
  readonly text: string
  /** The bank's own mark of it; empty where it gives none. */
  readonly bankId: string
}

/** A statement as it was read, its lines in the order of their days. Balances are null where the file has none. */
export interface Statement {
  readonly format: StatementFormat
  /** The number of the account it is of; empty where the file says none. */
  readonly account: string
  readonly opening: Money | null
  readonly closing: Money | null
  /** The day its closing balance is of. */
  readonly closedOn: Day | null
  readonly lines: readonly StatementLine[]
}

type Plain =
  | 'not-text'
  | 'too-much'
  | 'broken'
  | 'declares-entities'
  | 'too-deep'
  | 'not-a-statement'
  | 'no-lines'
  | 'several'
type OfWhat = 'version' | 'currency' | 'no-heading' | 'columns'
type OfRow = 'cut' | 'order'

/** Why a file is not taken. `row` counts the rows of the file from 1, its headings among them. */
export type StatementProblem =
  | { readonly [W in Plain]: { readonly why: W } }[Plain]
  | { readonly [W in OfWhat]: { readonly why: W; readonly said: string } }[OfWhat]
  | { readonly [W in OfRow]: { readonly why: W; readonly row: number } }[OfRow]
  | { readonly why: 'cell'; readonly row: number; readonly heading: string; readonly said: string }
  | { readonly why: 'balance'; readonly row: number | null; readonly said: Money; readonly reckoned: Money }

export type ReadStatement = Result<Statement, StatementProblem>

/** Text of the bank on one line: what is written several times in several fields stands once. */
export const oneLine = (parts: readonly string[]): string => {
  const clean = parts.map((p) => p.replace(/\s+/g, ' ').trim()).filter((p) => p !== '')
  return clean
    .filter((p, i) => clean.findIndex((o) => o.toLowerCase() === p.toLowerCase()) === i)
    .join(' · ')
    .slice(0, 500)
}

/** The day a date of digits says, `20260311` or `2026-03-11…`; null where it is none. */
export const plainDay = (text: string): Day | null => {
  const said = /^(\d{4})-?(\d{2})-?(\d{2})/.exec(text.trim())
  const day = said && `${said[1]}-${said[2]}-${said[3]}`
  return day && isDayInReach(day) ? day : null
}

/** What lines come to. */
export const sumOfLines = (lines: readonly StatementLine[], currency: string): Money =>
  sumMoney(
    lines.map((l) => l.amount),
    currency,
  )

/** A statement whose balances are held against its lines: the opening balance and the lines must make the closing one. */
export const checked = (s: Statement, currency: string): ReadStatement => {
  // A line of nothing is a notice of the bank.
  const moving = s.lines.filter((l) => l.amount.minor !== 0n)
  if (moving.length === 0) return err({ why: 'no-lines' })
  const lines = moving.toSorted((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0))
  const moved = sumOfLines(lines, currency)
  if (s.opening && s.closing) {
    const reckoned = addMoney(s.opening, moved)
    if (reckoned.minor !== s.closing.minor) return err({ why: 'balance', row: null, said: s.closing, reckoned })
  }
  const opening = s.opening ?? (s.closing && subtractMoney(s.closing, moved))
  return ok({ ...s, lines, opening, closing: s.closing ?? (opening && addMoney(opening, moved)) })
}

/**
 * By what each line is known again: the bank's mark, else day, amount and text; and which of its equals in the file it is.
 *
 * @example two equal fees of one day → `…#1` and `…#2`; read again from another file they are the same two
 */
export const lineKeys = (lines: readonly StatementLine[]): readonly string[] => {
  const seen = new Map<string, number>()
  return lines.map((l) => {
    const text = l.text
      .toLowerCase()
      .replace(/[^\p{L}\p{N}]+/gu, ' ')
      .trim()
    const key = l.bankId ? `id:${l.bankId}` : `${l.on}|${l.amount.minor}|${text}`
    const nth = (seen.get(key) ?? 0) + 1
    seen.set(key, nth)
    return `${key}#${nth}`
  })
}

/**
 * Whether a statement can be finished: every line is settled, and its closing balance is what the account holds on its day.
 *
 * @example no open line and a difference of 0.00 → true; without a closing balance → false
 */
export const canFinish = (open: number, difference: Money | null): boolean =>
  open === 0 && difference !== null && isZeroMoney(difference)
