import { beforeAll, describe, expect, test } from 'vitest'
import { makeListFile, readListWish } from '@/api/lists/makeListFile'
import { day } from '@/core/day'
import { toDecimalString } from '@/core/money'
import { present } from '@/core/present'
import { listAccounts } from '@/data/queries/accounts'
import { readCashFlow } from '@/model/books/books'
import { draftTaxReturn } from '@/services/books/taxReturn'
import { setBudget } from '@/services/books/setBudget'
import { billSale } from '@/services/billing/billSale'
import { sellAtCounter } from '@/services/money/sellAtCounter'
import { startSale } from '@/services/sales/startSale'
import { pdfText } from '../pdfText'
import { openTestShop, type TestShop } from './shop'

let s: TestShop
/** The words of a list on paper, as its address asks for it. */
const onPaper = async (address: string): Promise<string> => {
  const url = new URL(`http://x/${address}`)
  const wish = present(readListWish(url.pathname.slice(1), url, s.shop.today))
  const made = await makeListFile(s.db, wish)
  if (!('body' in made)) throw new Error('too long')
  return pdfText(Buffer.from(made.body))
}

const accountCoded = async (code: string): Promise<number> =>
  present((await listAccounts(s.db)).find((a) => a.code === code)).id

/** Sales tax of two authorities, each with an account of its own. On 1 March two rosins at 12.50 for cash, a bow of 40.00 invoiced. */
beforeAll(async () => {
  const components = [
    { name: 'State', rate: '0.06' },
    { name: 'City', rate: '0.02' },
  ]
  s = await openTestShop({ taxCodes: [{ code: 'STD', name: 'Sales tax', components }] })
  await s.answer(sellAtCounter, { lines: [{ goodsId: s.rosin, quantity: '2' }], method: 'cash' })
  const lines = [{ description: 'Bow', quantity: '1', unitPrice: '40.00', taxCode: 'STD' }]
  const sale = await s.answer(startSale, { customerId: s.customer, agreed: true, lines })
  await s.answer(billSale, { saleId: sale.id, what: 'remaining', issue: true })
})

describe('a report on paper', () => {
  test('says the days it is of, also where nobody asked for any', async () => {
    expect(await onPaper('profit-and-loss.pdf')).toContain('From: 1 Jan 2026, Through: 1 Mar 2026')
    expect(await onPaper('balance-sheet.pdf?to=2026-02-28')).toContain('As of: 28 Feb 2026')
    expect(await onPaper('receivables.pdf')).toContain('As of: 1 Mar 2026')
    // Twelve months back from its last day, not from today.
    expect(await onPaper('profit.pdf?to=2026-02-10')).toContain('From: 10 Feb 2025, Through: 10 Feb 2026')
    expect(await onPaper('invoices.pdf')).not.toContain('From:')
  })

  test('calls by their names what its address knows by numbers and marks', async () => {
    expect(await onPaper(`invoices.pdf?customer=${s.customer}`)).toContain('Customer: Hazel Adair')
    expect(await onPaper(`stock-card.pdf?goods=${s.rosin}`)).toContain('Goods: RO Rosin')
    expect(await onPaper(`account.pdf?account=${await accountCoded('1010')}`)).toContain('Account: 1010 Checks on hand')
    const sold = await onPaper('sales.pdf?stands=agreed')
    expect(sold).not.toContain('agreed')
    expect(sold).toMatch(/Status: Ordered/)
    const { id } = await s.answer(draftTaxReturn, { from: '2026-02-01', through: '2026-02-28' })
    expect(await onPaper(`tax-return.pdf?return=${id}`)).toContain('Tax return: 1 Feb 2026 through 28 Feb 2026')
    // What is nothing's number, and what is not understood, is not said.
    expect(await onPaper('stock-card.pdf?goods=999999')).not.toContain('999999')
    expect(await onPaper('invoices.pdf?from=yesterday')).not.toContain('yesterday')
  })

  test('is read part by part, each with what it comes to', async () => {
    // 25.00 + 40.00 earned, two rosins at 6.00 spent; the shelf was counted in January.
    const profit = await onPaper('profit-and-loss.pdf?from=2026-02-01')
    expect(profit).toMatch(/Income 4000 Sales of goods 25\.00 4010 Work and repairs 40\.00 Income 65\.00/)
    expect(profit).toMatch(/What the goods cost 5000 Cost of goods sold 12\.00 Gross profit 53\.00 Net profit 53\.00/)
    // What lay on the shelf: 3,000.00 + 120.00 at first, less 12.00; cash 27.00; owed 43.20.
    const sheet = await onPaper('balance-sheet.pdf')
    expect(sheet).toContain('Assets 3,178.20')
    expect(sheet).toContain('Profit not yet carried to retained earnings 3,173.00')
    expect(sheet).toContain('Total liabilities and equity 3,178.20')
  })

  test('has no column for what is only drawn on the screen', async () => {
    expect(await onPaper('receivables.pdf')).toMatch(/Customer Not due 1–30 days/)
  })

  test('has its budget added up beside it', async () => {
    const incomeId = await accountCoded('4000')
    await s.answer(setBudget, { year: 2026, lines: [{ accountId: incomeId, amount: '1200.00' }] })
    const profit = await onPaper('profit-and-loss.pdf?from=2026-01-01&to=2026-12-31')
    expect(profit).toMatch(/Income 65\.00 1,200\.00 −1,135\.00/)
    // 3,120.00 were found on the shelf in January, 53.00 were earned.
    expect(profit).toMatch(/Gross profit 3,173\.00 1,200\.00 1,973\.00/)
  })
})

test('tax on an account of its own came in by trade, as all tax does', async () => {
  const { parts } = await readCashFlow(s.db, { from: day('2026-03-01'), to: day('2026-03-01') }, 'USD')
  expect(parts.operating.rows.map((r) => [r.name, toDecimalString(r.amount)])).toEqual([
    ['Sales tax payable: State', '1.50'],
    ['Sales tax payable: City', '0.50'],
    ['Sales of goods', '25.00'],
  ])
  expect(parts.financing.rows).toEqual([])
  expect(await onPaper('cash-flow.pdf')).toMatch(
    /Cash at the beginning 0\.00 Operating .* Operating 27\.00 Change in cash 27\.00 Cash at the end 27\.00/,
  )
})
