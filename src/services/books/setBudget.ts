import { setBudgetInput } from '@/contract/inputs/books/budget'
import { refuseAt } from '@/contract/refuse'
import { isZeroMoney } from '@/core/money'
import { present } from '@/core/present'
import { listAccounts } from '@/data/queries/accounts'
import { replaceBudget } from '@/data/queries/budget'
import { budgetView } from '@/model/books/budget'
import { defineCommand } from '../command'

/** What accounts of income and expenses are meant to come to in a year, in place of what was said before. */
export const setBudget = defineCommand('set-budget', setBudgetInput, async (w, { year, lines }) => {
  const accounts = new Map((await listAccounts(w.tx)).map((a) => [a.id, a]))
  const rows = lines.map((l, i) => {
    const account = accounts.get(l.accountId)
    if (account?.kind !== 'income' && account?.kind !== 'expense')
      refuseAt(`lines.${i}.accountId`, 'A budget is for an account of income or expenses.')
    if (lines.findIndex((o) => o.accountId === l.accountId) !== i)
      refuseAt(`lines.${i}.accountId`, `${present(account).name} is named twice. Say its amount once.`)
    const amount = w.money(l.amount, `lines.${i}.amount`)
    return { accountId: l.accountId, amount }
  })
  await replaceBudget(
    w.tx,
    year,
    rows.filter((r) => !isZeroMoney(r.amount)).map((r) => ({ accountId: r.accountId, amount: r.amount.minor })),
  )
  return { id: year, answer: () => budgetView(w.tx, year, w.currency) }
})
