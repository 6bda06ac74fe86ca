import { fetchStatementInput } from '@/contract/inputs/bank/bank'
import { found, refuseAt } from '@/contract/refuse'
import type { Bank } from '@/core/bank'
import type { Day } from '@/core/day'
import { present } from '@/core/present'
import type { Database, Db } from '@/data/connect'
import { findBusiness } from '@/data/queries/business'
import { listBankAccounts, lockBankAccount, updateBankAccount } from '@/data/queries/bankStatements'
import { bankAccountView } from '@/model/bank/statements'
import { defineCommand } from '../command'
import { bringStatement } from './importStatement'
import { readStatementApart } from './readStatementApart'
import type { StatementFile } from './readStatementFile'

/** The bank account whose statements come by themselves. */
const fedAccount = async (db: Db, bankAccountId: number) => {
  const account = found(
    (await listBankAccounts(db)).find((b) => b.id === bankAccountId),
    'bank account',
    bankAccountId,
  )
  const { feedSince: since, fedThrough } = account
  return since && fedThrough
    ? { account, since, fedThrough }
    : refuseAt('bankAccountId', `The statements of ${account.name} do not come automatically. Switch that on first.`)
}

/** What the bank gave, and what it had told when it was asked. */
type Fetched = Omit<Awaited<ReturnType<Bank['send']>>, 'sent'> & {
  readonly since: Day
  readonly sent: readonly { readonly name: string; readonly file: StatementFile }[]
}

/** Asks the bank for statements of an account, before the transaction: nobody waits for it but who asked. */
export const fetchStatement = (bankOf: (db: Database) => Bank) =>
  defineCommand(
    'fetch-statement',
    fetchStatementInput,
    async (w, { bankAccountId }, asked: Fetched | undefined) => {
      await lockBankAccount(w.tx, bankAccountId)
      const { account, fedThrough } = await fedAccount(w.tx, bankAccountId)
      const { sent, through, since } = present(asked)
      // Where somebody else asked meanwhile, it is there already.
      const isNew = fedThrough === since
      const statementIds: number[] = []
      for (const one of isNew ? sent : []) statementIds.push(await bringStatement(w, account, one))
      if (isNew) await updateBankAccount(w.tx, bankAccountId, { fedThrough: through })
      return {
        id: bankAccountId,
        answer: async () => ({ ...present(await bankAccountView(w.tx, bankAccountId, w)), statementIds }),
      }
    },
    {
      ask: async ({ db, today }, { bankAccountId }) => {
        const { account, since, fedThrough } = await fedAccount(db, bankAccountId)
        const business = present(await findBusiness(db))
        const { currency } = business
        const number = account.number || `RB${String(account.id).padStart(8, '0')}`
        const of = { bankAccountId, accountId: account.accountId, number, currency, since, fedThrough, today }
        const { sent, ...told } = await bankOf(db).send(of)
        const read = ({ name, body }: (typeof sent)[number]) =>
          readStatementApart(Buffer.from(body, 'utf8'), business, account.format).then((file) => ({ name, file }))
        return { ...told, sent: await Promise.all(sent.map(read)), since: fedThrough }
      },
    },
  )
