import { plainAmount } from '../cells'
import { err, ok, type Result } from '../result'
import { checked, oneLine, plainDay, type ReadStatement, type StatementLine, type StatementProblem } from './statement'

interface Element {
  readonly name: string
  readonly text: string
  readonly inner: Element[]
}

const DEEPEST = 40
const NAMED: Readonly<Record<string, string>> = { amp: '&', lt: '<', gt: '>', nbsp: ' ', quot: '"', apos: "'" }
const plain = (text: string): string =>
  text.replace(/&(amp|lt|gt|nbsp|quot|apos);/g, (_, name: string) => NAMED[name] ?? '').trim()

/**
 * The elements of OFX, version 1 (SGML: what holds text is not closed) and 2 (XML) alike. Null where what is opened is not closed:
 * the file was cut.
 */
const readElements = (text: string): Element | null => {
  const root: Element = { name: '', text: '', inner: [] }
  const open: Element[] = [root]
  for (const [, closing, name = '', after = ''] of text.matchAll(/<(\/?)([A-Za-z0-9._]+)\s*>([^<]*)/g)) {
    const at = open.at(-1) ?? root
    const upper = name.toUpperCase()
    if (closing) {
      const i = open.findLastIndex((e) => e.name === upper)
      // An element with text may be closed or not; one that holds others is closed before what is around it.
      if (i > 0) {
        if (i !== open.length - 1) return null
        open.pop()
      } else if (!at.inner.some((e) => e.name === upper)) return null
      continue
    }
    const element: Element = { name: upper, text: plain(after), inner: [] }
    at.inner.push(element)
    if (after.trim() === '' && !isEmptyLeaf(upper)) open.push(element)
    if (open.length > DEEPEST) return null
  }
  return open.length === 1 ? root : null
}

/** Elements that hold text, and may hold none. */
const LEAVES = new Set([
  'NAME',
  'MEMO',
  'CHECKNUM',
  'REFNUM',
  'FITID',
  'SIC',
  'PAYEEID',
  'TRNTYPE',
  'MESSAGE',
  'INTU.BID',
  'INTU.USERID',
])
const isEmptyLeaf = (name: string): boolean => LEAVES.has(name)

const find = (e: Element, name: string): Element | null => {
  for (const inner of e.inner) {
    if (inner.name === name) return inner
    const found = find(inner, name)
    if (found) return found
  }
  return null
}
const every = (e: Element, name: string): readonly Element[] =>
  e.inner.flatMap((inner) => (inner.name === name ? [inner] : every(inner, name)))
const textOf = (e: Element, ...names: readonly string[]): string => {
  for (const name of names) {
    const found = find(e, name)
    if (found && found.text !== '') return found.text
  }
  return ''
}

const lineOf = (e: Element, row: number, currency: string): Result<StatementLine, StatementProblem> => {
  const [said, dated] = [textOf(e, 'TRNAMT'), textOf(e, 'DTPOSTED')]
  const amount = plainAmount(said, currency)
  if (!amount) return err({ why: 'cell', row, heading: 'TRNAMT', said })
  const on = plainDay(dated)
  if (!on) return err({ why: 'cell', row, heading: 'DTPOSTED', said: dated })
  return ok({
    on,
    amount,
    text: oneLine([textOf(e, 'NAME'), textOf(e, 'MEMO'), textOf(e, 'CHECKNUM')]),
    bankId: textOf(e, 'FITID'),
  })
}

/**
 * A statement of a bank or card account in OFX 1 or 2: the day as it is written, name and memo on one line. Where it has a ledger
 * balance, what it opened with is that less its lines.
 *
 * @example `<STMTTRN><DTPOSTED>20260311120000<TRNAMT>-4.50<FITID>1<NAME>Fee</STMTTRN>` → -4.50 on 11 March
 */
export const readOfx = (text: string, currency: string): ReadStatement => {
  if (/<!(DOCTYPE|ENTITY)/i.test(text)) return err({ why: 'declares-entities' })
  const start = text.search(/<OFX>/i)
  if (start < 0) return err({ why: 'not-a-statement' })
  const root = readElements(text.slice(start))
  if (!root) return err({ why: 'broken' })
  const of = textOf(root, 'CURDEF')
  if (of !== '' && of.toUpperCase() !== currency) return err({ why: 'currency', said: of })
  const statements = [...every(root, 'STMTRS'), ...every(root, 'CCSTMTRS')]
  const [statement] = statements
  if (!statement) return err({ why: 'not-a-statement' })
  if (statements.length > 1) return err({ why: 'several' })
  const read = every(statement, 'STMTTRN').map((e, i) => lineOf(e, i + 1, currency))
  const bad = read.find((r) => !r.ok)
  if (bad && !bad.ok) return bad
  const balance = find(statement, 'LEDGERBAL')
  const closing = balance && plainAmount(textOf(balance, 'BALAMT'), currency)
  if (balance && !closing) return err({ why: 'cell', row: 0, heading: 'BALAMT', said: textOf(balance, 'BALAMT') })
  const from = find(statement, 'BANKACCTFROM') ?? find(statement, 'CCACCTFROM')
  return checked(
    {
      format: 'ofx',
      account: from ? textOf(from, 'ACCTID') : '',
      opening: null,
      closing,
      closedOn: balance ? plainDay(textOf(balance, 'DTASOF')) : null,
      lines: read.flatMap((r) => (r.ok ? [r.value] : [])),
    },
    currency,
  )
}
