import { z } from 'zod'
import { yearUntil } from '@/lists/days'
import { day as readDay, monthStart, yearOf, type Day } from '@/core/day'
import { monthView } from '@/model/books/month'
import { findEntry, listEntries } from '@/data/queries/ledger'
import { day } from '@/contract/fields'
import { listClosings } from '@/data/queries/closings'
import { accountView } from '@/model/books/account'
import { openBooks } from '@/services/books/openBooks'
import { readOpening } from '@/services/books/readOpening'
import { openingFileQuery } from '@/contract/inputs/books/opening'
import { ok } from '@/core/result'
import { addAccount, changeAccount, mergeAccount } from '@/services/books/keepAccount'
import { setBudget } from '@/services/books/setBudget'
import { budgetView } from '@/model/books/budget'
import { closeYear, reopenYear } from '@/services/books/closeYear'
import { closePeriod, reopenPeriod } from '@/services/books/closePeriod'
import { startEntryRepeat, stopEntryRepeat } from '@/services/books/repeatEntry'
import { reverseOwnEntry } from '@/services/books/reverseEntry'
import { writeEntry } from '@/services/books/writeEntry'
import { entryRepeatViews } from '@/model/books/entryRepeats'
import { balanceSheetView, cashFlowView, profitAndLossView, taxView, trialBalanceView } from '@/model/books/books'
import { listAccounts } from '@/data/queries/accounts'
import { change, listOf, noQuery, page, read, readCursor, readFile } from '../operation'
import { tiesView } from '@/model/books/ties'
import { viewOfEntry } from '@/model/books/entryView'

const asOf = z.object({ asOf: day.optional() })
const span = z.object({ from: day.optional(), to: day.optional() })
const SPREADSHEETS =
  'text/csv, application/vnd.openxmlformats-officedocument.spreadsheetml.sheet, application/octet-stream'
const cursor = z.object({ on: day, id: z.number().int() })

export const books = [
  read('/books/trial-balance', 'Every account’s balance on its side.', asOf, ({ db, business, today, query }) =>
    trialBalanceView(db, query.asOf ?? today, business.currency),
  ),
  read('/books/balance-sheet', 'What there is, what is owed, what is left.', asOf, ({ db, business, today, query }) =>
    balanceSheetView(db, query.asOf ?? today, business.currency),
  ),
  change('/books/budget', 'What accounts of income and expenses are meant to come to in a year.', setBudget),
  read(
    '/books/budget',
    'The budget of a year.',
    z.object({ year: z.coerce.number().int().min(1990).max(2199).optional() }),
    ({ db, business, today, query }) => budgetView(db, query.year ?? yearOf(today), business.currency),
  ),
  read('/books/profit-and-loss', 'Income less cost of goods less expenses.', span, ({ db, business, today, query }) =>
    profitAndLossView(db, yearUntil(query, today), business.currency),
  ),
  read(
    '/books/cash-flow',
    'Where cash came from and went, from the accounts on the other side of it.',
    span,
    ({ db, business, today, query }) => cashFlowView(db, yearUntil(query, today), business.currency),
  ),
  read('/books/tax', 'Tax by code and component.', span, ({ db, business, today, query }) =>
    taxView(db, yearUntil(query, today), business.currency),
  ),
  read('/books/ties', 'What the documents say beside what the accounts say.', asOf, ({ db, business, today, query }) =>
    tiesView(db, query.asOf ?? today, business.currency),
  ),
  read(
    '/books/entries',
    'The journal, newest first.',
    page.extend({
      source: z.string().max(40).optional(),
      account: z.string().max(20).optional(),
      from: day.optional(),
      to: day.optional(),
      saleId: z.coerce.number().int().optional(),
    }),
    async ({ db, business, query }) => {
      const account =
        query.account === undefined
          ? undefined
          : (await listAccounts(db)).find((a) => a.code === query.account || String(a.id) === query.account)
      if (query.account !== undefined && !account) return { items: [], next: null }
      const rows = await listEntries(
        db,
        {
          source: query.source,
          accountId: account?.id,
          from: query.from,
          to: query.to,
          saleId: query.saleId,
        },
        { limit: query.limit, after: readCursor(cursor, query.after) as { on: Day; id: number } | undefined },
        business.currency,
      )
      return listOf(rows, query.limit, viewOfEntry, (e) => ({ on: e.on, id: e.id }))
    },
  ),
  read(
    '/books/entries/{id}',
    'An entry.',
    noQuery,
    async ({ db, id, business }) => {
      const entry = await findEntry(db, id, business.currency)
      return entry && viewOfEntry(entry)
    },
    'entry',
  ),
  change('/books/entries', 'The owner’s own entry.', writeEntry, { status: 201 }),
  read('/accounts', 'The chart of accounts.', noQuery, async ({ db }) => ({
    items: (await listAccounts(db)).map(accountView),
    next: null,
  })),
  change('/accounts', 'Another account.', addAccount, { status: 201 }),
  change('/accounts/{id}', 'Another name for an account; hidden, or offered again.', changeAccount, {
    path: { accountId: 'id' },
    method: 'PATCH',
  }),
  change('/accounts/{id}/merge', 'Two accounts become one: what it holds moves, and it is hidden.', mergeAccount, {
    path: { accountId: 'id' },
  }),
  change('/books/year-end', 'Closes a year that is over: what was earned goes to retained earnings.', closeYear, {
    status: 201,
  }),
  change('/books/year-end/{year}', 'Takes the closing of a year back.', reopenYear, {
    path: { year: 'year' },
    method: 'DELETE',
  }),
  read(
    '/month',
    'What is done at the end of a month and what is not, each with why.',
    z.object({
      month: z
        .string()
        .regex(/^\d{4}-(0[1-9]|1[0-2])$/, 'A month is written YYYY-MM.')
        .optional(),
    }),
    ({ db, business, today, query }) =>
      monthView(
        { db, business, today, currency: business.currency },
        query.month === undefined ? monthStart(today) : readDay(`${query.month}-01`),
      ),
  ),
  change(
    '/books/entries/{id}/reverse',
    'Takes an entry of your own back: the same the other way round.',
    reverseOwnEntry,
    {
      path: { entryId: 'id' },
      status: 201,
    },
  ),
  change('/books/entries/{id}/repeats', 'An entry of your own that comes again.', startEntryRepeat, {
    path: { entryId: 'id' },
    status: 201,
  }),
  read('/entry-repeats', 'Entries that come again, or that will be turned round.', noQuery, async ({ db }) => ({
    items: await entryRepeatViews(db, {}),
    next: null,
  })),
  change('/entry-repeats/{id}/stop', 'Nothing more is posted; what was posted stays.', stopEntryRepeat, {
    path: { repeatId: 'id' },
  }),
  readFile(
    '/books/opening/read',
    'A spreadsheet for one list of opening balances, row by row as /books/opening takes it; nothing is saved.',
    SPREADSHEETS,
    openingFileQuery,
    async ({ db, business, query }, bytes) =>
      ok(await readOpening({ db, business }, query.list, Buffer.from(bytes).toString('base64'))),
  ),
  change('/books/opening', 'What the business had and owed when its books began here.', openBooks, { status: 201 }),
  change('/books/close', 'Closes the books through a day before today.', closePeriod),
  change('/books/reopen', 'Takes a closing back, with the passphrase and a reason.', reopenPeriod),
  read('/books/closings', 'Every closing and reopening, the newest first.', noQuery, async ({ db }) => ({
    items: await listClosings(db),
    next: null,
  })),
]
