import { type Asked, type Table, dayOf, m, everyPage, PAGE } from '@/api/tables/table'
import { readTrialBalance, readProfitAndLoss, readBalanceSheet } from '@/model/books/books'
import { yearStart } from '@/core/day'
import { listEntries } from '@/data/queries/ledger'
import { negateMoney } from '@/core/money'

export const trialBalance = async ({ db, business, today, query }: Asked): Promise<Table> => {
  const t = await readTrialBalance(db, dayOf(query, 'asOf', today), business.currency)
  return {
    columns: ['account', 'name', 'debit', 'credit'],
    rows: [...t.rows.map((r) => [r.code, r.name, m(r.debit), m(r.credit)]), ['', 'total', m(t.debit), m(t.credit)]],
  }
}

export const profitAndLoss = async ({ db, business, today, query }: Asked): Promise<Table> => {
  const to = dayOf(query, 'to', today)
  const p = await readProfitAndLoss(db, { from: dayOf(query, 'from', yearStart(to)), to }, business.currency)
  const part = (name: string, rows: typeof p.income) => rows.map((r) => [name, r.code, r.name, m(r.amount)])
  return {
    columns: ['part', 'account', 'name', 'amount'],
    rows: [
      ...part('income', p.income),
      ...part('cost of goods', p.costOfGoods),
      ...part('expenses', p.expenses),
      ['profit', '', '', m(p.profit)],
    ],
  }
}

export const balanceSheet = async ({ db, business, today, query }: Asked): Promise<Table> => {
  const b = await readBalanceSheet(db, dayOf(query, 'asOf', today), business.currency)
  const part = (name: string, rows: typeof b.assets) => rows.map((r) => [name, r.code, r.name, m(r.amount)])
  return {
    columns: ['part', 'account', 'name', 'amount'],
    rows: [
      ...part('assets', b.assets),
      ...part('liabilities', b.liabilities),
      ...part('equity', b.equity),
      ['equity', '', 'earned so far', m(b.earnings)],
    ],
  }
}

export const journal = async ({ db, business }: Asked): Promise<Table> => {
  const entries = await everyPage((last: Awaited<ReturnType<typeof listEntries>>[number] | undefined) =>
    listEntries(db, {}, { limit: PAGE, after: last && { on: last.on, id: last.id } }, business.currency),
  )
  return {
    columns: ['entry', 'on', 'text', 'account', 'name', 'debit', 'credit'],
    rows: entries.flatMap((e) =>
      e.lines.map((l) => [
        String(e.id),
        e.on,
        e.text,
        l.code,
        l.account,
        l.amount.minor > 0n ? m(l.amount) : '',
        l.amount.minor < 0n ? m(negateMoney(l.amount)) : '',
      ]),
    ),
  }
}
