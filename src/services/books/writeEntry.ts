import { writeEntryInput } from '@/contract/inputs/books/writeEntry'
import { present } from '@/core/present'
import { isKeptByPapers, makeEntry } from '@/core/ledger'
import { isZeroMoney, sumMoney, zeroMoney, subtractMoney, absMoney } from '@/core/money'
import { listAccounts } from '@/data/queries/accounts'
import { findEntry } from '@/data/queries/ledger'
import { defineCommand, paperDay } from '../command'
import { refuse, refuseAt } from '@/contract/refuse'
import { viewOfEntry } from '@/model/books/entryView'

/** The owner's own entry: rent, capital, opening balances. Debits equal credits. */
export const writeEntry = defineCommand('write-entry', writeEntryInput, async (w, input) => {
  const onDay = paperDay(w, input.on)
  const accounts = await listAccounts(w.tx)
  const lines = input.lines.map((l, i) => {
    const account =
      accounts.find((a) => a.code === l.account) ?? refuseAt(`lines.${i}.account`, `There is no account ${l.account}.`)
    if (account.hidden)
      refuseAt(`lines.${i}.account`, `${account.name} is hidden. Show it again first, or choose another.`)
    if (isKeptByPapers(account)) refuse({ code: 'account-kept-by-papers', account: account.name })
    const debit = l.debit === undefined ? zeroMoney(w.currency) : w.money(l.debit, `lines.${i}.debit`)
    const credit = l.credit === undefined ? zeroMoney(w.currency) : w.money(l.credit, `lines.${i}.credit`)
    if (isZeroMoney(debit) === isZeroMoney(credit)) refuseAt(`lines.${i}`, 'Give a debit or a credit, one of them.')
    return { account: { accountId: account.id }, amount: subtractMoney(debit, credit) }
  })
  const difference = sumMoney(
    lines.map((l) => l.amount),
    w.currency,
  )
  if (!isZeroMoney(difference))
    refuse({
      code: 'entry-unbalanced',
      difference: absMoney(difference),
    })
  const entryId = await w.post(makeEntry(onDay, input.text, lines), { kind: 'own', id: null })
  return { id: entryId, answer: async () => viewOfEntry(present(await findEntry(w.tx, entryId, w.currency))) }
})
