import { lineInput, matchLineInput, statementInput, type SettleInput } from '@/contract/inputs/bank/bank'
import { found, refuse, refuseAt } from '@/contract/refuse'
import { canFinish } from '@/core/bank'
import type { Day } from '@/core/day'
import { negateMoney, zeroMoney } from '@/core/money'
import { present } from '@/core/present'
import { undoToBank } from '@/data/queries/bank'
import {
  deleteMatches,
  listLines,
  listMatches,
  listStatements,
  updateStatement,
  type BankLineRow,
  type MatchRow,
} from '@/data/queries/bankStatements'
import { insertPurchaseTax, listPurchaseTax } from '@/data/queries/purchaseTax'
import { findReceipt } from '@/data/queries/receipt'
import { insertTaxMoves, listTaxOfEntry } from '@/data/queries/taxMove'
import { bankLineView, statementView, whatIsLeft } from '@/model/bank/statements'
import { reversePosted } from '../books/reversePosted'
import { undoPayment } from '../buying/paySupplier'
import { defineCommand, paperDay, type Work } from '../command'
import { takeBack } from '../money/takeBack'
import { writeBankRule } from './keepRule'
import { settleLine } from './settleLine'

const WHY = 'Undone on the bank statement'

/** A line of a statement that is not done. */
const openLine = async (w: Work, lineId: number): Promise<BankLineRow> => {
  const line = found((await listLines(w.tx, { id: lineId }, w.currency))[0], 'line', lineId)
  const [row] = await listStatements(w.tx, { id: line.statementId })
  if (row?.statement.doneOn) refuse({ code: 'statement-is-done' })
  return line
}

/** What this line is, every line with that text is: one account, with the tax in it. */
const remember = async (w: Work, contains: string, settles: readonly SettleInput[]): Promise<void> => {
  const { kind, accountId, taxCode } = present(settles[0])
  if (settles.length > 1 || kind !== 'account' || accountId === undefined)
    return refuseAt('always', 'Only a line that goes to one account can be remembered.')
  await writeBankRule(w, { contains, accountId, taxCode, always: true })
}

/** Says what a line is: something in the books already, or something that is entered with it, on the line’s own day. */
export const matchLine = defineCommand('match-line', matchLineInput, async (w, { lineId, always, ...matching }) => {
  const line = await openLine(w, lineId)
  if (line.settled) refuse({ code: 'line-is-settled' })
  await settleLine(w, line, matching)
  if (always) await remember(w, always, matching.settles)
  return { id: lineId, answer: async () => present(await bankLineView(w.tx, lineId, w.currency)) }
})

/** An entry the other way round, of the same day, with the tax in it. */
const reverse = async (
  w: Work,
  on: Day,
  entryId: number,
  source: { readonly kind: string; readonly id: number },
): Promise<void> => {
  const backId = await reversePosted(w, entryId, (text) => `${text}: ${WHY.toLowerCase()}`, source)
  const charged = await listTaxOfEntry(w.tx, entryId, 'bank', w.currency)
  await insertTaxMoves(
    w.tx,
    charged.map((t) => ({ ...t, net: negateMoney(t.net), amount: negateMoney(t.amount) })),
    { onDay: on, why: 'bank', entryId: backId },
  )
  const paid = await listPurchaseTax(w.tx, entryId)
  await insertPurchaseTax(
    w.tx,
    paid.map(({ onDay, taxCodeId, net, tax }) => ({ entryId: backId, onDay, taxCodeId, net: -net, tax: -tax })),
  )
}

/** Takes back what a match entered; what was in the books before stays. */
const unmake = async (w: Work, line: BankLineRow, { made, madeId, entryId }: MatchRow): Promise<void> => {
  const id = madeId ?? 0
  switch (made) {
    case 'receipt': {
      const receipt = present(await findReceipt(w.tx, id, w.currency))
      return takeBack(w, receipt, { on: line.on, kind: 'voided', reason: WHY, bankFee: zeroMoney(w.currency) })
    }
    case 'supplier-payment':
      return undoPayment(w, { paymentId: id, on: line.on, reason: WHY })
    case 'banking-slip':
      await reverse(w, line.on, entryId, { kind: 'banking-slip', id })
      return undoToBank(w.tx, { slipId: id, on: line.on })
    case 'card-settlement':
      await reverse(w, line.on, entryId, { kind: 'card-settlement', id })
      return undoToBank(w.tx, { settlementId: id, on: line.on })
    case 'entry':
      return reverse(w, line.on, entryId, { kind: 'bank-line', id: line.id })
    case null:
      return undefined
  }
}

/** A line is open again: what was entered with it is taken back on its own day. */
export const unmatchLine = defineCommand('unmatch-line', lineInput, async (w, { lineId }) => {
  const line = await openLine(w, lineId)
  if (!line.settled) refuse({ code: 'line-not-settled' })
  paperDay(w, line.on)
  const matches = (await listMatches(w.tx, [lineId])).map((m) => m.match)
  await deleteMatches(w.tx, lineId)
  const once = matches.filter((m, i) => m.made === null || matches.findIndex((o) => o.entryId === m.entryId) === i)
  for (const m of once) await unmake(w, line, m)
  return { id: lineId, answer: async () => present(await bankLineView(w.tx, lineId, w.currency)) }
})

/** Every line is settled and the balances agree: the statement is fixed. */
export const finishStatement = defineCommand('finish-statement', statementInput, async (w, { statementId }) => {
  const row = found((await listStatements(w.tx, { id: statementId }))[0], 'statement', statementId)
  if (row.statement.doneOn) refuse({ code: 'statement-is-done' })
  const { open, difference } = whatIsLeft(row, w.currency)
  if (!canFinish(open, difference)) refuse({ code: 'statement-not-done', open, difference })
  await updateStatement(w.tx, statementId, { doneOn: w.today })
  return { id: statementId, answer: async () => present(await statementView(w.tx, statementId, w.currency)) }
})
