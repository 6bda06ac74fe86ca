import { landedCostInput } from '@/contract/inputs/buying/landedCost'
import type { z } from 'zod'
import { found, refuse, refuseAt } from '@/contract/refuse'
import { spreadCost } from '@/core/buying'
import type { Day } from '@/core/day'
import { postLandedCost } from '@/core/ledger'
import { isPositiveMoney, money, subtractMoney, sumMoney, type Money } from '@/core/money'
import { present } from '@/core/present'
import { listAccounts } from '@/data/queries/accounts'
import { findGoods } from '@/data/queries/goods'
import { listGoodsReceived, listReceivedLines } from '@/data/queries/goodsReceived'
import { insertCostShares } from '@/data/queries/costShare'
import { findBillLine, listSpread, insertLandedCost, insertLandedShares } from '@/data/queries/landedCost'
import { listSupplierCredits } from '@/data/queries/sentBack'
import { takeNumber } from '@/data/queries/numbers'
import { reserveId } from '@/data/queries/reserveId'
import { landedCostView } from '@/model/buying/landedCosts'
import { creditedOfLine } from '@/model/buying/sentBack'
import { ownAccount } from '../books/ownAccount'
import { defineCommand, paperDay, type Work } from '../command'
import { moveWorth, type MovedWorth } from './moveWorth'

interface Cost {
  readonly amount: Money
  readonly accountId: number
  readonly billLineId: number | null
}

/** What is spread, and off which account: a line of a bill, once, or an amount. */
const costOf = async (w: Work, input: z.output<typeof landedCostInput>, on: Day): Promise<Cost> => {
  if (input.billLineId === undefined) {
    const account = ownAccount(await listAccounts(w.tx), present(input.fromAccountId), {
      path: 'fromAccountId',
      now: 'Choose the account the cost is on.',
    })
    return { amount: w.money(present(input.amount), 'amount'), accountId: account.id, billLineId: null }
  }
  const { line, bill } = found(await findBillLine(w.tx, input.billLineId), 'line of a bill', input.billLineId)
  if (bill.voidedOn) refuseAt('billLineId', `${bill.number} is void. Choose a line of a bill that counts.`)
  if (line.receivedLineId !== null || line.orderLineId !== null)
    refuseAt('billLineId', `${line.description} is goods of its own. Choose a line by account, like freight.`)
  if ((await listSpread(w.tx, [line.id])).size > 0) refuse({ code: 'cost-was-spread', number: bill.number })
  if (on < bill.onDay) refuse({ code: 'not-before', from: bill.onDay, what: `${bill.number} is dated later.` })
  // What the supplier credited of it costs nothing.
  const credits = await listSupplierCredits(w.tx, { billIds: [bill.id] })
  const amount = subtractMoney(money(line.net, w.currency), creditedOfLine(credits, line.id, w.currency))
  if (!isPositiveMoney(amount))
    refuseAt('billLineId', `All of ${line.description} was credited. Nothing of it is left.`)
  return { amount, accountId: line.accountId, billLineId: line.id }
}

/** Freight, duty or insurance joins what goods cost: in stock for those still here, else in cost of goods sold. */
export const landCost = defineCommand('land-cost', landedCostInput, async (w, input) => {
  const on = paperDay(w, input.on)
  const cost = await costOf(w, input, on)
  if (!isPositiveMoney(cost.amount)) refuseAt('amount', 'The amount must be above zero.')
  const receivedIds = [...new Set(input.receivedIds)]
  for (const id of receivedIds) {
    const paper = found((await listGoodsReceived(w.tx, { id }))[0], 'receipt of goods', id)
    if (on < paper.onDay) refuse({ code: 'not-before', from: paper.onDay, what: `${paper.number} came only later.` })
  }
  const lines = await listReceivedLines(w.tx, { receivedIds })
  const goods = await findGoods(
    w.tx,
    lines.map((l) => l.goodsId),
  )
  const shares =
    spreadCost(
      cost.amount,
      lines.map((l) => {
        const { weight, size } = present(goods.get(l.goodsId))
        const left = { quantity: l.quantity.minus(l.returned), value: money(l.value - l.returnedValue, w.currency) }
        return { ...left, weight, size }
      }),
      input.by,
    ) ?? refuseAt('by', `No ${input.by} is known of what came. Spread it by value or quantity.`)
  const number = await takeNumber(w.tx, 'landed-cost', on)
  const id = await reserveId(w.tx, 'landed_cost')
  const went: {
    readonly receivedLineId: number
    readonly amount: Money
    readonly toStock: Money
    readonly toCost: Money
    readonly shares: MovedWorth['shares']
  }[] = []
  for (const [i, line] of lines.entries()) {
    const amount = present(shares[i])
    const split = await moveWorth(w, line, amount, {
      of: line.quantity.minus(line.returned),
      on,
      paper: { kind: 'landed-cost', id },
    })
    went.push({ receivedLineId: line.id, amount, ...split })
  }
  const sum = (of: 'toStock' | 'toCost'): Money =>
    sumMoney(
      went.map((x) => x[of]),
      w.currency,
    )
  const text = `Landed cost ${number}`
  const entryId = await w.post(
    postLandedCost({ on, text, accountId: cost.accountId, toStock: sum('toStock'), toCost: sum('toCost') }),
    { kind: 'landed-cost', id },
  )
  await insertCostShares(
    w.tx,
    entryId,
    went.flatMap((x) => x.shares),
  )
  const { accountId, billLineId } = cost
  await insertLandedCost(
    w.tx,
    { number, onDay: on, amount: cost.amount.minor, spreadBy: input.by, accountId, billLineId, entryId },
    id,
  )
  await insertLandedShares(
    w.tx,
    went.map((x) => ({
      costId: id,
      receivedLineId: x.receivedLineId,
      amount: x.amount.minor,
      toStock: x.toStock.minor,
    })),
  )
  return { id, answer: async () => present(await landedCostView(w.tx, id, w.currency)) }
})
