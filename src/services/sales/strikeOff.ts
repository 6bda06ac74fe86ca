import { strikeOffInput } from '@/contract/inputs/sales/strikeOff'
import { found, refuse } from '@/contract/refuse'
import type { Day } from '@/core/day'
import { formatQuantity, ZERO, type Decimal } from '@/core/money'
import { lineState } from '@/core/sale'
import { updateSaleLines, type LineChange } from '@/data/queries/saleLine'
import { defineCommand, type Work } from '../command'
import { trimPick } from '../parcels/trimPick'
import { leastOfLines } from './changeSale'
import { keepVersion } from './keepVersion'
import { refreshSale } from './refreshSale'
import { answerSale, mustBeAgreed, takeSale, type LockedSale } from './saleWork'

/** So many of a line that nobody waits for any more. */
interface Struck {
  readonly lineId: number
  readonly quantity: Decimal
}

/** Takes what will not come off an order: a new version of it says what and why. What went or was invoiced stays ordered. */
export const strikeOffIn = async (
  w: Work,
  locked: LockedSale,
  struck: readonly Struck[],
  { on, reason }: { readonly on: Day; readonly reason: string },
): Promise<void> => {
  const leastOf = await leastOfLines(w, locked)
  // A line that is named twice is one line.
  const wanted = new Map<number, Decimal>()
  for (const { lineId, quantity } of struck) wanted.set(lineId, quantity.plus(wanted.get(lineId) ?? ZERO))
  const said: string[] = []
  const changes: LineChange[] = []
  for (const [lineId, quantity] of wanted) {
    const line = found(
      locked.lines.find((l) => l.id === lineId),
      'line',
      lineId,
    )
    const left = lineState(line).toHandOver
    if (quantity.gt(left)) refuse({ code: 'more-than-agreed', line: line.description, left, asked: quantity })
    const agreed = line.agreed.minus(quantity)
    const least = leastOf(line)
    if (agreed.lt(least)) refuse({ code: 'less-than-done', line: line.description, least })
    changes.push({ id: lineId, change: { agreed, quantity: agreed } })
    said.push(`${formatQuantity(quantity)} × ${line.description}`)
  }
  if (said.length === 0) refuse({ code: 'nothing-to-hand-over' })
  await updateSaleLines(w.tx, changes)
  const story = await refreshSale(w, locked.sale.id)
  await keepVersion(w, story, { kind: 'changed', on, reason: `${said.join(', ')} struck off, ${reason}` })
  await trimPick(w, locked.sale.id)
}

/** What is still to be handed over of an order, or so many of some lines, is not coming: struck off with its reason. */
export const strikeOff = defineCommand('strike-off', strikeOffInput, async (w, { saleId, on, lines, reason }) => {
  const locked = await takeSale(w, saleId)
  mustBeAgreed(locked)
  const leastOf = await leastOfLines(w, locked)
  const rest = locked.lines
    .map((l) => ({ lineId: l.id, quantity: l.agreed.minus(leastOf(l)) }))
    .filter((l) => l.quantity.gt(0))
  await strikeOffIn(w, locked, lines ?? rest, { on: on ?? w.today, reason })
  return answerSale(w, saleId)
})
