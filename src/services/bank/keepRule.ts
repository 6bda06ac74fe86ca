import type { z } from 'zod'
import { addBankRuleInput, bankRuleInput } from '@/contract/inputs/bank/bank'
import { found, refuse } from '@/contract/refuse'
import { present } from '@/core/present'
import { listAccounts } from '@/data/queries/accounts'
import { deleteBankRule, insertBankRule, listBankRules } from '@/data/queries/bankStatements'
import { ownAccount } from '../books/ownAccount'
import { taxCodeNamed } from '../books/taxCodeNamed'
import { defineCommand, type Work } from '../command'

/** Writes what a text of the bank means; each text means one thing. */
export const writeBankRule = async (
  w: Work,
  { contains, accountId, taxCode, always }: z.output<typeof addBankRuleInput>,
): Promise<number> => {
  const account = ownAccount(await listAccounts(w.tx), accountId, { path: 'accountId', now: 'Choose another one.' })
  if ((await listBankRules(w.tx)).some((r) => r.contains.toLowerCase() === contains.toLowerCase()))
    refuse({ code: 'taken', what: 'text', value: contains })
  const taxCodeId = taxCode ? taxCodeNamed(await w.taxCodes(), taxCode, 'taxCode').id : null
  return insertBankRule(w.tx, { contains, accountId: account.id, taxCodeId, always })
}

/** What a text of the bank means from now on: proposed, or posted by itself. */
export const addBankRule = defineCommand('add-bank-rule', addBankRuleInput, async (w, rule) => {
  const id = await writeBankRule(w, rule)
  return { id, answer: async () => present((await listBankRules(w.tx)).find((r) => r.id === id)) }
})

export const dropBankRule = defineCommand('drop-bank-rule', bankRuleInput, async (w, { ruleId }) => {
  found(
    (await listBankRules(w.tx)).find((r) => r.id === ruleId),
    'rule',
    ruleId,
  )
  await deleteBankRule(w.tx, ruleId)
  return { id: ruleId, answer: async () => ({}) }
})
