import { proposeMatches, type BankFacts, type OpenLine, type Proposal } from '@/core/bank'
import { addDays, day } from '@/core/day'
import { toDecimalString } from '@/core/money'
import { present } from '@/core/present'
import type { Db } from '@/data/connect'
import { listToBank } from '@/data/queries/bank'
import { listOwed } from '@/data/queries/bankOwed'
import {
  listBankAccounts,
  listBankRules,
  listLines,
  listMeant,
  listPosted,
  listStatements,
  type BankAccountRow,
} from '@/data/queries/bankStatements'
import { runElsewhere, type Waiting } from '@/workers/runElsewhere'

/** How many days beyond the lines something in the books may be dated. */
const AROUND = 45

/** What the lines could be: what is in the books around their days, what is owed, on its way, and what texts mean. */
const readFacts = async (
  db: Db,
  bank: BankAccountRow,
  lines: readonly OpenLine[],
  currency: string,
): Promise<BankFacts> => {
  const days = lines.map((l) => l.on).toSorted()
  const [first, last] = [days[0] ?? day('1990-01-01'), days.at(-1) ?? day('1990-01-01')]
  const [posted, owed, cheques, cards, elsewhere, accounts, said, meant] = await Promise.all([
    listPosted(db, { accountId: bank.accountId, from: addDays(first, -AROUND), to: addDays(last, AROUND) }, currency),
    listOwed(db, currency),
    bank.isMain ? listToBank(db, 'cheque', last, currency) : [],
    bank.isMain ? listToBank(db, 'card', last, currency) : [],
    listLines(db, { openNotOn: bank.id }, currency),
    listBankAccounts(db),
    listBankRules(db),
    listMeant(db),
  ])
  const rule = ({ contains, accountId, account, taxCode }: (typeof meant)[number], isSaid: boolean) => ({
    contains,
    accountId,
    account,
    said: isSaid,
    ...(taxCode !== null && { taxCode }),
  })
  return {
    posted: posted.map((p) => ({ ...p, says: p.text })),
    owed,
    onTheWay: [
      ...cheques.map((c) => ({ receiptId: c.id, method: 'cheque' as const, on: c.on, amount: c.amount })),
      ...cards.map((c) => ({ receiptId: c.id, method: 'card' as const, on: c.on, amount: c.amount })),
    ],
    elsewhere: elsewhere.map((l) => {
      const other = present(accounts.find((a) => a.id === l.bankAccountId))
      return { accountId: other.accountId, account: other.name, on: l.on, amount: l.amount }
    }),
    rules: [...said.map((r) => rule(r, true)), ...meant.map((r) => rule(r, false))],
  }
}

/** Lines from which on others would feel that proposals are looked for: they are then looked for on another thread. */
const MANY = 60

const propose = async (
  lines: readonly OpenLine[],
  facts: BankFacts,
  waiting: Waiting = {},
): Promise<readonly Proposal[]> =>
  lines.length < MANY
    ? proposeMatches(lines, facts)
    : runElsewhere(
        'proposals',
        { lines, facts },
        (asked) => Promise.resolve(proposeMatches(asked.lines, asked.facts, (done) => asked.tell?.postMessage(done))),
        waiting,
      )

/** Whether a statement has so many open lines that its page does not wait for what they could be. */
export const isLong = (openLines: number): boolean => openLines >= MANY

const proposalView = ({ settles, fee, ...p }: Proposal) => ({
  ...p,
  settles: settles.map((s) => ({ ...s, amount: toDecimalString(s.amount) })),
  ...(fee && { fee: toDecimalString(fee) }),
})

/** Reads what is needed to say what each open line of a statement could be; null where there is no such statement. */
export const findProposals = async (db: Db, statementId: number, currency: string) => {
  const [row] = await listStatements(db, { id: statementId })
  if (!row) return null
  const bank = present((await listBankAccounts(db)).find((b) => b.id === row.statement.bankAccountId))
  const open = (await listLines(db, { statementId }, currency)).filter((l) => !l.settled)
  const facts = open.length === 0 ? null : await readFacts(db, bank, open, currency)
  return async (waiting: Waiting = {}) => (facts ? (await propose(open, facts, waiting)).map(proposalView) : [])
}

/** What each open line of a statement could be, the surest first; null where there is no such statement. */
export const proposalViews = async (db: Db, statementId: number, currency: string) => {
  const find = await findProposals(db, statementId, currency)
  return find && { proposals: await find() }
}
export type ProposalView = NonNullable<Awaited<ReturnType<typeof proposalViews>>>['proposals'][number]
