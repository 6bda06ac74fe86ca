import { keysOf } from '../keysOf'
import { amountIn, dayFormatOf, dayIn, decimalMarkOf, type Habits } from '../cells'
import { addMoney, money, subtractMoney, zeroMoney, type Money } from '../money'
import { present } from '../present'
import { err, ok, type Result } from '../result'
import { checked, oneLine, type ReadStatement, type StatementLine, type StatementProblem } from './statement'

/** Which heading is what. Money stands in one signed column, or in one that came in and one that went out. */
export interface CsvColumns {
  readonly on: string
  readonly text: string
  readonly amount?: string
  readonly in?: string
  readonly out?: string
  readonly balance?: string
  readonly bankId?: string
}

/** How a bank writes its file. What is left out is found out from the file. */
export interface CsvFormat {
  readonly columns: CsvColumns
  readonly delimiter?: string
  readonly decimal?: ',' | '.'
  /** Like `DD.MM.YYYY`: years, months and days by their letters, all else as it stands. */
  readonly date?: string
}

const same = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase()

interface Places {
  readonly on: number
  readonly text: number
  readonly amount: number
  readonly in: number
  readonly out: number
  readonly balance: number
  readonly bankId: number
}

const findHeadings = (
  rows: readonly (readonly string[])[],
  columns: CsvColumns,
): Result<{ at: number; places: Places }, StatementProblem> => {
  if (columns.amount === undefined && columns.in === undefined && columns.out === undefined)
    return err({ why: 'columns', said: 'amount' })
  const wanted = Object.values(columns).filter((c): c is string => typeof c === 'string' && c !== '')
  const at = rows.slice(0, 40).findIndex((row) => wanted.every((w) => row.some((c) => same(c, w))))
  const headings = rows[at]
  if (!headings) {
    const missing = wanted.find((w) => !rows.slice(0, 40).some((row) => row.some((c) => same(c, w)))) ?? wanted[0] ?? ''
    return err({ why: 'no-heading', said: missing })
  }
  const place = (name: string | undefined): number => (name ? headings.findIndex((h) => same(h, name)) : -1)
  return ok({
    at,
    places: {
      on: place(columns.on),
      text: place(columns.text),
      amount: place(columns.amount),
      in: place(columns.in),
      out: place(columns.out),
      balance: place(columns.balance),
      bankId: place(columns.bankId),
    },
  })
}

interface Row extends StatementLine {
  readonly row: number
  readonly balance: Money | null
}

/** Rows oldest first: a file that begins with the newest is turned round. A file in no order is refused at the row that breaks it. */
const inOrder = (rows: readonly Row[]): Result<readonly Row[], StatementProblem> => {
  const rises = rows.findIndex((r, i) => i > 0 && r.on < present(rows[i - 1]).on)
  if (rises < 0) {
    // All of one day: the balances say which way it goes.
    const turned = rows.toReversed()
    return ok(present(rows[0]).on === present(rows.at(-1)).on && !addsUp(rows) && addsUp(turned) ? turned : rows)
  }
  const falls = rows.findIndex((r, i) => i > 0 && r.on > present(rows[i - 1]).on)
  return falls < 0 ? ok(rows.toReversed()) : err({ why: 'order', row: present(rows[Math.max(rises, falls)]).row })
}

const brokenAt = (rows: readonly Row[]): number =>
  rows.findIndex((r, i) => {
    const before = rows[i - 1]?.balance
    return before && r.balance ? addMoney(before, r.amount).minor !== r.balance.minor : false
  })
const addsUp = (rows: readonly Row[]): boolean => brokenAt(rows) < 0

/**
 * A statement from the rows of a table, its headings among them. Rows before the headings and empty rows are passed over; a row that
 * cannot be read refuses the whole file. Where it has balances, every one must follow from the one before.
 *
 * @example Date;Text;Amount / 11.03.2026;Fee;-4,50 with ',' and DD.MM.YYYY → -4.50 on 11 March
 */
export const readCsv = (
  rows: readonly (readonly string[])[],
  format: CsvFormat,
  { currency, habits }: { readonly currency: string; readonly habits: Habits },
): ReadStatement => {
  const found = findHeadings(rows, format.columns)
  if (!found.ok) return found
  const { at, places } = found.value
  const headings = present(rows[at])
  const body = rows
    .map((cells, i) => ({ cells, row: i + 1 }))
    .slice(at + 1)
    .filter(({ cells }) => cells.some((c) => c.trim() !== ''))
  const cell = (cells: readonly string[], place: number): string => (place < 0 ? '' : (cells[place] ?? '').trim())
  const date =
    format.date ??
    dayFormatOf(
      body.map((b) => cell(b.cells, places.on)),
      habits.dayFirst,
    )
  const figures = [places.amount, places.in, places.out, places.balance].filter((p) => p >= 0)
  const mark =
    format.decimal ??
    decimalMarkOf(
      body.flatMap((b) => figures.map((p) => cell(b.cells, p))),
      habits.decimal,
    )
  const amounts = [places.amount, places.in, places.out].filter((p) => p >= 0)
  // A last row that is shorter than all before it was cut.
  const lastRow = body.length > 1 ? body.at(-1)?.row : undefined
  const usual = Math.min(...body.slice(0, -1).map((b) => b.cells.length))
  const lines: Row[] = []
  for (const { cells, row } of body) {
    const wrong = (place: number): ReadStatement =>
      err({ why: 'cell', row, heading: headings[place] ?? '', said: cell(cells, place).slice(0, 60) })
    if (cells.length <= Math.min(...amounts) || (row === lastRow && cells.length < usual))
      return err({ why: 'cut', row })
    const on = dayIn(cell(cells, places.on), date)
    if (!on) return wrong(places.on)
    const read = (place: number): Money | null | undefined =>
      cell(cells, place) === '' ? undefined : amountIn(cell(cells, place), mark, currency)
    const [whole, into, out, balance] = [read(places.amount), read(places.in), read(places.out), read(places.balance)]
    if (whole === null) return wrong(places.amount)
    if (into === null) return wrong(places.in)
    if (out === null) return wrong(places.out)
    if (balance === null) return wrong(places.balance)
    if (whole === undefined && into === undefined && out === undefined) return wrong(Math.max(places.amount, places.in))
    // Money out is written with or without its sign.
    const gone = out && money(out.minor < 0n ? out.minor : -out.minor, currency)
    const amount = whole ?? addMoney(into ?? zeroMoney(currency), gone ?? zeroMoney(currency))
    lines.push({
      row,
      on,
      amount,
      text: oneLine([cell(cells, places.text)]),
      bankId: cell(cells, places.bankId).slice(0, 120),
      balance: balance ?? null,
    })
  }
  if (lines.length === 0) return err({ why: 'no-lines' })
  const ordered = inOrder(lines)
  if (!ordered.ok) return ordered
  const broken = brokenAt(ordered.value)
  if (broken >= 0) {
    const { row, balance, amount } = present(ordered.value[broken])
    const before = present(present(ordered.value[broken - 1]).balance)
    return err({ why: 'balance', row, said: present(balance), reckoned: addMoney(before, amount) })
  }
  const first = present(ordered.value[0])
  const last = present(ordered.value.at(-1))
  return checked(
    {
      format: 'csv',
      account: '',
      opening: first.balance && subtractMoney(first.balance, first.amount),
      closing: last.balance,
      closedOn: last.on,
      lines: ordered.value.map(({ on, amount, text, bankId }) => ({ on, amount, text, bankId })),
    },
    currency,
  )
}

const GUESSES: Readonly<Record<keyof CsvColumns, RegExp>> = {
  on: /^(booking ?date|posting ?date|posted|transaction date|date|buchung|datum|fecha|data)/i,
  text: /^(description|details|text|memo|narrative|purpose|verwendungszweck|buchungstext|libell|concepto|causale|payee)/i,
  amount: /^(amount|betrag|umsatz|montant|importe|importo)/i,
  in: /^(credit|money in|paid in|deposits?|haben|gutschrift|abono|entrate|avere)/i,
  out: /^(debit|money out|paid out|withdrawals?|soll|lastschrift|cargo|uscite|dare)/i,
  balance: /^(balance|running balance|saldo|kontostand|solde)/i,
  bankId: /^(reference|transaction id|id|referenz|bank reference)/i,
}

/**
 * What the headings of a file look like: the row they stand in, and which could be what. Only a beginning for the owner, who says.
 *
 * @example ['Date', 'Description', 'Amount'] → on Date, text Description, amount Amount
 */
export const guessColumns = (
  rows: readonly (readonly string[])[],
): { readonly headings: readonly string[]; readonly columns: Partial<CsvColumns> } => {
  const first = rows.slice(0, 40)
  const known = (row: readonly string[]): number =>
    keysOf<keyof CsvColumns>(GUESSES).filter((key) => row.some((c) => GUESSES[key].test(c.trim()))).length
  const most = Math.max(...first.map(known))
  const at = most < 2 ? 0 : first.findIndex((row) => known(row) === most)
  const headings = (rows[at] ?? []).map((h) => h.trim())
  const columns: Partial<Record<keyof CsvColumns, string>> = {}
  for (const key of keysOf<keyof CsvColumns>(GUESSES)) {
    const heading = headings.find((h) => GUESSES[key].test(h))
    if (heading) columns[key] = heading
  }
  if (columns.amount !== undefined) {
    delete columns.in
    delete columns.out
  }
  return { headings: headings.filter((h) => h !== ''), columns }
}
