import type { z } from 'zod'
import { writeEntryInput } from '@/contract/inputs/books/writeEntry'
import { refuse, refuseAt } from '@/contract/refuse'
import type { Day } from '@/core/day'
import { isKeptByPapers, makeEntry } from '@/core/ledger'
import { absMoney, isZeroMoney, subtractMoney, sumMoney, zeroMoney, type Money } from '@/core/money'
import { present } from '@/core/present'
import { listAccounts } from '@/data/queries/accounts'
import { insertEntryRepeat } from '@/data/queries/entryRepeats'
import { findEntry } from '@/data/queries/ledger'
import { viewOfEntry } from '@/model/books/entryView'
import { defineCommand, paperDay, type Work } from '../command'
import { postReversal } from './reverseEntry'

type Lines = z.output<typeof writeEntryInput>['lines']

/** The lines of an own entry, in debit: of accounts that are offered and that no document keeps. */
const readLines = async (w: Work, lines: Lines) => {
  const accounts = await listAccounts(w.tx)
  const sideOf = (text: string | undefined, path: string): Money =>
    text === undefined ? zeroMoney(w.currency) : w.money(text, path)
  return lines.map((l, i) => {
    const account =
      accounts.find((a) => a.code === l.account) ?? refuseAt(`lines.${i}.account`, `There is no account ${l.account}.`)
    if (account.hidden)
      refuseAt(`lines.${i}.account`, `${account.name} is hidden. Show it again first, or choose another.`)
    if (isKeptByPapers(account)) refuse({ code: 'account-kept-by-papers', account: account.name })
    const [debit, credit] = [sideOf(l.debit, `lines.${i}.debit`), sideOf(l.credit, `lines.${i}.credit`)]
    if (isZeroMoney(debit) === isZeroMoney(credit)) refuseAt(`lines.${i}`, 'Give a debit or a credit, one of them.')
    return { account: { accountId: account.id }, amount: subtractMoney(debit, credit) }
  })
}

/** It stands the other way round from a day on: at once where that day is here, else by itself when it comes. */
const reverseLater = async (w: Work, entryId: number, { from, on }: { readonly from: Day; readonly on: Day }) => {
  if (on < from) refuseAt('reverseOn', 'It cannot be reversed before its own day.')
  if (on <= w.today) return postReversal(w, { entryId, on: paperDay(w, on), why: '' })
  return insertEntryRepeat(w.tx, { entryId, turned: true, every: 'month', firstOn: on, nextOn: on, times: 1 })
}

/** The owner's own entry: rent, capital, opening balances. Debits equal credits. */
export const writeEntry = defineCommand('write-entry', writeEntryInput, async (w, input) => {
  const onDay = paperDay(w, input.on)
  const lines = await readLines(w, input.lines)
  const difference = sumMoney(
    lines.map((l) => l.amount),
    w.currency,
  )
  if (!isZeroMoney(difference)) refuse({ code: 'entry-unbalanced', difference: absMoney(difference) })
  const entryId = await w.post(makeEntry(onDay, input.text, lines), { kind: 'own', id: null })
  if (input.reverseOn) await reverseLater(w, entryId, { from: onDay, on: input.reverseOn })
  return { id: entryId, answer: async () => viewOfEntry(present(await findEntry(w.tx, entryId, w.currency))) }
})
