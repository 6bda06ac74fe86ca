import { lineIn, paperWords } from '@/core/formats'
import { addMoney, sumMoney, toDecimalString, type Money } from '@/core/money'
import type { Day } from '@/core/day'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { findCustomer } from '@/data/queries/customers'
import { listStatementRows } from '@/data/queries/statements'

/** What a customer owed on `from` (before that day's papers), what happened through `to`, and what they owe then. */
export const readStatement = async (
  db: Db,
  customerId: number,
  span: { readonly from: Day; readonly to: Day },
  business: Business,
) => {
  const customer = await findCustomer(db, customerId, business.currency)
  if (!customer) return null
  const rows = await listStatementRows(db, customerId, span.to, business.currency)
  const opening = sumMoney(
    rows.filter((r) => r.on < span.from).map((r) => r.owes),
    business.currency,
  )
  let balance: Money = opening
  const lines = rows
    .filter((r) => r.on >= span.from)
    .map((r) => {
      balance = addMoney(balance, r.owes)
      return { ...r, balance }
    })
  return { customer, ...span, opening, lines, closing: balance }
}

export const statementView = async (
  db: Db,
  customerId: number,
  span: { readonly from: Day; readonly to: Day },
  business: Business,
) => {
  const s = await readStatement(db, customerId, span, business)
  const t = paperWords('en')
  return (
    s && {
      customerId,
      name: s.customer.name,
      from: s.from,
      to: s.to,
      opening: toDecimalString(s.opening),
      lines: s.lines.map((l) => ({
        on: l.on,
        text: lineIn(t, l.line),
        paper: l.paper,
        amount: toDecimalString(l.owes),
        balance: toDecimalString(l.balance),
      })),
      closing: toDecimalString(s.closing),
    }
  )
}
