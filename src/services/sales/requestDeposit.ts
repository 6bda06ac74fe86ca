import { requestDepositInput } from '@/contract/inputs/sales/requestDeposit'
import { present } from '@/core/present'
import { isPositiveMoney, toDecimalString, type Money } from '@/core/money'
import { partOf } from '@/core/plan'
import { takeNumber } from '@/data/queries/numbers'
import { defineCommand } from '../command'
import { readArrangement } from '@/contract/arrangement'
import { stagesOf } from '@/model/plan/terms'
import { refuse } from '@/contract/refuse'
import { refreshSale } from './refreshSale'
import { mustBeOpen, takeSale, type LockedSale } from './saleWork'
import { insertDepositRequest, listDepositRequests } from '@/data/queries/depositRequest'

/** A paper that asks for money ahead: a percentage of the total with tax, or an amount. Posts nothing until money comes. */
export const requestDeposit = defineCommand(
  'request-deposit',
  requestDepositInput,
  async (w, { saleId, on: given, percent, amount, stage }) => {
    const locked = await takeSale(w, saleId)
    mustBeOpen(locked)
    const { totals } = await refreshSale(w, saleId)
    const said = [percent, amount, stage].filter((x) => x !== undefined).length
    if (said > 1) refuse({ code: 'nothing-asked' })
    // Where nothing is said, what was agreed is asked for: the stage that comes next.
    const next = said === 0 ? (await listDepositRequests(w.tx, [saleId], w.business.currency)).length + 1 : stage
    if (said === 0 && readArrangement(locked.sale.arrangement).kind !== 'deposit') refuse({ code: 'nothing-asked' })
    const staged = next === undefined ? null : stageOf(locked, totals.gross, next)
    const asked = staged?.amount ?? (percent ? partOf(totals.gross, { percent }) : w.money(present(amount), 'amount'))
    if (!isPositiveMoney(asked)) refuse({ code: 'nothing-asked' })
    const onDay = given ?? w.today
    const number = await takeNumber(w.tx, 'deposit-request', onDay)
    const id = await insertDepositRequest(w.tx, {
      saleId,
      number,
      onDay,
      percent: staged?.percent ?? percent ?? null,
      amount: asked.minor,
    })
    await refreshSale(w, saleId)
    return { id, answer: async () => ({ id, number, saleId, on: onDay, amount: toDecimalString(asked) }) }
  },
)

/** A stage of a deposit as it was arranged. */
const stageOf = ({ sale }: LockedSale, total: Money, stage: number) => {
  const chosen = readArrangement(sale.arrangement)
  if (chosen.kind !== 'deposit') return refuse({ code: 'not-this-arrangement', needs: 'deposit' })
  return stagesOf(chosen, total)[stage - 1] ?? refuse({ code: 'not-found', what: 'stage', id: stage })
}
