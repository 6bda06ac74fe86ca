import type { Bank, FeedOf, SentStatement } from '@/core/bank'
import { addDays, weekday, type Day } from '@/core/day'
import { absMoney, money, sumMoney, toDecimalString, type Money } from '@/core/money'
import { writeXml } from '@/core/xml'
import type { Db } from '@/data/connect'
import { sumAccount } from '@/data/queries/balances'
import { findLastClosing, listBankIds, listPosted } from '@/data/queries/bankStatements'

interface Line {
  readonly bankId: string
  readonly amount: Money
  readonly text: string
}

const FEE = 490n

/** The fee of a month, on its first day. In even months it is charged twice, and the second one corrected on the next day. */
const feesOf = (on: Day, currency: string): readonly Line[] => {
  const isEven = Number(on.slice(5, 7)) % 2 === 0
  const fee = { amount: money(-FEE, currency), text: 'ACCOUNT FEE' }
  if (on.endsWith('-01'))
    return [{ bankId: `FEE-${on}`, ...fee }, ...(isEven ? [{ bankId: `FEE-${on}-2`, ...fee }] : [])]
  return isEven && on.endsWith('-02')
    ? [{ bankId: `COR-${on}`, amount: money(FEE, currency), text: 'CORRECTION ACCOUNT FEE CHARGED TWICE' }]
    : []
}

interface Statement {
  readonly on: Day
  readonly number: string
  readonly opening: Money
  readonly closing: Money
  readonly lines: readonly Line[]
}

const signed = (amount: Money) => ({
  Amt: { '@_Ccy': amount.currency, '#text': toDecimalString(absMoney(amount)) },
  CdtDbtInd: amount.minor < 0n ? 'DBIT' : 'CRDT',
})

/** A statement of a day as ISO 20022 camt.053.001.08. */
const asCamt = ({ on, number, opening, closing, lines }: Statement): string => {
  const balance = (code: string, amount: Money) => ({
    Tp: { CdOrPrtry: { Cd: code } },
    ...signed(amount),
    Dt: { Dt: on },
  })
  return writeXml({
    Document: {
      '@_xmlns': 'urn:iso:std:iso:20022:tech:xsd:camt.053.001.08',
      BkToCstmrStmt: {
        GrpHdr: { MsgId: `RB-${on}`, CreDtTm: `${on}T22:00:00` },
        Stmt: {
          Id: `RB-${on}`,
          CreDtTm: `${on}T22:00:00`,
          Acct: { Id: { Othr: { Id: number } }, Ccy: opening.currency },
          Bal: [balance('OPBD', opening), balance('CLBD', closing)],
          Ntry: lines.map((l, i) => ({
            NtryRef: i + 1,
            ...signed(l.amount),
            Sts: { Cd: 'BOOK' },
            BookgDt: { Dt: on },
            AcctSvcrRef: l.bankId,
            AddtlNtryInf: l.text,
          })),
        },
      },
    },
  })
}

/** What the bank sees on a day: what the books had go through it and it did not tell yet, and its own fees. */
const linesOf = async (db: Db, account: FeedOf, on: Day, told: ReadonlySet<string>): Promise<readonly Line[]> => {
  const { accountId, since, currency } = account
  const posted = await listPosted(db, { accountId, from: addDays(since, 1), to: on }, currency)
  const moved = posted.map((p) => ({
    bankId: `RB-${p.entryId}`,
    amount: p.amount,
    text: [p.name, p.number].filter(Boolean).join(' ') || p.text,
  }))
  return [...moved, ...feesOf(on, currency)].filter((l) => !told.has(l.bankId))
}

const [MONDAY, WEDNESDAY] = [1, 3]
/** So many statements at most at once. */
const MOST = 40

/**
 * The one bank that ships with the program: it knows what goes through it from the books themselves. A statement for each day on
 * which something was. As real banks sometimes do, it sends that of a Monday twice, that of a Wednesday a day late, and corrects a
 * fee it charged twice.
 */
export const riverBank = (db: Db): Bank => ({
  name: 'River Bank',
  send: async (account) => {
    const { bankAccountId, accountId, number, currency, fedThrough, today } = account
    const told = new Set(await listBankIds(db, bankAccountId))
    const closed = await findLastClosing(db, bankAccountId)
    let balance = closed === null ? await sumAccount(db, accountId, fedThrough, currency) : money(closed, currency)
    let through = fedThrough
    const sent: SentStatement[] = []
    const yesterday = addDays(today, -1)
    for (let on = addDays(fedThrough, 1); on <= yesterday && sent.length < MOST; on = addDays(on, 1)) {
      if (on === yesterday && weekday(on) === WEDNESDAY) break
      through = on
      const lines = await linesOf(db, account, on, told)
      if (lines.length === 0) continue
      const opening = balance
      balance = sumMoney([opening, ...lines.map((l) => l.amount)], currency)
      for (const l of lines) told.add(l.bankId)
      const one = {
        name: `river-bank-${on}.xml`,
        body: asCamt({ on, number, opening, closing: balance, lines }),
      }
      sent.push(one, ...(weekday(on) === MONDAY ? [one] : []))
    }
    return { sent, through }
  },
})
