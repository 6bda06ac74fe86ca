import { changeSaleInput } from '@/contract/inputs/sales/changeSale'
import { present } from '@/core/present'
import type { KeptTaxCode } from '@/data/queries/taxCodes'
import { larger, ZERO, type Decimal } from '@/core/money'
import { leastAgreed } from '@/core/sale'
import { findCustomer } from '@/data/queries/customers'
import { updateSale } from '@/data/queries/sales'
import { kitsBegun } from '@/core/stock'
import { editionOf } from '@/model/sale/edition'
import { readKitLines } from '@/model/sale/kitLines'
import { defineCommand, type Work } from '../command'
import { type ChangedLine } from '@/contract/lines'
import { refuse } from '@/contract/refuse'
import { fillLines, type FilledLine } from './fillLines'
import { keepVersion } from './keepVersion'
import { writeLetterIn } from '../post/writeLetter'
import { refreshSale } from './refreshSale'
import { answerSale, mustBeOpen, takeSale, type LockedSale } from './saleWork'
import { lineRow, mustBeKind } from './startSale'
import {
  deleteSaleLines,
  insertSaleLines,
  remakeLineParts,
  updateSaleLines,
  type LineChange,
  type SaleLineRow,
} from '@/data/queries/saleLine'

/** Finds for each new line the one it continues: by its id, else by its goods or its words where that is plain. */
const pairLines = (before: readonly SaleLineRow[], now: readonly ChangedLine[]): (SaleLineRow | null)[] => {
  const free = new Map(before.map((l) => [l.id, l]))
  const named = now.map((l) => {
    if (l.lineId === undefined) return null
    const line = free.get(l.lineId) ?? refuse({ code: 'not-found', what: 'line', id: l.lineId })
    free.delete(line.id)
    return line
  })
  return now.map((l, i) => {
    if (named[i]) return named[i]
    const same = [...free.values()].find((b) =>
      l.goodsId === undefined
        ? b.goodsId === null && b.description === l.description && (b.kind === l.kind || l.kind === undefined)
        : b.goodsId === l.goodsId,
    )
    if (same) free.delete(same.id)
    return same ?? null
  })
}

const priceMoved = (before: SaleLineRow, now: FilledLine): boolean =>
  !before.unitPrice.eq(now.unitPrice) ||
  !before.discountPercent.eq(now.discountPercent) ||
  before.discountAmount !== now.discountAmount ||
  before.taxCodeId !== now.taxCodeId

/** A line whose goods and price stay keeps the word of where its price came from, and what it was thought to cost. */
const asBefore = (before: SaleLineRow, now: FilledLine): FilledLine =>
  before.goodsId === now.goodsId && before.unitPrice.eq(now.unitPrice)
    ? { ...now, priceFrom: before.priceFrom, expectedCost: before.expectedCost }
    : now

/**
 * A line of the same tax code keeps the rates it was agreed at; its bill takes those of its own day. So does one that is said to
 * keep its code, though its customer is exempt by now: what was agreed is not taxed anew by that alone.
 */
const atItsRates = (
  codes: readonly KeptTaxCode[],
  before: SaleLineRow,
  now: FilledLine,
  said: string | undefined,
): FilledLine => {
  const first = (id: number) => present(codes.find((c) => c.id === id)).rateOf ?? id
  const same = first(before.taxCodeId) === first(now.taxCodeId) || said?.toLowerCase() === before.taxCode.toLowerCase()
  return same ? { ...now, taxCodeId: before.taxCodeId } : now
}

/** What of a line must stay agreed: what was handed over or billed, and kits that are begun with parts that went ahead. */
export const leastOfLines = async (w: Work, { lines }: LockedSale): Promise<(line: SaleLineRow) => Decimal> => {
  const kits = await readKitLines(w.tx, lines)
  return (line) => {
    const kit = kits.get(line.id)
    const begun = kit ? kitsBegun(kit) : ZERO
    return larger(leastAgreed(line), begun.gt(0) ? line.handedOver.minus(line.toReplace).plus(begun) : ZERO)
  }
}

/**
 * Changes what is on a sale. Before agreement the estimate is simply rewritten; after it a new agreed version is made, and
 * what was handed over or billed stays agreed at its price.
 */
export const changeSale = defineCommand('change-sale', changeSaleInput, async (w, change) => {
  const { saleId } = change
  const locked = await takeSale(w, saleId)
  const { sale } = locked
  if (change.edition !== undefined && change.edition !== editionOf(sale, locked.lines))
    refuse({ code: 'sale-changed', number: sale.number })
  mustBeOpen(locked)
  const changedOn = change.on ?? w.today
  if (change.lines) {
    const customer = present(await findCustomer(w.tx, sale.customerId, w.currency))
    const agreed = sale.agreedOn !== null
    const filled = await fillLines(w, change.lines, {
      customer,
      on: changedOn,
      pricesIncludeTax: sale.pricesIncludeTax,
      deliverTo: change.deliverTo ?? sale.deliverTo,
    })
    const pairs = pairLines(locked.lines, change.lines)
    const leastOf = await leastOfLines(w, locked)
    const kept = new Set(pairs.flatMap((p) => (p ? [p.id] : [])))
    const codes = await w.taxCodes()
    const added: ReturnType<typeof lineRow>[] = []
    const changes: LineChange[] = []
    for (const [position, typed] of filled.entries()) {
      const before = pairs[position]
      if (!before) {
        added.push(lineRow(saleId, position, typed, agreed))
        continue
      }
      const line = agreed ? atItsRates(codes, before, typed, change.lines[position]?.taxCode) : typed
      const least = leastOf(before)
      const counts = line.chosen ? line.quantity : ZERO
      if (agreed && counts.lt(least)) refuse({ code: 'less-than-done', line: before.description, least })
      if (before.billed.gt(before.toRebill) && priceMoved(before, line))
        refuse({ code: 'price-fixed', line: before.description })
      changes.push({ id: before.id, change: lineRow(saleId, position, asBefore(before, line), agreed) })
    }
    await updateSaleLines(w.tx, changes)
    await remakeLineParts(
      w.tx,
      pairs.flatMap((before, i) => (before && before.goodsId !== present(filled[i]).goodsId ? [before.id] : [])),
    )
    await insertSaleLines(w.tx, added)
    const dropped = locked.lines.filter((l) => !kept.has(l.id))
    const done = dropped.find((l) => leastOf(l).gt(0))
    if (done) refuse({ code: 'less-than-done', line: done.description, least: leastOf(done) })
    const words = dropped.filter((l) => !agreed || l.kind === 'heading' || l.kind === 'text')
    await deleteSaleLines(
      w.tx,
      words.map((l) => l.id),
    )
    await updateSaleLines(
      w.tx,
      dropped
        .filter((l) => !words.includes(l))
        .map((l) => ({ id: l.id, change: { agreed: ZERO, position: filled.length + l.position } })),
    )
  }
  if (change.kind) mustBeKind(w, change.kind)
  const {
    lines: _lines,
    saleId: _saleId,
    on: _on,
    edition: _edition,
    tell,
    discountPercent,
    discountAmount,
    ...facts
  } = change
  const given = Object.fromEntries(Object.entries(facts).filter(([, value]) => value !== undefined))
  await updateSale(w.tx, saleId, {
    ...given,
    title: change.title ?? sale.title,
    ...(discountPercent === undefined ? {} : { discountPercent }),
    ...(discountAmount === undefined ? {} : { discountAmount: w.money(discountAmount, 'discountAmount').minor }),
  })
  const story = await refreshSale(w, saleId)
  if (sale.agreedOn && (change.lines || discountPercent || discountAmount))
    await keepVersion(w, story, { kind: 'changed', on: changedOn })
  if (sale.agreedOn && change.wantedBy && change.wantedBy !== sale.wantedBy && tell !== false)
    await tellNewDate(w, sale)
  return answerSale(w, saleId)
})

/** Tells the customer the new day of an order, where there is an address to write to. */
const tellNewDate = async (w: Work, { id, customerId }: LockedSale['sale']): Promise<void> => {
  const customer = await findCustomer(w.tx, customerId, w.currency)
  if (customer?.email) await writeLetterIn(w, { paper: 'confirmation', paperId: id, as: 'new-date' })
}
