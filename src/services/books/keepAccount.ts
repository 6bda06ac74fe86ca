import { addAccountInput, changeAccountInput, mergeAccountInput } from '@/contract/inputs/books/accounts'
import { found, refuse, refuseAt } from '@/contract/refuse'
import { yearOf, yearStart, type Day } from '@/core/day'
import { inDebit, mayTakeIn, postMergedAccounts } from '@/core/ledger'
import { isZeroMoney, type Money } from '@/core/money'
import { present } from '@/core/present'
import {
  findAccountUse,
  findAccount,
  insertAccounts,
  isOfTax,
  listAccounts,
  moveIncome,
  updateAccount,
  type Account,
  type AccountUse,
} from '@/data/queries/accounts'
import { sumAccounts } from '@/data/queries/balances'
import { moveBudget } from '@/data/queries/budget'
import { accountView } from '@/model/books/account'
import { defineCommand, paperDay, type Work } from '../command'

/** Another account, beside those there are. */
export const addAccount = defineCommand('add-account', addAccountInput, async (w, { code, name, type }) => {
  if ((await listAccounts(w.tx)).some((a) => a.code.toLowerCase() === code.toLowerCase()))
    refuse({ code: 'taken', what: 'account code', value: code })
  const { id } = present((await insertAccounts(w.tx, [{ code, name, kind: type }]))[0])
  return { id, answer: async () => accountView(present(await findAccount(w.tx, id))) }
})

/** What an account holds through a day; of income and expenses what it holds of that day's year. */
const holdsOn = async (w: Work, { id, kind }: Account, on: Day): Promise<Money> => {
  const isOfYear = kind === 'income' || kind === 'expense'
  const sums = await sumAccounts(w.tx, { to: on, ...(isOfYear && { from: yearStart(on) }) }, w.currency)
  return inDebit(present(sums.find((s) => s.id === id)))
}

/** An account of the owner's own: those that documents or taxes post to are needed. */
const ownOne = async (w: Work, id: number): Promise<Account> => {
  const account = found(await findAccount(w.tx, id), 'account', id)
  if (account.role !== null || (await isOfTax(w.tx, id))) refuse({ code: 'account-is-needed', account: account.name })
  return account
}

const USES: Readonly<Record<AccountUse['kind'], (text: string) => string>> = {
  repeat: (text) => `A repeat posts to it: ${text}. Stop that first.`,
  rule: (text) => `A bank rule posts to it: ${text}. Delete that under Bank statements first.`,
  bank: (text) => `It is the account of ${text}, whose statements are compared with it, so it stays.`,
  goods: (text) => `${text} is sold into it. Choose another income account there first, or merge this one.`,
}

/** What still needs an account keeps it from being hidden: what posts by itself would be refused, and nobody would see it. */
const refuseInUse = (path: string, use: AccountUse | null): void => {
  if (use) refuseAt(path, USES[use.kind](use.text))
}

/** Another name for an account; or it is hidden, or offered again. */
export const changeAccount = defineCommand(
  'change-account',
  changeAccountInput,
  async (w, { accountId, ...change }) => {
    found(await findAccount(w.tx, accountId), 'account', accountId)
    if (change.hidden) {
      const holds = await holdsOn(w, await ownOne(w, accountId), w.today)
      if (!isZeroMoney(holds))
        refuseAt('hidden', 'This account holds money. Merge it into another one, or move what it holds first.')
      refuseInUse('hidden', await findAccountUse(w.tx, accountId))
    }
    await updateAccount(w.tx, accountId, change)
    return { id: accountId, answer: async () => accountView(present(await findAccount(w.tx, accountId))) }
  },
)

/** Two accounts become one from a day on: what the first holds moves, and it is hidden. What was reported before stays. */
export const mergeAccount = defineCommand(
  'merge-account',
  mergeAccountInput,
  async (w, { accountId, into, on, reason }) => {
    const from = await ownOne(w, accountId)
    const to = found(await findAccount(w.tx, into), 'account', into)
    if (to.id === from.id) refuseAt('into', 'Choose another account than this one.')
    if (!mayTakeIn(from, to))
      refuseAt(
        'into',
        `${to.name} cannot take it in. Choose an account of the same type that is not kept by documents.`,
      )
    await moveIncome(w.tx, from.id, to.id)
    refuseInUse('into', await findAccountUse(w.tx, from.id))
    const onDay = paperDay(w, on)
    const holds = await holdsOn(w, from, onDay)
    if (!isZeroMoney(holds)) {
      const text = `${from.name} merged into ${to.name}: ${reason}`
      await w.post(postMergedAccounts({ on: onDay, text, from: from.id, into: to.id, holds }), {
        kind: 'own',
        id: null,
      })
    }
    await moveBudget(w.tx, from.id, to.id, yearOf(onDay))
    await updateAccount(w.tx, from.id, { hidden: true })
    return { id: to.id, answer: async () => accountView(present(await findAccount(w.tx, to.id))) }
  },
)
