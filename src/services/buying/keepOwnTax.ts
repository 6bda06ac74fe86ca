import { standingDiscounts } from '@/core/buying'
import type { Day } from '@/core/day'
import { postOwnTax } from '@/core/ledger'
import { isZeroMoney, money, sumMoney } from '@/core/money'
import { present } from '@/core/present'
import { changeOfTax, ownTax, type BilledLine } from '@/core/tax'
import { listBillFills, listBillLines, listBills } from '@/data/queries/bill'
import { insertPurchaseTax } from '@/data/queries/purchaseTax'
import { listSupplierCredits } from '@/data/queries/sentBack'
import { insertTaxMoves, sumOwnTax } from '@/data/queries/taxMove'
import { creditedOfLine } from '@/model/buying/sentBack'
import type { Work } from '../command'

/** What of a bill was let off for paying early, and stands. */
const discountOf = async (w: Work, billId: number) => {
  const stands = standingDiscounts(await listBillFills(w.tx, { billIds: [billId] }))
  return sumMoney(
    stands.map((f) => money(f.amount, w.currency)),
    w.currency,
  )
}

/** Lines of a bill that counts, with what was credited on each; none of one that is void. */
const linesOf = async (w: Work, billId: number): Promise<readonly BilledLine[]> => {
  const bill = present((await listBills(w.tx, { id: billId }))[0])
  if (bill.voidedOn) return []
  const [lines, credits, codes] = await Promise.all([
    listBillLines(w.tx, [billId]),
    listSupplierCredits(w.tx, { billIds: [billId] }),
    w.taxCodes(),
  ])
  return lines.map((l) => ({
    net: money(l.net, w.currency),
    tax: money(l.tax, w.currency),
    credited: creditedOfLine(credits, l.id, w.currency),
    taxCode: codes.find((c) => c.id === l.taxCodeId) ?? null,
  }))
}

/**
 * The tax we owe ourselves on a bill under reverse charge, brought to what it should be from a day on: after it was entered, and
 * after everything that changes what it comes to. Most bills have none, and nothing is posted.
 */
export const keepOwnTax = async (
  w: Work,
  billId: number,
  {
    on,
    text,
    paper,
  }: { readonly on: Day; readonly text: string; readonly paper: { readonly kind: string; readonly id: number } },
): Promise<void> => {
  const codes = await w.taxCodes()
  if (codes.every((c) => c.owed.length === 0)) return
  const [lines, discount, stands] = [
    await linesOf(w, billId),
    await discountOf(w, billId),
    await sumOwnTax(w.tx, billId, w.currency),
  ]
  const should = ownTax(lines, discount, { currency: w.currency, roundPer: w.business.taxRoundedPer })
  const change = changeOfTax(should, stands)
  // Of a cent there is no tax: nothing is posted, and its net is told with the next that comes to some.
  if (change.every((t) => isZeroMoney(t.amount))) return
  const accountOf = (componentId: number): number =>
    present(codes.map((c) => c.accountOf.get(componentId)).find((id) => id !== undefined))
  const taxes = change.map((t) => ({ accountId: accountOf(t.componentId), amount: t.amount }))
  const entryId = await w.post(postOwnTax({ on, text: `Reverse charge: ${text}`, taxes }), paper)
  await insertTaxMoves(w.tx, change, { onDay: on, why: 'reverse-charge', billId, entryId })
  // What was bought stands with the bill already; here it is the tax alone.
  await insertPurchaseTax(
    w.tx,
    change.map((t) => ({ entryId, onDay: on, taxCodeId: t.taxCodeId, net: 0n, tax: t.amount.minor })),
  )
}
