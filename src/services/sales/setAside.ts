import { setAsideInput } from '@/contract/inputs/sales/setAside'
import { refuseAt } from '@/contract/refuse'
import { setAsideTurn } from '@/data/queries/saleLine'
import { defineCommand } from '../command'
import { refreshSale } from './refreshSale'
import { answerSale, mustBeAgreed, takeSale } from './saleWork'

/**
 * By hand: what is in stock goes to this sale before all others, or is released to them. Nothing moves and nothing is posted;
 * whoever comes next in turn has it set aside at once.
 */
export const setAsideByHand = defineCommand('set-aside', setAsideInput, async (w, { saleId, turn, lines }) => {
  const locked = await takeSale(w, saleId)
  mustBeAgreed(locked)
  for (const [i, l] of (lines ?? []).entries())
    if (!locked.lines.some((x) => x.id === l.lineId)) refuseAt(`lines.${i}.lineId`, 'This line is not on the sale.')
  const ids = lines ? lines.map((l) => l.lineId) : locked.lines.map((l) => l.id)
  await setAsideTurn(w.tx, ids, turn)
  await refreshSale(w, saleId)
  return answerSale(w, saleId)
})
