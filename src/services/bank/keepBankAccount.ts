import { addBankAccountInput, changeBankAccountInput } from '@/contract/inputs/bank/bank'
import { found, refuse, refuseAt } from '@/contract/refuse'
import { addDays } from '@/core/day'
import { isKeptByPapers } from '@/core/ledger'
import { present } from '@/core/present'
import { insertAccounts, listAccounts } from '@/data/queries/accounts'
import { insertBankAccount, listBankAccounts, updateBankAccount } from '@/data/queries/bankStatements'
import { bankAccountView } from '@/model/bank/statements'
import { defineCommand, type Work } from '../command'

/** The bank's own account in the books where no other bank account has it; else another one beside it. */
const accountFor = async (w: Work, name: string): Promise<number> => {
  const [accounts, taken] = [await listAccounts(w.tx), await listBankAccounts(w.tx)]
  const main = present(accounts.find((a) => a.role === 'bank'))
  if (!taken.some((b) => b.accountId === main.id)) return main.id
  const codes = new Set(accounts.map((a) => a.code))
  const code = Array.from({ length: 900 }, (_, i) => String(Number(main.code) + 1 + i)).find((c) => !codes.has(c))
  return present((await insertAccounts(w.tx, [{ code: code ?? `${main.code}x`, name, kind: 'asset' }]))[0]).id
}

/** From now on: what was before came otherwise. */
const feedFrom = ({ today }: Work) => ({ feedSince: addDays(today, -1), fedThrough: addDays(today, -1) })

/** An account at a bank or card company whose statements are compared with an account in the books. */
export const addBankAccount = defineCommand('add-bank-account', addBankAccountInput, async (w, b) => {
  const taken = await listBankAccounts(w.tx)
  if (taken.some((t) => t.name.toLowerCase() === b.name.toLowerCase()))
    refuse({ code: 'taken', what: 'bank account', value: b.name })
  if (b.accountId !== undefined) {
    const account = found(
      (await listAccounts(w.tx)).find((a) => a.id === b.accountId),
      'account',
      b.accountId,
    )
    if ((account.kind !== 'asset' && account.kind !== 'liability') || isKeptByPapers(account))
      refuseAt(
        'accountId',
        `${account.name} is no account of money at a bank. Choose an asset, or a liability for a card.`,
      )
    if (account.hidden) refuseAt('accountId', `${account.name} is hidden. Show it again first, or choose another.`)
    if (taken.some((t) => t.accountId === b.accountId))
      refuseAt('accountId', `${account.name} belongs to another bank account already. Choose another one.`)
  }
  const id = await insertBankAccount(w.tx, {
    name: b.name,
    accountId: b.accountId ?? (await accountFor(w, b.name)),
    number: b.number ?? '',
    format: b.format ?? null,
    ...(b.feed ? feedFrom(w) : {}),
  })
  return { id, answer: async () => present(await bankAccountView(w.tx, id, w)) }
})

/** Another name or number for a bank account, or another way in which its bank writes tables. */
export const changeBankAccount = defineCommand(
  'change-bank-account',
  changeBankAccountInput,
  async (w, { bankAccountId, feed, ...change }) => {
    const before = found(
      (await listBankAccounts(w.tx)).find((b) => b.id === bankAccountId),
      'bank account',
      bankAccountId,
    )
    const isFed = before.feedSince !== null
    await updateBankAccount(w.tx, bankAccountId, {
      ...change,
      ...(feed === true && !isFed ? feedFrom(w) : feed === false ? { feedSince: null, fedThrough: null } : {}),
    })
    return { id: bankAccountId, answer: async () => present(await bankAccountView(w.tx, bankAccountId, w)) }
  },
)
