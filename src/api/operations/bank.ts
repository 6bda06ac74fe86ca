import { z } from 'zod'
import { day, id as idField } from '@/contract/fields'
import { importStatementInput } from '@/contract/inputs/bank/bank'
import { err, ok } from '@/core/result'
import {
  bankAccountView,
  bankAccountViews,
  bankRuleViews,
  statementView,
  statementViews,
} from '@/model/bank/statements'
import { proposalViews } from '@/model/bank/proposals'
import { importStatement } from '@/services/bank/importStatement'
import { riverBank } from '@/standins/bank/riverBank'
import { fetchStatement } from '@/services/bank/fetchStatement'
import { addBankAccount, changeBankAccount } from '@/services/bank/keepBankAccount'
import { addBankRule, dropBankRule } from '@/services/bank/keepRule'
import { finishStatement, matchLine, unmatchLine } from '@/services/bank/matchLine'
import { readStatementApart } from '@/services/bank/readStatementApart'
import { change, listOf, longPage, noQuery, read, readCursor, readFile, type Operation } from '../operation'

const byThrough = z.object({ through: day, id: z.number().int() })

/** What a statement may be sent as; what it is is found in it. */
const FILES = 'text/csv, application/x-ofx, application/xml, text/xml, text/plain, application/octet-stream'

/** A statement as the file it is, with the account it is of in the query. */
const importFile: Operation = {
  method: 'POST',
  path: '/bank/statements',
  summary:
    'A statement as the bank gives it: CSV, OFX 1 and 2, or camt.053. Lines known already are not written again.',
  status: 201,
  file: FILES,
  query: importStatementInput.omit({ base64: true }),
  run: async ({ till, query, body, key }) => {
    const base64 = body instanceof Uint8Array ? Buffer.from(body).toString('base64') : ''
    const { bankAccountId, name } = query
    const done = await importStatement.answer(till, { bankAccountId, name, base64 }, key)
    return done.ok ? ok({ status: 201, body: done.value }) : done
  },
}

export const bank: readonly Operation[] = [
  change('/bank/accounts', 'An account at a bank whose statements are compared with the books.', addBankAccount, {
    status: 201,
  }),
  read('/bank/accounts', 'The bank accounts.', noQuery, async ({ db, business, today }) => ({
    items: await bankAccountViews(db, { business, today }),
    next: null,
  })),
  read(
    '/bank/accounts/{id}',
    'A bank account.',
    noQuery,
    ({ db, id, business, today }) => bankAccountView(db, id, { business, today }),
    'bank account',
  ),
  change('/bank/accounts/{id}', 'Another name, number, or way of writing tables.', changeBankAccount, {
    path: { bankAccountId: 'id' },
    method: 'PATCH',
  }),
  change(
    '/bank/accounts/{id}/fetch',
    'Asks the bank for what there is, where its statements come by themselves.',
    fetchStatement(riverBank),
    {
      path: { bankAccountId: 'id' },
    },
  ),
  importFile,
  readFile(
    '/bank/look',
    'What is in a file of a bank; for a table its headings, and what they look like. Nothing is saved.',
    FILES,
    noQuery,
    async ({ business }, bytes) => {
      const file = await readStatementApart(bytes, business, null)
      if ('unknown' in file) return ok({ format: 'csv' as const, ...file.unknown })
      return file.read.ok
        ? ok({ format: file.read.value.format, headings: [], columns: {}, rows: [] })
        : err({ code: 'statement-refused', problem: file.read.error })
    },
  ),
  read(
    '/bank/statements',
    'Statements, the last first.',
    longPage.extend({ bankAccountId: idField.optional() }),
    async ({ db, business, query: { limit, after, ...of } }) =>
      listOf(
        await statementViews(db, of, business.currency, { limit, after: readCursor(byThrough, after) }),
        limit,
        (s) => s,
        (s) => ({ through: s.through, id: s.id }),
      ),
  ),
  read(
    '/bank/statements/{id}',
    'A statement with its lines, and what each of them is.',
    noQuery,
    ({ db, id, business }) => statementView(db, id, business.currency),
    'statement',
  ),
  read(
    '/bank/statements/{id}/proposals',
    'What each open line could be, the surest first, with the reason.',
    noQuery,
    ({ db, id, business }) => proposalViews(db, id, business.currency),
    'statement',
  ),
  change(
    '/bank/statements/{id}/finish',
    'Every line is settled and the balances agree: it is fixed.',
    finishStatement,
    {
      path: { statementId: 'id' },
    },
  ),
  change('/bank/matches', 'Says what a line is; what is not in the books yet is entered on its day.', matchLine, {
    status: 201,
  }),
  change('/bank/matches/{lineId}', 'A line is open again; what was entered with it is taken back.', unmatchLine, {
    path: { lineId: 'lineId' },
    method: 'DELETE',
  }),
  change('/bank/rules', 'What a text of the bank means from now on.', addBankRule, { status: 201 }),
  read('/bank/rules', 'What texts of the bank mean.', noQuery, async ({ db }) => ({
    items: await bankRuleViews(db),
    next: null,
  })),
  change('/bank/rules/{id}', 'Drops a rule.', dropBankRule, { path: { ruleId: 'id' }, method: 'DELETE' }),
]
