import { voidCreditInput } from '@/contract/inputs/buying/sentBack'
import { found, refuse } from '@/contract/refuse'
import { unitsOfPart } from '@/core/buying'
import { postSupplierCredit, reverseEntry } from '@/core/ledger'
import { addMoney, isPositiveMoney, money, negateMoney, subtractMoney, sumMoney, type Money } from '@/core/money'
import { present } from '@/core/present'
import { lowestFrom } from '@/core/running'
import {
  insertAheadMove,
  insertBillFills,
  listAheadMoves,
  listBillFills,
  listBillLines,
  listBills,
} from '@/data/queries/bill'
import { insertCostShares, listTurnedShares } from '@/data/queries/costShare'
import { listReceivedLines, updateReceivedLine } from '@/data/queries/goodsReceived'
import { listSupplierCredits, markCreditVoid, type SupplierCreditRow } from '@/data/queries/sentBack'
import { isOfGoods } from '@/model/buying/bills'
import { creditView } from '@/model/buying/sentBack'
import { dayAfter, defineCommand, type Work } from '../command'
import { keepOwnTax } from './keepOwnTax'
import { moveWorth, type MovedWorth } from './moveWorth'

type Line = SupplierCreditRow['lines'][number]

/** Goods wait for a credit again. */
const waitAgain = async (w: Work, l: Line): Promise<void> => {
  const [row] = l.receivedLineId === null ? [] : await listReceivedLines(w.tx, { lineIds: [l.receivedLineId] })
  if (!row) return
  await updateReceivedLine(w.tx, row.id, {
    credited: row.credited.minus(l.quantity),
    creditedValue: subtractMoney(money(row.creditedValue, w.currency), money(l.cleared, w.currency)).minor,
  })
}

/** A supplier's credit that was entered wrong, from a day on: what it took off is owed again, and goods are worth what they were. */
export const voidCredit = defineCommand('void-credit', voidCreditInput, async (w, { creditId, on, reason }) => {
  const credit = found((await listSupplierCredits(w.tx, { id: creditId }))[0], 'credit', creditId)
  if (credit.voidedOn) refuse({ code: 'already-voided', number: credit.number })
  const onDay = dayAfter(w, on, credit.onDay, `${credit.number} is dated later.`)
  const bill = present((await listBills(w.tx, { id: credit.billId }))[0])
  const amount = (minor: bigint): Money => money(minor, w.currency)
  const sum = (amounts: readonly Money[]): Money => sumMoney(amounts, w.currency)
  const [fills, moves, billLines, given] = await Promise.all([
    listBillFills(w.tx, { billIds: [bill.id] }),
    listAheadMoves(w.tx, bill.supplierId),
    listBillLines(w.tx, [bill.id]),
    listTurnedShares(w.tx, credit.entryId),
  ])
  const filled = sum(fills.filter((f) => f.entryId === credit.entryId).map((f) => amount(f.amount)))
  const ahead = sum(moves.filter((m) => m.entryId === credit.entryId).map((m) => amount(m.amount)))
  const free = lowestFrom(
    moves.map((m) => ({ on: m.onDay, by: m.amount })),
    onDay,
  )
  if (free < ahead.minor) refuse({ code: 'advance-was-used' })
  const paper = { kind: 'supplier-credit', id: creditId }
  const back: MovedWorth[] = []
  for (const l of credit.lines) {
    await waitAgain(w, l)
    const line = present(billLines.find((b) => b.id === l.billLineId))
    const [row] =
      l.fromStock === 0n || line.receivedLineId === null
        ? []
        : await listReceivedLines(w.tx, { lineIds: [line.receivedLineId] })
    if (row)
      back.push(
        await moveWorth(w, row, amount(l.fromStock), {
          of: unitsOfPart(line.quantity, amount(l.fromStock), amount(l.net)),
          on: onDay,
          paper,
        }),
      )
  }
  const lineOf = (l: Line) => present(billLines.find((b) => b.id === l.billLineId))
  const ofGoods = credit.lines.filter((l) => isOfGoods(lineOf(l)))
  const cleared = sum(credit.lines.map((l) => amount(l.cleared)))
  const fromStock = sum(back.map((b) => b.toStock))
  const text = `${credit.number} void: ${reason}`
  const posted = postSupplierCredit({
    on: onDay,
    text,
    filled,
    ahead,
    cleared,
    fromStock,
    fromCost: subtractMoney(sum(ofGoods.map((l) => amount(l.net))), addMoney(cleared, fromStock)),
    accounts: credit.lines
      .filter((l) => !isOfGoods(lineOf(l)))
      .map((l) => ({ accountId: lineOf(l).accountId, net: amount(l.net) })),
    tax: amount(credit.tax),
  })
  const entryId = await w.post(reverseEntry(posted, onDay, text), { ...paper, reversesId: credit.entryId })
  await insertCostShares(w.tx, entryId, [...given, ...back.flatMap((b) => b.shares)])
  if (isPositiveMoney(filled))
    await insertBillFills(w.tx, [{ billId: bill.id, onDay, kind: 'void', amount: negateMoney(filled).minor, entryId }])
  if (isPositiveMoney(ahead))
    await insertAheadMove(w.tx, {
      supplierId: bill.supplierId,
      onDay,
      amount: negateMoney(ahead).minor,
      billId: bill.id,
      entryId,
    })
  await markCreditVoid(w.tx, creditId, onDay, reason)
  await keepOwnTax(w, bill.id, { on: onDay, text, paper })
  return { id: creditId, answer: async () => present(await creditView(w.tx, creditId, w.currency)) }
})
