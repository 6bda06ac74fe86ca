import Papa from 'papaparse'
import { addDays, addMonths, monthEnd, monthStart, yearOf } from '../src/core/day'
import { addMoney, money, toDecimalString } from '../src/core/money'
import { sumRole } from '../src/data/queries/balances'
import { listPosted } from '../src/data/queries/bankStatements'
import { listOwed } from '../src/data/queries/bankOwed'
import { listAccounts } from '../src/data/queries/accounts'
import { addBankAccount } from '../src/services/bank/keepBankAccount'
import { importStatement } from '../src/services/bank/importStatement'
import { closeYear } from '../src/services/books/closeYear'
import { draftTaxReturn, fileTaxReturn, payTaxReturn } from '../src/services/books/taxReturn'
import { act, type Workshop } from './load'

const CURRENCY = 'USD'
const columns = { on: 'Date', text: 'Text', amount: 'Amount', balance: 'Balance' }

/** The bank at the end: a statement of the last three weeks, most of it in the books, some of it new. */
const bringStatement = async (shop: Workshop): Promise<void> => {
  const bankAccountId = await act(shop, addBankAccount, {
    name: 'River Bank, business',
    format: { columns },
    feed: true,
  })
  const accountId = (await listAccounts(shop.db)).find((a) => a.role === 'bank')?.id ?? 0
  const from = addDays(shop.today, -21)
  const last = addDays(shop.today, -1)
  const posted = await listPosted(shop.db, { accountId, from, to: last }, CURRENCY)
  const owed = (await listOwed(shop.db, CURRENCY)).filter((o) => o.kind === 'due' && o.from < last).slice(0, 2)
  const amount = (minor: bigint) => money(minor, CURRENCY)
  const lines = [
    ...posted.map((p) => ({
      on: p.on,
      text: [p.name, p.number].filter(Boolean).join(' ') || p.text,
      amount: p.amount,
    })),
    ...owed.map((o) => ({ on: last, text: `${o.party.toUpperCase()} INV ${o.number}`, amount: o.open })),
    { on: last, text: 'ACCOUNT FEE', amount: amount(-490n) },
    { on: last, text: 'RIVER POWER CO 4411', amount: amount(-8360n) },
  ].toSorted((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0))
  let balance = await sumRole(shop.db, 'bank', addDays(from, -1), CURRENCY)
  const rows = lines.map((l) => {
    balance = addMoney(balance, l.amount)
    return [l.on, l.text, toDecimalString(l.amount), toDecimalString(balance)]
  })
  const csv = Papa.unparse([Object.values(columns), ...rows])
  await act(shop, importStatement, {
    bankAccountId,
    name: 'river-bank.csv',
    base64: Buffer.from(`${csv}\n`).toString('base64'),
  })
}

/** What is behind the owner: the tax of the month before the last one, filed and paid, and the year before this one. */
export const keepMonths = async (shop: Workshop): Promise<void> => {
  const from = monthStart(addMonths(shop.today, -2))
  const through = monthEnd(from)
  const returnId = await act(shop, draftTaxReturn, { from, through })
  await act(shop, fileTaxReturn, { returnId })
  await act(shop, payTaxReturn, { returnId })
  await act(shop, closeYear, { year: yearOf(shop.today) - 1 })
  await bringStatement(shop)
}
