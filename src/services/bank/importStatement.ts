import { importStatementInput } from '@/contract/inputs/bank/bank'
import { found, refuse } from '@/contract/refuse'
import { lineKeys, type Statement } from '@/core/bank'
import { absMoney, toDecimalString } from '@/core/money'
import { present } from '@/core/present'
import type { Db } from '@/data/connect'
import { findBusiness } from '@/data/queries/business'
import {
  insertLines,
  insertStatement,
  listBankAccounts,
  listBankRules,
  listLines,
  updateBankAccount,
  updateStatement,
  type BankAccountRow,
} from '@/data/queries/bankStatements'
import { statementView } from '@/model/bank/statements'
import { defineCommand, type Work } from '../command'
import { settleLine } from './settleLine'
import { readStatementApart } from './readStatementApart'
import type { StatementFile } from './readStatementFile'

const plain = (number: string): string => number.replace(/\W/g, '').toUpperCase()

/** The statement in a file, of this account; refused where it cannot be read, or is of another. */
const statementIn = (file: StatementFile, account: BankAccountRow): Statement => {
  if ('unknown' in file) return refuse({ code: 'columns-unknown', headings: file.unknown.headings })
  if (!file.read.ok) return refuse({ code: 'statement-refused', problem: file.read.error })
  const said = file.read.value.account
  if (said !== '' && account.number !== '' && plain(said) !== plain(account.number))
    refuse({ code: 'other-account', said, number: account.number })
  return file.read.value
}

/**
 * Lines that a rule of the owner posts by itself; one that cannot be posted on its day stays open. What a rule says of another
 * account is no news on that account's own statement.
 */
const postByRule = async (w: Work, statementId: number, { accountId }: BankAccountRow): Promise<void> => {
  const rules = (await listBankRules(w.tx)).filter((r) => r.always && r.accountId !== accountId)
  if (rules.length === 0) return
  for (const line of await listLines(w.tx, { statementId }, w.currency)) {
    const rule = rules.find((r) => line.text.toLowerCase().includes(r.contains.toLowerCase()))
    if (!rule) continue
    const closed = w.business.closedThrough
    if (line.on > w.today || (closed !== null && line.on <= closed)) continue
    const amount = toDecimalString(absMoney(line.amount))
    const settle = { kind: 'account' as const, accountId: rule.accountId, amount, taxCode: rule.taxCode ?? undefined }
    await settleLine(w, line, { settles: [settle] })
  }
}

/** Writes a statement as the bank gives it; answers its id. Lines that are known from earlier ones are counted, and not written again. */
export const bringStatement = async (
  w: Work,
  account: BankAccountRow,
  { name, file }: { readonly name: string; readonly file: StatementFile },
): Promise<number> => {
  const read = statementIn(file, account)
  const [first, last] = [present(read.lines[0]), present(read.lines.at(-1))]
  const id = await insertStatement(w.tx, {
    bankAccountId: account.id,
    name,
    format: read.format,
    importedOn: w.today,
    fromDay: first.on,
    through: read.closedOn !== null && read.closedOn >= last.on ? read.closedOn : last.on,
    opening: read.opening?.minor ?? null,
    closing: read.closing?.minor ?? null,
  })
  const keys = lineKeys(read.lines)
  const written = await insertLines(
    w.tx,
    read.lines.map((l, i) => ({
      statementId: id,
      bankAccountId: account.id,
      onDay: l.on,
      amount: l.amount.minor,
      text: l.text,
      bankId: l.bankId,
      key: present(keys[i]),
    })),
  )
  await updateStatement(w.tx, id, { doubles: read.lines.length - written })
  if (account.number === '' && read.account !== '')
    await updateBankAccount(w.tx, account.id, { number: plain(read.account) })
  await postByRule(w, id, account)
  return id
}

const findAccount = async (db: Db, id: number): Promise<BankAccountRow> =>
  found(
    (await listBankAccounts(db)).find((b) => b.id === id),
    'bank account',
    id,
  )

/** A statement from a file, which is read before anybody waits for it. */
export const importStatement = defineCommand(
  'import-statement',
  importStatementInput,
  async (w, s, file: StatementFile | undefined) => {
    const account = await findAccount(w.tx, s.bankAccountId)
    const id = await bringStatement(w, account, { name: s.name, file: present(file) })
    return { id, answer: async () => present(await statementView(w.tx, id, w.currency)) }
  },
  {
    ask: async ({ db }, s) => {
      const [account, business] = await Promise.all([findAccount(db, s.bankAccountId), findBusiness(db)])
      return readStatementApart(Buffer.from(s.base64, 'base64'), present(business), account.format)
    },
  },
)
