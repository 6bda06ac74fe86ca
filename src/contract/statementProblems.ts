import type { StatementProblem } from '@/core/bank'
import { formatMoney } from '@/core/money'

type Says = { readonly [W in StatementProblem['why']]: (p: Extract<StatementProblem, { why: W }>) => string }

const SAYS: Says = {
  'not-text': () => 'This file is not text that can be read. Save it again as CSV, OFX or camt.053.',
  broken: () => 'This file is damaged or was cut off. Download it from your bank again.',
  'declares-entities': () => 'This file declares its own document type, which statements do not. It was not read.',
  'too-deep': () => 'This file is nested deeper than statements are. Download it from your bank again.',
  'not-a-statement': () => 'This file is not a statement of one account. CSV, OFX and camt.053 are read.',
  'no-lines': () => 'There are no lines in this file. Choose other days when you download it.',
  'too-much': () => 'This file is too much to be read at once. Choose fewer days when you download it.',
  several: () => 'This file has statements of several accounts. Download them one by one.',
  version: (p) => `This is ${p.said}. Versions 02 to 08 are read; ask your bank for one of them.`,
  currency: (p) => `This statement is in ${p.said}, which is not your currency. Choose another account at your bank.`,
  'no-heading': (p) => `There is no column “${p.said}” in this file. Choose the columns again.`,
  columns: () => 'No column of amounts is chosen. Choose it, or those of money in and out.',
  cell: (p) =>
    p.said === ''
      ? `${at(p.row)}“${p.heading}” is empty. Nothing was imported; correct the file or its columns.`
      : `${at(p.row)}“${p.said}” is not what “${p.heading}” should hold. Nothing was imported; correct the file or its columns.`,
  cut: (p) => `Row ${p.row} is shorter than the others: the file was cut off. Download it again.`,
  order: (p) => `Row ${p.row} breaks the order of dates. Sort the file by date, or download it again.`,
  balance: (p) =>
    `${p.row === null ? 'The balances do not add up' : `The balance of row ${p.row} does not add up`}: the file says ${formatMoney(p.said)}, its lines come to ${formatMoney(p.reckoned)}. Download it again.`,
}
const at = (row: number): string => (row > 0 ? `Row ${row}: ` : '')

/** Why a statement is not taken, and what now. */
export const sayStatementProblem = (problem: StatementProblem): string => {
  const say: (p: never) => string = SAYS[problem.why]
  return say(problem as never)
}
