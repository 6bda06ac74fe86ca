import { z } from 'zod'
import { isPositiveMoney, toDecimalString } from '@/core/money'
import { partOf } from '@/core/plan'
import { takeNumber } from '@/data/queries/numbers'
import { insertDepositRequest } from '@/data/queries/sales'
import { defineCommand } from '../command'
import { id, on, positiveAmount, positivePercent } from '../input/fields'
import { refuse } from '../refuse'
import { refreshSale } from './refreshSale'
import { mustBeOpen, takeSale } from './saleWork'

const input = z.object({
  saleId: id,
  on,
  percent: positivePercent.optional(),
  amount: positiveAmount.optional(),
})

/** A paper that asks for money ahead: a percentage of the total with tax, or an amount. Posts nothing until money comes. */
export const requestDeposit = defineCommand(
  'request-deposit',
  input,
  async (w, { saleId, on: given, percent, amount }) => {
    const locked = await takeSale(w, saleId)
    mustBeOpen(locked)
    const { totals } = await refreshSale(w, saleId)
    if ((percent === undefined) === (amount === undefined)) refuse({ code: 'nothing-asked' })
    const asked = percent ? partOf(totals.gross, { percent }) : w.money(amount!, 'amount')
    if (!isPositiveMoney(asked)) refuse({ code: 'nothing-asked' })
    const onDay = given ?? w.today
    const number = await takeNumber(w.tx, 'deposit-request', onDay)
    const id = await insertDepositRequest(w.tx, {
      saleId,
      number,
      onDay,
      percent: percent?.toString() ?? null,
      amount: asked.minor,
    })
    await refreshSale(w, saleId)
    return { id, answer: async () => ({ id, number, saleId, on: onDay, amount: toDecimalString(asked) }) }
  },
)
