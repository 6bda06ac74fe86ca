import { addMoney, sumMoney, zeroMoney, type Money } from '@/core/money'
import { present } from '@/core/present'
import { earnedByHandover } from '@/core/sale'
import { postHandover } from '@/core/ledger'
import type { Day } from '@/core/day'
import { findGoods } from '@/data/queries/goods'
import { insertHandover } from '@/data/queries/handover'
import { takeNumber } from '@/data/queries/numbers'
import { reserveId } from '@/data/queries/reserveId'
import { addToLines } from '@/data/queries/saleLine'
import { insertMoves } from '@/data/queries/stock'
import { readWaitingAhead, type WaitingAhead } from '../billing/waitingAhead'
import type { Work } from '../command'
import type { Leaving } from '../goods/leaving'
import { planLeaving } from '../goods/planLeaving'
import { handingOf, type Handing } from './handingOf'
import type { LockedSale } from './saleWork'

/**
 * Writes a handover: goods leave the shelves, their cost goes to the books, what was billed ahead for them becomes income.
 * No more goes than is agreed.
 */
export const writeHandover = async (
  w: Work,
  locked: LockedSale,
  wished: readonly Handing[],
  paper: { readonly on: Day; readonly by: 'counter' | 'parcel' | 'delivery' },
): Promise<number> => {
  const handing = await handingOf(w, locked, wished)
  const { moves, costs } = await leaveShelves(w, handing, paper.on)
  const waiting = await billedAhead(w, locked, handing)
  const none = zeroMoney(w.currency)
  const lines = handing.map((h) => ({
    ...h,
    cost: costs.get(h.line.id) ?? none,
    earned: earnedByHandover({
      waiting: waiting?.now(h.line.id) ?? none,
      handedOver: h.line.handedOver.minus(h.line.returned),
      billed: h.line.billed.minus(h.line.credited),
      quantity: h.quantity,
    }),
  }))
  for (const l of lines) waiting?.refuseEarly(l.line.id, l.earned, paper.on)
  const [number, handoverId] = await Promise.all([takeNumber(w.tx, 'handover', paper.on), reserveId(w.tx, 'handover')])
  const entry = postHandover({
    on: paper.on,
    text: `Handover ${number}, ${locked.sale.customerName}`,
    cost: sumMoney(
      lines.map((l) => l.cost),
      w.currency,
    ),
    earned: lines.map((l) => ({ incomeAccountId: l.line.incomeAccountId, amount: l.earned })),
  })
  const source = {
    kind: 'handover',
    id: handoverId,
    saleId: locked.sale.id,
    customerId: locked.sale.customerId,
  }
  const entryId = entry.lines.length > 0 ? await w.post(entry, source) : null
  await insertHandover(
    w.tx,
    { number, saleId: locked.sale.id, direction: 'out', onDay: paper.on, by: paper.by, entryId },
    handoverId,
    lines.map((l) => ({
      saleLineId: l.line.id,
      quantity: l.quantity,
      cost: l.cost.minor,
      earned: l.earned.minor,
    })),
  )
  await Promise.all([
    insertMoves(w.tx, moves, { kind: 'handover', id: handoverId }),
    addToLines(
      w.tx,
      handing.map((h) => ({ lineId: h.line.id, by: { handedOver: h.quantity } })),
    ),
  ])
  return handoverId
}

/** What leaves the shelves for it, and what each line of it cost, by the line's id. */
const leaveShelves = async (w: Work, handing: readonly Handing[], on: Day) => {
  const fromShelf = handing.filter((h) => h.line.kind === 'stock' || h.line.kind === 'kit')
  const goods = await findGoods(
    w.tx,
    fromShelf.map((h) => present(h.line.goodsId)),
  )
  const partsOf = await findGoods(w.tx, [
    ...fromShelf.flatMap((h) => [...(h.parts ?? []), ...(h.kit?.parts ?? [])].map((p) => p.goodsId)),
  ])
  const leaving = fromShelf.flatMap((h): Leaving[] =>
    h.parts
      ? h.parts.map((p) => ({
          goods: present(partsOf.get(p.goodsId)),
          quantity: p.quantity,
          from: p.from,
          saleLineId: h.line.id,
        }))
      : [
          {
            goods: present(goods.get(present(h.line.goodsId))),
            quantity: h.quantity,
            from: h.from,
            saleLineId: h.line.id,
            kit: h.kit,
          },
        ],
  )
  const left = await planLeaving(w, leaving, { on, partsOf, toCustomer: true })
  const costs = new Map<number, Money>()
  leaving.forEach(({ saleLineId }, i) => {
    const id = present(saleLineId)
    costs.set(id, addMoney(costs.get(id) ?? zeroMoney(w.currency), present(left.costs[i])))
  })
  return { moves: left.moves, costs }
}

/** What still waits billed ahead. Only asked for where a line was billed before it is handed over. */
const billedAhead = async (
  w: Work,
  { sale }: LockedSale,
  handing: readonly Handing[],
): Promise<WaitingAhead | null> => {
  const ahead = handing.some((h) => h.line.billed.minus(h.line.credited).gt(h.line.handedOver.minus(h.line.returned)))
  return ahead ? readWaitingAhead(w, sale.id) : null
}
