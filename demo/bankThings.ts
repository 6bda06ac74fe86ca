import Papa from 'papaparse'
import { addDays, addMonths, day, monthEnd, monthsOf, monthStart, yearOf, type Day } from '../src/core/day'
import { addMoney, absMoney, money, toDecimalString, type Money } from '../src/core/money'
import { present } from '../src/core/present'
import { sumAccount } from '../src/data/queries/balances'
import { listBankAccounts, listLines, listPosted } from '../src/data/queries/bankStatements'
import { listOwed } from '../src/data/queries/bankOwed'
import { listAccounts } from '../src/data/queries/accounts'
import { addBankAccount } from '../src/services/bank/keepBankAccount'
import { importStatement } from '../src/services/bank/importStatement'
import { finishStatement, matchLine } from '../src/services/bank/matchLine'
import { closePeriod } from '../src/services/books/closePeriod'
import { closeYear } from '../src/services/books/closeYear'
import { addAccount } from '../src/services/books/keepAccount'
import { draftTaxReturn, fileTaxReturn, payTaxReturn } from '../src/services/books/taxReturn'
import { writeEntry } from '../src/services/books/writeEntry'
import { act, type Workshop } from './load'

const CURRENCY = 'USD'
const columns = { on: 'Date', text: 'Text', amount: 'Amount', balance: 'Balance' }

interface Row {
  readonly on: Day
  readonly text: string
  readonly amount: Money
}

/** Savings and a card beside the bank: something goes to the one each month, and what the other paid is settled from the bank. */
const keepSavingsAndCard = async (shop: Workshop, start: Day, last: Day): Promise<void> => {
  const card = { code: '2050', name: 'Company card' }
  await act(shop, addAccount, { ...card, type: 'liability' })
  const cardId = present((await listAccounts(shop.db)).find((a) => a.code === card.code)).id
  await act(shop, addBankAccount, { name: 'River Bank, savings', format: { columns } })
  await act(shop, addBankAccount, { name: 'Fern Card', accountId: cardId, format: { columns } })
  const savings = present((await listBankAccounts(shop.db)).find((b) => b.name === 'River Bank, savings')).code
  const move = async (on: Day, text: string, debit: string, credit: string, amount: string) => {
    if (on > last) return
    const lines = [
      { account: debit, debit: amount },
      { account: credit, credit: amount },
    ]
    await act(shop, writeEntry, { on, text, lines })
  }
  for (const { from } of monthsOf({ from: start, to: last })) {
    await move(addDays(from, 4), 'To savings', savings, '1020', '150.00')
    await move(addDays(from, 11), 'Sandpaper and glue by card', '6020', card.code, '38.40')
    await move(addDays(from, 18), 'Postage by card', '6020', card.code, '21.75')
    await move(addDays(from, 26), 'Card settled', card.code, '1020', '60.15')
  }
}

/** A statement of some days as the bank's own table; answers its id, none where nothing was. */
const bring = async (
  shop: Workshop,
  bank: { readonly id: number; readonly accountId: number; readonly name: string },
  from: Day,
  rows: readonly Row[],
): Promise<number | null> => {
  if (rows.length === 0) return null
  let balance = await sumAccount(shop.db, bank.accountId, addDays(from, -1), CURRENCY)
  const lines = rows.map((l) => {
    balance = addMoney(balance, l.amount)
    return [l.on, l.text, toDecimalString(l.amount), toDecimalString(balance)]
  })
  const csv = Papa.unparse([Object.values(columns), ...lines])
  const name = `${bank.name.toLowerCase().replace(/[^a-z]+/g, '-')}-${from.slice(0, 7)}.csv`
  return act(shop, importStatement, {
    bankAccountId: bank.id,
    name,
    base64: Buffer.from(`${csv}\n`).toString('base64'),
  })
}

type Posted = Awaited<ReturnType<typeof listPosted>>[number]
const rowOf = (p: Posted): Row => ({
  on: p.on,
  text: [p.name, p.number].filter(Boolean).join(' ') || p.text,
  amount: p.amount,
})

/** Months that are behind the owner: each line is what the books say, and the statement is finished. */
const settleMonths = async (
  shop: Workshop,
  bank: Parameters<typeof bring>[1],
  start: Day,
  last: Day,
): Promise<void> => {
  for (const { from, to } of monthsOf({ from: start, to: last })) {
    const posted = await listPosted(shop.db, { accountId: bank.accountId, from, to }, CURRENCY)
    const statementId = await bring(shop, bank, from, posted.map(rowOf))
    if (statementId === null) continue
    const lines = await listLines(shop.db, { statementId }, CURRENCY)
    for (const [i, line] of lines.entries()) {
      const { kind, id } = present(posted[i])
      await act(shop, matchLine, {
        lineId: line.id,
        settles: [{ kind, id, amount: toDecimalString(absMoney(line.amount)) }],
      })
    }
    await act(shop, finishStatement, { statementId })
  }
}

/** The last weeks of the bank: most of it is in the books, some of it new, and one line fits nothing. */
const bringLastWeeks = async (shop: Workshop, bank: Parameters<typeof bring>[1], from: Day): Promise<void> => {
  const last = addDays(shop.today, -1)
  const posted = await listPosted(shop.db, { accountId: bank.accountId, from, to: last }, CURRENCY)
  const owed = (await listOwed(shop.db, CURRENCY)).filter((o) => o.kind === 'due' && o.from < last).slice(0, 2)
  const amount = (minor: bigint) => money(minor, CURRENCY)
  const rows = [
    ...posted.map(rowOf),
    ...owed.map((o) => ({ on: last, text: `${o.party.toUpperCase()} INV ${o.number}`, amount: o.open })),
    { on: last, text: 'ACCOUNT FEE', amount: amount(-490n) },
    { on: last, text: 'RIVER POWER CO 4411', amount: amount(-8360n) },
  ].toSorted((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0))
  await bring(shop, bank, from, rows)
}

/** The bank, savings and a card since the beginning; the last three weeks wait to be matched. */
const bringStatements = async (shop: Workshop, start: Day): Promise<void> => {
  const from = addDays(shop.today, -21)
  const main = { name: 'River Bank, business', format: { columns }, feed: true }
  await act(shop, addBankAccount, main)
  await keepSavingsAndCard(shop, start, addDays(from, -1))
  for (const bank of await listBankAccounts(shop.db)) {
    await settleMonths(shop, bank, start, addDays(from, -1))
    if (bank.name === main.name) await bringLastWeeks(shop, bank, from)
  }
}

/** Tax of the two months before the last one is filed, of the first of them paid, too. */
const fileReturns = async (shop: Workshop): Promise<void> => {
  for (const back of [-3, -2]) {
    const from = monthStart(addMonths(shop.today, back))
    const returnId = await act(shop, draftTaxReturn, { from, through: monthEnd(from) })
    await act(shop, fileTaxReturn, { returnId })
    if (back === -3) await act(shop, payTaxReturn, { returnId })
  }
}

/** What is behind the owner: statements, two returns, the year before this one, and the months of this one but the last. */
export const keepMonths = async (shop: Workshop, start: Day): Promise<void> => {
  await bringStatements(shop, start)
  await fileReturns(shop)
  await act(shop, closeYear, { year: yearOf(shop.today) - 1 })
  const through = monthEnd(addMonths(shop.today, -2))
  if (through > day(`${yearOf(shop.today) - 1}-12-31`)) await act(shop, closePeriod, { through, reason: 'Month done' })
}
