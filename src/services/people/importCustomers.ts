import { importCustomersInput } from '@/contract/inputs/people/importCustomers'
import { email } from '@/contract/inputs/people/contact'
import { z } from 'zod'
import { needed, text } from '@/contract/fields'
import { refuse, refuseAt } from '@/contract/refuse'
import { runApart } from '@/workers/runApart'
import { present } from '@/core/present'
import { listCustomersCalled } from '@/data/queries/customers'
import { insertManyCustomers } from '@/data/queries/manyCustomers'
import { defineCommand, type Work } from '../command'
import { readTableFile, TOO_MUCH } from '../files/readTableFile'
import { eachInTurn } from '../files/eachInTurn'
import { sayIssues, type RowProblem } from '../files/openSheet'
import { cellsOf, findColumns } from '../files/tableColumns'
import { readCardsFile } from './cards'

const COLUMNS = {
  name: ['name', 'customer', 'company', 'fullname'],
  contact: ['contact', 'contactperson', 'attention'],
  email: ['email', 'mail', 'emailaddress'],
  phone: ['phone', 'tel', 'telephone', 'mobile'],
  address: ['address', 'billto', 'billingaddress', 'street'],
  kind: ['kind', 'type', 'group'],
  note: ['note', 'notes'],
  days: ['days', 'net', 'terms', 'paymentterms'],
} as const
type Given = Readonly<Record<keyof typeof COLUMNS, string>>

const row = z.object({
  name: needed(200, 'A name'),
  contact: text(200),
  email,
  phone: text(60),
  address: text(500),
  kind: text(40),
  note: text(4000),
  days: z.string().regex(/^\d{0,4}$/, 'Days are a whole number.'),
})

/** The rows of a file: of an address book, or of a table whose first row names the columns. */
const rowsIn = async (base64: string): Promise<{ readonly from: number; readonly rows: readonly Given[] }> => {
  const start = Buffer.from(base64.slice(0, 60), 'base64').toString('utf8')
  if (/^\uFEFF?\s*BEGIN:VCARD/i.test(start)) {
    const cards = await runApart('cards', Buffer.from(base64, 'base64'), readCardsFile)
    if (cards === null) return refuseAt('base64', TOO_MUCH)
    if (cards === 'damaged') return refuseAt('base64', 'This vCard file is damaged. Save it again.')
    return { from: 1, rows: cards.map((c) => ({ ...c, kind: '', days: '' })) }
  }
  const table = await readTableFile(base64)
  const columns = findColumns(table, COLUMNS, ['name'])
  const rows: Given[] = []
  await eachInTurn(table.rows, (cells) => void rows.push(cellsOf(cells, columns, COLUMNS)))
  return { from: 2, rows }
}

type Rows = Awaited<ReturnType<typeof rowsIn>>

/** Two are the same who are called the same and have the same address of e-mail. */
const keyOf = (one: { readonly name: string; readonly email: string }): string =>
  `${one.name.trim()}|${one.email.trim()}`.toLowerCase()

/** Each row on its own, against the others and against the customers there are. */
const judge = async (w: Work, { from, rows }: Rows) => {
  const called = await listCustomersCalled(
    w.tx,
    rows.map((r) => r.name),
  )
  const known = new Set(called.map((c) => keyOf(c)))
  const seen = new Map<string, number>()
  const problems: RowProblem[] = []
  const good: { readonly at: number; readonly given: z.output<typeof row> }[] = []
  await eachInTurn(rows, (given, i) => {
    const at = from + i
    const key = keyOf(given)
    const parsed = row.safeParse(given)
    const message = !parsed.success
      ? sayIssues(parsed.error)
      : seen.has(key)
        ? `name: ${given.name} stands in row ${seen.get(key)} already.`
        : known.has(key)
          ? `name: ${given.name} is a customer already.`
          : null
    if (message !== null) problems.push({ row: at, code: given.name, message })
    else if (parsed.success) good.push({ at, given: parsed.data })
    seen.set(key, at)
  })
  return { good, problems }
}

const writeCustomers = async (w: Work, mode: 'look' | 'all' | 'good', file: Rows) => {
  const { good, problems } = await judge(w, file)
  if (mode === 'all' && problems.length > 0)
    refuse({ code: 'rows-wrong', count: problems.length, first: present(problems[0]) })
  if (mode !== 'look')
    await insertManyCustomers(
      w.tx,
      good.map(({ given: { address, days, ...fields } }) => ({
        customer: { ...fields, since: w.today, ...(days !== '' && { netDays: Number(days) }) },
        address,
      })),
    )
  return {
    id: 1,
    answer: async () => ({
      rows: file.rows.length,
      added: good.length,
      problems,
      preview: good
        .slice(0, 20)
        .map(({ at, given: { name, email: mail, phone } }) => ({ row: at, name, email: mail, phone })),
      written: mode !== 'look',
    }),
  }
}

/**
 * Customers from an address book or a spreadsheet: first looked at, row by row; then written all at once or not at all. The file is
 * read before anybody waits for it.
 */
export const importCustomers = defineCommand(
  'import-customers',
  importCustomersInput,
  (w, { mode }, file: Rows | undefined) => writeCustomers(w, mode, present(file)),
  { ask: (_, { base64 }) => rowsIn(base64) },
)
