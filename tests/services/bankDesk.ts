import { day } from '@/core/day'
import { listAccounts } from '@/data/queries/accounts'
import { proposalViews } from '@/model/bank/proposals'
import { statementView } from '@/model/bank/statements'
import { billSale } from '@/services/billing/billSale'
import { addBankAccount } from '@/services/bank/keepBankAccount'
import { importStatement } from '@/services/bank/importStatement'
import { matchLine } from '@/services/bank/matchLine'
import { startSale } from '@/services/sales/startSale'
import { readTrialBalance } from '@/model/books/books'
import { openBuying } from './buyingDesk'

export const FORMAT = { columns: { on: 'Date', text: 'Text', amount: 'Amount', balance: 'Balance' } }

/** Rows as a bank writes them, with the balances that follow from the first. */
export const rowsOf = (
  opening: number,
  lines: readonly (readonly [on: string, text: string, amount: number])[],
): string => {
  let balance = opening
  const rows = lines.map(([on, text, amount]) => {
    balance = Math.round((balance + amount) * 100) / 100
    return `${on};${text};${amount.toFixed(2)};${balance.toFixed(2)}`
  })
  return ['Date;Text;Amount;Balance', ...rows, ''].join('\n')
}

/** A shop with a bank account whose tables are known; today is 20 March. */
export const openBank = async () => {
  const desk = await openBuying()
  const { s } = desk
  s.moveTo('2026-03-20')
  const bank = await s.answer(addBankAccount, { name: 'House bank', format: FORMAT })
  const bring = (text: string, bankAccountId = bank.id) =>
    s.answer(importStatement, { bankAccountId, name: 'march.csv', base64: Buffer.from(text).toString('base64') })
  const refused = (text: string, bankAccountId = bank.id) =>
    s.refusal(importStatement, { bankAccountId, base64: Buffer.from(text).toString('base64') })
  const invoice = async (on: string, price: string, customerId = s.customer) => {
    const saleId = await s.run(startSale, {
      on,
      agreed: true,
      customerId,
      lines: [{ description: 'Repair', quantity: '1', unitPrice: price, taxCode: 'ZERO' }],
    })
    return s.answer(billSale, { saleId, what: 'remaining', issue: true, on })
  }
  const proposals = async (id: number) => (await proposalViews(s.db, id, 'USD'))!.proposals
  const statement = async (id: number) => (await statementView(s.db, id, 'USD'))!
  const accountId = async (code: string) => (await listAccounts(s.db)).find((a) => a.code === code)!.id
  /** What an account holds on a day, in minor units of debit. */
  const holds = async (code: string, asOf = '2026-03-20') => {
    const row = (await readTrialBalance(s.db, day(asOf), 'USD')).rows.find((r) => r.code === code)
    return (row?.debit.minor ?? 0n) - (row?.credit.minor ?? 0n)
  }
  /** Takes the first proposal of a line as it is. */
  const take = async (statementId: number, lineId: number) => {
    const proposal = (await proposals(statementId)).find((p) => p.lineId === lineId)!
    return s.answer(matchLine, {
      lineId,
      settles: proposal.settles.map((x) => ({ ...x, receiptIds: x.receiptIds && [...x.receiptIds] })),
      fee: proposal.fee,
    })
  }
  return { ...desk, bank, bring, refused, invoice, proposals, statement, accountId, holds, take }
}
