import { z } from 'zod'
import { leastAgreed } from '@/core/sale'
import { findCustomer } from '@/data/queries/customers'
import {
  deleteSaleLines,
  insertSaleLines,
  updateSale,
  updateSaleLine,
  type SaleLineRow,
} from '@/data/queries/sales'
import { defineCommand } from '../command'
import { day, id, on, text } from '../input/fields'
import { changedLines, type ChangedLine } from '../input/lines'
import { refuse } from '../refuse'
import { fillLines, type FilledLine } from './fillLines'
import { keepVersion } from './keepVersion'
import { refreshSale } from './refreshSale'
import { answerSale, mustBeOpen, takeSale } from './saleWork'
import { lineRow } from './startSale'

const input = z.object({
  saleId: id,
  on,
  lines: changedLines.optional(),
  title: text(200).optional(),
  note: text(4000).optional(),
  purchaseOrder: text(80).optional(),
  wantedBy: day.nullable().optional(),
})

/** Finds for each new line the one it continues: by its id, else by its goods where that is plain. */
const pairLines = (before: readonly SaleLineRow[], now: readonly ChangedLine[]): (SaleLineRow | null)[] => {
  const free = new Map(before.map((l) => [l.id, l]))
  const named = now.map((l) => {
    if (l.lineId === undefined) return null
    const line = free.get(l.lineId) ?? refuse({ code: 'not-found', what: 'line', id: l.lineId })
    free.delete(line.id)
    return line
  })
  return now.map((l, i) => {
    if (named[i] || l.goodsId === undefined) return named[i] ?? null
    const same = [...free.values()].find((b) => b.goodsId === l.goodsId)
    if (same) free.delete(same.id)
    return same ?? null
  })
}

const priceMoved = (before: SaleLineRow, now: FilledLine): boolean =>
  !before.unitPrice.eq(now.unitPrice) ||
  !before.discountPercent.eq(now.discountPercent) ||
  before.taxCodeId !== now.taxCodeId

/**
 * Changes what is on a sale. Before agreement the estimate is simply rewritten; after it a new agreed version is made, and
 * what was handed over or billed stays agreed at its price.
 */
export const changeSale = defineCommand('change-sale', input, async (w, change) => {
  const { saleId } = change
  const locked = await takeSale(w, saleId)
  mustBeOpen(locked)
  const { sale } = locked
  const changedOn = change.on ?? w.today
  if (change.lines) {
    const customer = (await findCustomer(w.tx, sale.customerId, w.currency))!
    const agreed = sale.agreedOn !== null
    const filled = await fillLines(w, change.lines, customer, changedOn)
    const pairs = pairLines(locked.lines, change.lines)
    const kept = new Set(pairs.flatMap((p) => (p ? [p.id] : [])))
    for (const [position, line] of filled.entries()) {
      const before = pairs[position]
      if (!before) {
        await insertSaleLines(w.tx, [lineRow(saleId, position, line, agreed)])
        continue
      }
      const least = leastAgreed(before)
      if (agreed && line.quantity.lt(least))
        refuse({ code: 'less-than-done', line: before.description, least })
      if (before.billed.gt(before.toRebill) && priceMoved(before, line))
        refuse({ code: 'price-fixed', line: before.description })
      await updateSaleLine(w.tx, before.id, lineRow(saleId, position, line, agreed))
    }
    const dropped = locked.lines.filter((l) => !kept.has(l.id))
    const done = dropped.find((l) => leastAgreed(l).gt(0))
    if (done) refuse({ code: 'less-than-done', line: done.description, least: leastAgreed(done) })
    if (agreed)
      for (const l of dropped)
        await updateSaleLine(w.tx, l.id, { agreed: '0', position: filled.length + l.position })
    else
      await deleteSaleLines(
        w.tx,
        dropped.map((l) => l.id),
      )
  }
  await updateSale(w.tx, saleId, {
    title: change.title ?? sale.title,
    note: change.note ?? sale.note,
    purchaseOrder: change.purchaseOrder ?? sale.purchaseOrder,
    wantedBy: change.wantedBy === undefined ? sale.wantedBy : change.wantedBy,
  })
  const story = await refreshSale(w, saleId)
  if (sale.agreedOn && change.lines) await keepVersion(w, story, { kind: 'changed', on: changedOn })
  return answerSale(w, saleId)
})
