import { creditBillInput } from '@/contract/inputs/buying/sentBack'
import type { z } from 'zod'
import { found, refuse, refuseAt } from '@/contract/refuse'
import { leftOfLine, shareOfWorth, spreadCredit, takeCredited } from '@/core/buying'
import type { Day } from '@/core/day'
import { postSupplierCredit } from '@/core/ledger'
import {
  addMoney,
  isPositiveMoney,
  money,
  negateMoney,
  smaller,
  smallerMoney,
  splitMoney,
  subtractMoney,
  sumMoney,
  zeroMoney,
  ZERO,
  type Decimal,
  type Money,
} from '@/core/money'
import { present } from '@/core/present'
import {
  insertAheadMove,
  insertBillFills,
  listBillFills,
  listBillLines,
  listBills,
  type BillLineRow,
  type BillRow,
} from '@/data/queries/bill'
import { insertCostShares, type CostShareRow } from '@/data/queries/costShare'
import { listReceivedLines, updateReceivedLine, type ReceivedLineRow } from '@/data/queries/goodsReceived'
import { takeNumber } from '@/data/queries/numbers'
import { reserveId } from '@/data/queries/reserveId'
import {
  findCreditByNumber,
  insertCreditLines,
  insertSupplierCredit,
  listSupplierCredits,
} from '@/data/queries/sentBack'
import { isOfGoods } from '@/model/buying/bills'
import { cameTally } from '@/model/buying/came'
import { creditView } from '@/model/buying/sentBack'
import { dayAfter, defineCommand, type Work } from '../command'
import { keepOwnTax } from './keepOwnTax'
import { moveWorth } from './moveWorth'
import { openFrom } from './payables'

type Input = z.output<typeof creditBillInput>

/** What of a line of the bill is not credited yet. */
interface Left {
  readonly line: BillLineRow
  readonly quantity: Decimal
  readonly net: Money
  readonly tax: Money
}

/** So much of a line of the bill that is credited: for so many that went back, or as an amount. */
interface Credited {
  readonly line: BillLineRow
  readonly receivedLineId: number | null
  readonly quantity: Decimal
  readonly net: Money
  readonly tax: Money
  readonly cleared: Money
  readonly fromStock: Money
  /** Whose cost of goods sold it lowers. */
  readonly shares: readonly CostShareRow[]
}

const leftOf = (w: Work, lines: readonly BillLineRow[], credits: Awaited<ReturnType<typeof listSupplierCredits>>) =>
  lines.map((line): Left => {
    const before = credits.flatMap((c) => c.lines).filter((c) => c.billLineId === line.id)
    const less = (of: 'net' | 'tax'): Money =>
      money(
        before.reduce((left, c) => left - c[of], line[of]),
        w.currency,
      )
    return {
      line,
      quantity: before.reduce((left, c) => left.minus(c.quantity), line.quantity),
      net: less('net'),
      tax: less('tax'),
    }
  })

/** Whether a line of the bill is for goods of a line that came: named, or billed before they came. */
const isFor = (l: BillLineRow, came: ReceivedLineRow): boolean =>
  l.receivedLineId === came.id ||
  (l.receivedLineId === null && l.orderLineId !== null && l.orderLineId === came.orderLineId)

/** Goods that went back, at what the bill asks for them; what they came in at is settled. */
const creditGoods = async (
  w: Work,
  asked: NonNullable<Input['lines']>,
  all: readonly Left[],
): Promise<readonly Credited[]> => {
  const came = await listReceivedLines(w.tx, { lineIds: asked.map((a) => a.receivedLineId) })
  const none = zeroMoney(w.currency)
  const taken: Credited[] = []
  for (const [i, a] of asked.entries()) {
    const at = `lines.${i}.receivedLineId`
    if (asked.findIndex((x) => x.receivedLineId === a.receivedLineId) !== i)
      refuseAt(at, 'This is named twice. Add the quantities.')
    const row = came.find((r) => r.id === a.receivedLineId)
    const mine = all.filter((l) => row && isFor(l.line, row) && l.quantity.gt(0))
    if (!row || mine.length === 0) return refuseAt(at, 'This is not on the bill. Credit it on the bill it is on.')
    const tally = cameTally(row, w.currency)
    const there = mine.reduce((sum, l) => sum.plus(l.quantity), ZERO)
    const cleared = a.quantity.gt(there) ? null : takeCredited(tally, a.quantity)
    if (!cleared) {
      const left = smaller(there, leftOfLine(tally).toCredit)
      return refuse({ code: 'more-than-went-back', line: row.name, left, asked: a.quantity })
    }
    let missing = a.quantity
    const parts = mine.flatMap((l) => {
      const part = smaller(l.quantity, missing)
      missing = missing.minus(part)
      return part.gt(0) ? [{ l, part }] : []
    })
    const shares = splitMoney(
      cleared,
      parts.map((p) => p.part),
    )
    for (const [n, { l, part }] of parts.entries()) {
      const net = shareOfWorth({ quantity: l.quantity, value: l.net }, part)
      const settled = present(shares[n])
      taken.push({
        line: l.line,
        receivedLineId: row.id,
        quantity: part,
        net,
        tax: shareOfWorth({ quantity: l.quantity, value: l.tax }, part),
        cleared: settled,
        fromStock: none,
        shares: [{ goodsId: row.goodsId, saleLineId: null, amount: subtractMoney(settled, net).minor }],
      })
    }
    await updateReceivedLine(w.tx, row.id, {
      credited: row.credited.plus(a.quantity),
      creditedValue: addMoney(tally.creditedValue, cleared).minor,
    })
  }
  return taken
}

/** An amount off the whole bill: each line bears its share, goods in their worth as far as they are still here. */
const creditAmount = async (
  w: Work,
  asked: NonNullable<Input['amount']>,
  all: readonly Left[],
  { bill, on, id }: { readonly bill: BillRow; readonly on: Day; readonly id: number },
): Promise<readonly Credited[]> => {
  const amount = w.money(asked, 'amount')
  const left = sumMoney(
    all.map((l) => addMoney(l.net, l.tax)),
    w.currency,
  )
  if (amount.minor > left.minor) refuse({ code: 'more-than-bill', number: bill.number, left, asked: amount })
  const shares = spreadCredit(amount, all)
  const taken: Credited[] = []
  for (const [i, l] of all.entries()) {
    const { net, tax } = present(shares[i])
    const [row] =
      l.line.receivedLineId === null ? [] : await listReceivedLines(w.tx, { lineIds: [l.line.receivedLineId] })
    const moved = row
      ? await moveWorth(w, row, negateMoney(net), { of: l.line.quantity, on, paper: { kind: 'supplier-credit', id } })
      : { toStock: zeroMoney(w.currency), shares: [] }
    const fromStock = negateMoney(moved.toStock)
    taken.push({
      ...l,
      receivedLineId: null,
      quantity: ZERO,
      net,
      tax,
      cleared: zeroMoney(w.currency),
      fromStock,
      shares: moved.shares,
    })
  }
  return taken
}

/** A supplier's credit on a bill of theirs: for goods that went back, or an amount. What the bill does not owe any more they owe us. */
export const creditBill = defineCommand('credit-bill', creditBillInput, async (w, input) => {
  const { billId, theirNumber = '', reason } = input
  const bill = found((await listBills(w.tx, { id: billId }))[0], 'bill', billId)
  if (bill.voidedOn) refuse({ code: 'already-voided', number: bill.number })
  if (theirNumber !== '' && (await findCreditByNumber(w.tx, bill.supplierId, theirNumber)))
    refuse({ code: 'taken', what: 'credit number', value: theirNumber })
  const on = dayAfter(w, input.on, bill.onDay, `${bill.number} is dated later.`)
  const credits = (await listSupplierCredits(w.tx, { billIds: [billId] })).filter((c) => !c.voidedOn)
  const all = leftOf(w, await listBillLines(w.tx, [billId]), credits)
  const number = await takeNumber(w.tx, 'supplier-credit', on)
  const id = await reserveId(w.tx, 'supplier_credit')
  const taken = input.lines
    ? await creditGoods(w, input.lines, all)
    : await creditAmount(w, present(input.amount), all, { bill, on, id })
  const sum = (of: 'net' | 'tax' | 'cleared' | 'fromStock', rows = taken): Money =>
    sumMoney(
      rows.map((t) => t[of]),
      w.currency,
    )
  const [net, tax] = [sum('net'), sum('tax')]
  const gross = addMoney(net, tax)
  if (!isPositiveMoney(gross)) refuseAt('amount', 'This comes to nothing. Enter what they credit.')
  const fills = await listBillFills(w.tx, { billIds: [billId] })
  const filled = smallerMoney(openFrom(bill, fills, on, w.currency), gross)
  const ahead = subtractMoney(gross, filled)
  const ofGoods = taken.filter((t) => isOfGoods(t.line))
  const byAccount = taken.filter((t) => !isOfGoods(t.line))
  const text = `Credit ${theirNumber || number}, ${bill.supplier}: ${reason}`
  const entryId = await w.post(
    postSupplierCredit({
      on,
      text,
      filled,
      ahead,
      cleared: sum('cleared'),
      fromStock: sum('fromStock'),
      fromCost: subtractMoney(sum('net', ofGoods), addMoney(sum('cleared'), sum('fromStock'))),
      accounts: byAccount.map((t) => ({ accountId: t.line.accountId, net: t.net })),
      tax,
    }),
    { kind: 'supplier-credit', id },
  )
  await insertCostShares(
    w.tx,
    entryId,
    taken.flatMap((t) => t.shares),
  )
  await insertSupplierCredit(
    w.tx,
    {
      number,
      billId,
      theirNumber,
      onDay: on,
      reason,
      net: net.minor,
      tax: tax.minor,
      gross: gross.minor,
      entryId,
    },
    id,
  )
  await insertCreditLines(
    w.tx,
    taken
      .filter((t) => t.net.minor !== 0n || t.tax.minor !== 0n || t.quantity.gt(0))
      .map((t) => ({
        creditId: id,
        billLineId: t.line.id,
        receivedLineId: t.receivedLineId,
        quantity: t.quantity,
        net: t.net.minor,
        tax: t.tax.minor,
        cleared: t.cleared.minor,
        fromStock: t.fromStock.minor,
      })),
  )
  await keepOwnTax(w, billId, { on, text, paper: { kind: 'supplier-credit', id } })
  if (isPositiveMoney(filled))
    await insertBillFills(w.tx, [{ billId, onDay: on, kind: 'credit', amount: filled.minor, entryId }])
  if (isPositiveMoney(ahead))
    await insertAheadMove(w.tx, { supplierId: bill.supplierId, onDay: on, amount: ahead.minor, billId, entryId })
  return { id, answer: async () => present(await creditView(w.tx, id, w.currency)) }
})
