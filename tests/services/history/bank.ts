import { sql } from 'drizzle-orm'
import { addDays } from '@/core/day'
import { listAccounts } from '@/data/queries/accounts'
import { listBankAccounts } from '@/data/queries/bankStatements'
import { proposalViews } from '@/model/bank/proposals'
import { importStatement } from '@/services/bank/importStatement'
import { addBankAccount } from '@/services/bank/keepBankAccount'
import { finishStatement, matchLine, unmatchLine } from '@/services/bank/matchLine'
import type { History } from './history'
import type { Step } from './steps'

const FORMAT = { columns: { on: 'Date', text: 'Text', amount: 'Amount' } }

/** The account of the statements: the one of the books, and a second one beside it. */
const anAccount = async (h: History, x: Step): Promise<number> => {
  const all = await listBankAccounts(h.shop.db)
  if (all.length < 2) return h.shop.run(addBankAccount, { name: `Bank ${all.length + 1}`, format: FORMAT })
  return all[x.pick % 2]!.id
}

/** Lines of a bank: what somebody owes or we owe, named or not, and whatever else. */
const rows = async (h: History, x: Step): Promise<string> => {
  const owed = await h.shop.db.execute<{ amount: string; number: string }>(sql`
    select ((d.amount - d.filled) / 100.0)::numeric(12, 2)::text as amount, coalesce(i.number, '') as number
      from due d left join invoice i on i.id = d.invoice_id where d.filled < d.amount
    union all
    select ((b.filled - b.gross) / 100.0)::numeric(12, 2)::text, b.their_number from bill b where b.filled < b.gross and b.voided_on is null
    limit 12`)
  const one = owed[x.pick % Math.max(owed.length, 1)]
  const on = addDays(h.today, -(x.back % 9))
  const some = [
    ...(one ? [[on, x.flag ? `Paid ${one.number}` : 'Hazel Adair', one.amount]] : []),
    [h.today, 'Fee', `-${x.n}.${String(x.cents % 100).padStart(2, '0')}`],
    ...(x.n > 5 ? [[h.today, 'Hazel Adair', (x.cents / 100).toFixed(2)]] : []),
  ]
  return ['Date;Text;Amount', ...some.map((r) => r.join(';')), ''].join('\n')
}

const aLine = async (h: History, x: Step, settled: boolean) => {
  const lines = await h.shop.db.execute<{ id: number; statement: number; amount: string; out: boolean }>(sql`
    select l.id, l.statement_id as statement, (abs(l.amount) / 100.0)::numeric(12, 2)::text as amount, l.amount < 0 as out from bank_line l
     where exists (select from bank_match m where m.line_id = l.id) = ${settled} order by l.id desc limit 6`)
  return lines[x.pick % Math.max(lines.length, 1)]
}

export const BANK = {
  statement: async (h: History, x: Step) =>
    h.attempt(importStatement, {
      bankAccountId: await anAccount(h, x),
      base64: Buffer.from(await rows(h, x)).toString('base64'),
    }),
  'bank-line': async (h: History, x: Step) => {
    const line = await aLine(h, x, x.n > 5)
    if (!line) return undefined
    if (x.n > 6) return h.attempt(finishStatement, { statementId: line.statement })
    if (x.n > 5) return h.attempt(unmatchLine, { lineId: line.id })
    const { proposals } = (await proposalViews(h.shop.db, line.statement, 'USD'))!
    const found = proposals.filter((p) => p.lineId === line.id)
    // What is owed goes before what a text meant: most lines are fees.
    const proposal = found.find((p) => p.settles[0]?.kind === 'due') ?? found[x.pick % Math.max(found.length, 1)]
    if (proposal && x.n > 1) {
      const settles = proposal.settles.map((s) => ({ ...s, receiptIds: s.receiptIds && [...s.receiptIds] }))
      return h.attempt(matchLine, { lineId: line.id, settles, fee: proposal.fee })
    }
    if (x.flag) {
      const { supplier } = h.told
      const of = line.out
        ? ({ kind: 'supplier', id: supplier } as const)
        : ({ kind: 'customer', id: h.shop.customer } as const)
      return h.attempt(matchLine, { lineId: line.id, settles: [{ ...of, amount: line.amount }] })
    }
    const accountId = (await listAccounts(h.shop.db)).find((a) => a.code === '6110')!.id
    const taxCode = x.pick % 2 === 0 ? 'STD' : undefined
    return h.attempt(matchLine, {
      lineId: line.id,
      settles: [{ kind: 'account', accountId, amount: line.amount, taxCode }],
    })
  },
}
