import { plainAmount } from '../cells'
import { err, ok, type Result } from '../result'
import { money, negateMoney, type Money } from '../money'
import { allAt, at, readXml, textAt, type XmlNode } from '../xml'
import { checked, oneLine, plainDay, type ReadStatement, type StatementLine, type StatementProblem } from './statement'

const NAMESPACE = /urn:iso:std:iso:20022:tech:xsd:camt\.053\.001\.(\d{2})/
const LISTS = ['Stmt', 'Ntry', 'Bal', 'NtryDtls', 'TxDtls', 'Ustrd']

type Read<T> = Result<T, StatementProblem>

/** An amount with its currency and its side; refused where it is of another currency, or none. */
const amountOf = (node: unknown, currency: string): Read<Money> => {
  const said = textAt(node, 'Amt')
  const of = textAt(at(node, 'Amt'), '@_Ccy')
  if (of !== '' && of !== currency) return err({ why: 'currency', said: of })
  const amount = plainAmount(said, currency)
  if (!amount || amount.minor < 0n) return err({ why: 'cell', row: 0, heading: 'Amt', said })
  const side = textAt(node, 'CdtDbtInd')
  if (side !== 'CRDT' && side !== 'DBIT') return err({ why: 'cell', row: 0, heading: 'CdtDbtInd', said: side })
  return ok(side === 'DBIT' ? negateMoney(amount) : amount)
}

const isBooked = (entry: unknown): boolean => (textAt(entry, 'Sts', 'Cd') || textAt(entry, 'Sts')) === 'BOOK'

/** Who stands on the other side and what for, as far as the entry says. */
const textOf = (entry: unknown, isIn: boolean): string => {
  const parts = allAt(entry, 'NtryDtls').flatMap((d) =>
    allAt(d, 'TxDtls').flatMap((t) => {
      const party = isIn ? 'Dbtr' : 'Cdtr'
      const end = textAt(t, 'Refs', 'EndToEndId')
      return [
        textAt(t, 'RltdPties', party, 'Nm') || textAt(t, 'RltdPties', party, 'Pty', 'Nm'),
        ...allAt(t, 'RmtInf', 'Ustrd').map((u) => (typeof u === 'string' ? u : '')),
        textAt(t, 'RmtInf', 'Strd', 'CdtrRefInf', 'Ref'),
        end === 'NOTPROVIDED' ? '' : end,
      ]
    }),
  )
  return oneLine([...parts, textAt(entry, 'AddtlNtryInf')])
}

const lineOf = (entry: unknown, currency: string): Read<StatementLine> => {
  const amount = amountOf(entry, currency)
  if (!amount.ok) return amount
  const said = ['BookgDt', 'ValDt']
    .flatMap((n) => [textAt(entry, n, 'Dt'), textAt(entry, n, 'DtTm')])
    .find((d) => d !== '')
  const on = plainDay(said ?? '')
  if (!on) return err({ why: 'cell', row: 0, heading: 'BookgDt', said: said ?? '' })
  const details = at(entry, 'NtryDtls')
  return ok({
    on,
    amount: amount.value,
    text: textOf(entry, amount.value.minor > 0n),
    bankId: textAt(entry, 'AcctSvcrRef') || textAt(details, 'TxDtls', 'Refs', 'AcctSvcrRef'),
  })
}

/** The balance of a kind: opening (`OPBD`, else what was closed before it), or closing (`CLBD`). Null where it has none. */
const balanceOf = (statement: unknown, kinds: readonly string[], currency: string): Read<Money | null> => {
  for (const kind of kinds) {
    const found = allAt(statement, 'Bal').find((b) => textAt(b, 'Tp', 'CdOrPrtry', 'Cd') === kind)
    if (found) return amountOf(found, currency)
  }
  return ok(null)
}

const all = <T>(read: readonly Read<T>[]): Read<readonly T[]> => {
  const bad = read.find((r) => !r.ok)
  return bad && !bad.ok ? bad : ok(read.flatMap((r) => (r.ok ? [r.value] : [])))
}

const one = (statement: unknown, currency: string): ReadStatement => {
  const of = textAt(statement, 'Acct', 'Ccy')
  if (of !== '' && of !== currency) return err({ why: 'currency', said: of })
  const opening = balanceOf(statement, ['OPBD', 'PRCD'], currency)
  if (!opening.ok) return opening
  const closing = balanceOf(statement, ['CLBD'], currency)
  if (!closing.ok) return closing
  const lines = all(
    allAt(statement, 'Ntry')
      .filter(isBooked)
      .map((e) => lineOf(e, currency)),
  )
  if (!lines.ok) return lines
  const closed = allAt(statement, 'Bal').find((b) => textAt(b, 'Tp', 'CdOrPrtry', 'Cd') === 'CLBD')
  return checked(
    {
      format: 'camt.053',
      account: textAt(statement, 'Acct', 'Id', 'IBAN') || textAt(statement, 'Acct', 'Id', 'Othr', 'Id'),
      opening: opening.value,
      closing: closing.value,
      closedOn: closed ? plainDay(textAt(closed, 'Dt', 'Dt') || textAt(closed, 'Dt', 'DtTm')) : null,
      lines: lines.value,
    },
    currency,
  )
}

/**
 * A bank statement in ISO 20022 camt.053, versions 02 to 08: booked entries alone, each with its sign from `CdtDbtInd`. Several
 * statements of one account in a file follow each other: each adds up, and begins where the one before it ended.
 *
 * @example one entry of 10.00 CRDT, opening 5.00, closing 15.00 → one line of 10.00
 */
export const readCamt = (text: string, currency: string): ReadStatement => {
  const version = NAMESPACE.exec(text)?.[1]
  if (version === undefined) return err({ why: 'not-a-statement' })
  if (Number(version) < 2 || Number(version) > 8) return err({ why: 'version', said: `camt.053.001.${version}` })
  const xml: Result<XmlNode, 'too-deep' | 'declares-entities' | 'broken'> = readXml(text, LISTS)
  if (!xml.ok) return err({ why: xml.error })
  const statements = all(allAt(xml.value, 'Document', 'BkToCstmrStmt', 'Stmt').map((s) => one(s, currency)))
  if (!statements.ok) return statements
  const [first] = statements.value
  const last = statements.value.at(-1)
  if (!first || !last) return err({ why: 'no-lines' })
  for (const [i, s] of statements.value.entries()) {
    const before = statements.value[i - 1]
    if (before && before.account !== s.account) return err({ why: 'not-a-statement' })
    if (before?.closing && s.opening && before.closing.minor !== s.opening.minor)
      return err({ why: 'balance', row: null, said: s.opening, reckoned: before.closing })
  }
  const lines = statements.value.flatMap((s) => s.lines)
  return checked(
    { ...first, closing: last.closing ?? first.closing ?? money(0n, currency), closedOn: last.closedOn, lines },
    currency,
  )
}
