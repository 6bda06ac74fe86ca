import { voidLandedCostInput } from '@/contract/inputs/buying/landedCost'
import { found, refuse } from '@/contract/refuse'
import { unitsOfPart } from '@/core/buying'
import { postLandedCost, reverseEntry } from '@/core/ledger'
import { money, negateMoney, subtractMoney, sumMoney, type Money } from '@/core/money'
import { present } from '@/core/present'
import { insertCostShares, listTurnedShares } from '@/data/queries/costShare'
import { listReceivedLines } from '@/data/queries/goodsReceived'
import { listLandedCosts, listLandedShares, markLandedCostVoid } from '@/data/queries/landedCost'
import { landedCostView } from '@/model/buying/landedCosts'
import { dayAfter, defineCommand } from '../command'
import { moveWorth } from './moveWorth'

/**
 * A cost that was spread wrong does not count from a day on: it stands on its account again, and what it added to goods leaves
 * stock as far as they are still here, else cost of goods sold.
 */
export const voidLandedCost = defineCommand(
  'void-landed-cost',
  voidLandedCostInput,
  async (w, { costId, on, reason }) => {
    const cost = found((await listLandedCosts(w.tx, { id: costId }))[0], 'landed cost', costId)
    if (cost.voidedOn) refuse({ code: 'already-voided', number: cost.number })
    const onDay = dayAfter(w, on, cost.onDay, `${cost.number} is dated later.`)
    const shares = await listLandedShares(w.tx, costId)
    const lines = await listReceivedLines(w.tx, { lineIds: shares.map((s) => s.receivedLineId) })
    const back: Money[] = []
    for (const s of shares) {
      const line = present(lines.find((l) => l.id === s.receivedLineId))
      const [amount, toStock] = [money(s.amount, w.currency), money(s.toStock, w.currency)]
      const moved = await moveWorth(w, line, negateMoney(toStock), {
        of: unitsOfPart(line.quantity.minus(line.returned), toStock, amount),
        on: onDay,
        paper: { kind: 'landed-cost', id: costId },
      })
      back.push(negateMoney(moved.toStock))
    }
    const toStock = sumMoney(back, w.currency)
    const text = `${cost.number} void: ${reason}`
    const posted = postLandedCost({
      on: onDay,
      text,
      accountId: cost.accountId,
      toStock,
      toCost: subtractMoney(money(cost.amount, w.currency), toStock),
    })
    const given = await listTurnedShares(w.tx, cost.entryId)
    const entryId = await w.post(reverseEntry(posted, onDay, text), {
      kind: 'landed-cost',
      id: costId,
      reversesId: cost.entryId,
    })
    await insertCostShares(w.tx, entryId, given)
    await markLandedCostVoid(w.tx, costId, onDay, reason)
    return { id: costId, answer: async () => present(await landedCostView(w.tx, costId, w.currency)) }
  },
)
