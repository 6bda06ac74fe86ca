import { receiveGoodsInput } from '@/contract/inputs/buying/receive'
import type { z } from 'zod'
import { found, refuse, refuseAt } from '@/contract/refuse'
import { costFrom, purchaseLeft, shareOfWorth } from '@/core/buying'
import type { Day } from '@/core/day'
import { postGoodsReceived } from '@/core/ledger'
import {
  addMoney,
  money,
  smaller,
  splitMoney,
  subtractMoney,
  sumMoney,
  ZERO,
  type Decimal,
  type Money,
} from '@/core/money'
import { present } from '@/core/present'
import { valueAt } from '@/core/stock'
import { findGoods, type Goods } from '@/data/queries/goods'
import { insertGoodsReceived, insertReceivedLine } from '@/data/queries/goodsReceived'
import { takeNumber } from '@/data/queries/numbers'
import { tallyCame, updatePurchaseOrder, type PurchaseLineRow } from '@/data/queries/purchaseOrder'
import { reserveId } from '@/data/queries/reserveId'
import { addCameFor } from '@/data/queries/saleLine'
import { insertMoves, listPlaces, type MoveRow, type PlaceRow } from '@/data/queries/stock'
import { findSupplier, listGoodsSuppliers } from '@/data/queries/suppliers'
import { readUnitCosts } from '@/model/goods/unitCosts'
import { receivedView } from '@/model/buying/received'
import { defineCommand, paperDay, type Work } from '../command'
import { arrive, mustNamePieces } from '../goods/changeStock'
import { placeNamed } from '../goods/places'
import { stockOn } from '../goods/stockOn'
import type { HandedLine } from '../sales/handingOf'
import { giveGoods } from '../sales/handOver'
import { takeOrder } from './orderGoods'

type Input = z.output<typeof receiveGoodsInput>

/** So many of a thing that came, and at what cost each. */
interface Came {
  readonly goods: Goods
  readonly line: PurchaseLineRow | null
  readonly quantity: Decimal
  readonly unitCost: Decimal
  readonly placeId: number
  readonly input: Input['lines'][number]
}

/** The line of an order that something came for: the one that is named, else the first for these goods. */
const lineFor = (
  lines: readonly PurchaseLineRow[],
  asked: Input['lines'][number],
  i: number,
): PurchaseLineRow | null => {
  if (asked.lineId !== undefined) {
    const line =
      lines.find((l) => l.id === asked.lineId) ?? refuseAt(`lines.${i}.lineId`, 'This line is not on the order.')
    if (line.goodsId === null)
      refuseAt(`lines.${i}.lineId`, `${line.description} is no goods. Enter it with their bill.`)
    return line
  }
  return lines.find((l) => l.goodsId === asked.goodsId) ?? null
}

/** Checks what came against the order: more than was ordered only where it says so. */
const readCame = async (
  w: Work,
  input: Input,
  lines: readonly PurchaseLineRow[],
  { supplierId, on }: { readonly supplierId: number; readonly on: Day },
  places: readonly PlaceRow[],
): Promise<Came[]> => {
  const matched = input.lines.map((l, i) => lineFor(lines, l, i))
  const ids = input.lines.map((l, i) => present(matched[i]?.goodsId ?? l.goodsId))
  const [goods, sold] = await Promise.all([findGoods(w.tx, ids), listGoodsSuppliers(w.tx, ids)])
  const costOf = await readUnitCosts(w.tx, [...goods.values()], w)
  const coming = new Map<number, Decimal>()
  return input.lines.map((l, i) => {
    const thing = found(goods.get(present(ids[i])), 'goods', present(ids[i]))
    if (thing.kind !== 'stock') refuseAt(`lines.${i}.goodsId`, `${thing.name} is not kept in stock.`)
    mustNamePieces(thing, l, `lines.${i}`)
    const line = matched[i] ?? null
    if (line) {
      const before = coming.get(line.id) ?? ZERO
      const left = purchaseLeft({ ...line, received: line.received.plus(before) }).toReceive
      if (l.quantity.gt(left) && !l.more)
        refuse({ code: 'more-than-ordered', line: line.description, left, asked: l.quantity })
      coming.set(line.id, before.plus(l.quantity))
    }
    const seller = sold.find((s) => s.goodsId === thing.id && s.supplierId === supplierId)
    const asks = seller && costFrom(seller, { quantity: l.quantity, on })
    return {
      goods: thing,
      line,
      quantity: l.quantity,
      unitCost: l.unitCost ?? line?.unitCost ?? asks ?? costOf(thing.id).round(4),
      placeId: placeNamed(places, input.placeId ?? thing.placeId ?? undefined, 'placeId').id,
      input: l,
    }
  })
}

/** What a line that came is worth, and what of that was invoiced before it came. */
interface Worth {
  readonly value: Money
  readonly billed: Decimal
  readonly billedValue: Money
}

/** What was invoiced before it came is worth what was asked for it, the rest its own cost; one line after the other. */
const worthsOf = (came: readonly Came[], currency: string): readonly Worth[] => {
  const left = new Map<number, { readonly quantity: Decimal; readonly value: Money }>()
  return came.map(({ line, quantity, unitCost }) => {
    const ahead = (line && left.get(line.id)) ?? {
      quantity: line?.ahead ?? ZERO,
      value: money(line?.aheadValue ?? 0n, currency),
    }
    const billed = smaller(ahead.quantity, quantity)
    const billedValue = billed.gt(0) ? shareOfWorth(ahead, billed) : money(0n, currency)
    if (line)
      left.set(line.id, { quantity: ahead.quantity.minus(billed), value: subtractMoney(ahead.value, billedValue) })
    return { value: addMoney(billedValue, valueAt(unitCost, quantity.minus(billed), currency)), billed, billedValue }
  })
}

/** Writes one line of what came, and what of its order it is. Answers its moves. */
const writeLine = async (
  w: Work,
  { goods, line, quantity, unitCost, placeId, input }: Came,
  { value, billed, billedValue }: Worth,
  { receivedId, on }: { readonly receivedId: number; readonly on: Day },
): Promise<readonly MoveRow[]> => {
  const stock = await stockOn(w, [goods], on)
  const came = { goods, placeId, change: quantity, lot: input.lot, serials: input.serials, unitCost }
  const arrived = await arrive(w, stock, came, on)
  const shares = splitMoney(
    value,
    arrived.map((m) => m.quantity),
  )
  const moves = arrived.map((m, i) => ({ ...m, value: present(shares[i]) }))
  await insertMoves(w.tx, moves, { kind: 'goods-received', id: receivedId })
  await insertReceivedLine(w.tx, {
    receivedId,
    orderLineId: line?.id ?? null,
    goodsId: goods.id,
    quantity,
    unitCost,
    value: value.minor,
    billed,
    billedValue: billedValue.minor,
  })
  if (!line) return moves
  await tallyCame(w.tx, line.id, { received: quantity, ahead: billed, aheadValue: billedValue.minor })
  if (line.saleLineId !== null) await addCameFor(w.tx, line.saleLineId, quantity)
  return moves
}

/** What went straight to the customer: handed over as it came, never on a shelf. */
const handOn = async (
  w: Work,
  gone: readonly { readonly line: PurchaseLineRow; readonly moves: readonly MoveRow[] }[],
  on: Day,
) => {
  const bySale = new Map<number, HandedLine[]>()
  for (const { line, moves } of gone) {
    if (line.saleId === null || line.saleLineId === null) continue
    const from = moves.map((m) => ({ placeId: m.placeId, batchId: m.batchId ?? undefined, quantity: m.quantity }))
    const quantity = from.reduce((sum, f) => sum.plus(f.quantity), ZERO)
    bySale.set(line.saleId, [...(bySale.get(line.saleId) ?? []), { lineId: line.saleLineId, quantity, from }])
  }
  for (const [saleId, lines] of bySale) await giveGoods(w, saleId, { on, by: 'delivery', lines })
}

/** Goods come from a supplier, by an order or without one, in part, or more than was ordered where that is said. */
export const receiveGoods = defineCommand('receive-goods', receiveGoodsInput, async (w, input) => {
  const on = paperDay(w, input.on)
  const taken = input.purchaseOrderId === undefined ? null : await takeOrder(w, input.purchaseOrderId)
  if (taken?.order.closedOn) refuse({ code: 'order-closed', number: taken.order.number })
  const supplierId = taken?.order.supplierId ?? present(input.supplierId)
  if (input.supplierId !== undefined && input.supplierId !== supplierId)
    refuseAt('supplierId', `Order ${taken?.order.number ?? ''} is with ${taken?.order.supplier ?? ''}.`)
  const supplier = found(await findSupplier(w.tx, supplierId), 'supplier', supplierId)
  const places = await listPlaces(w.tx)
  const came = await readCame(w, input, taken?.lines ?? [], { supplierId, on }, places)
  const number = await takeNumber(w.tx, 'goods-received', on)
  const id = await reserveId(w.tx, 'goods_received')
  const paper = { number, supplierId, orderId: taken?.order.id ?? null, onDay: on }
  const placeId = placeNamed(places, input.placeId, 'placeId').id
  const worths = worthsOf(came, w.currency)
  const value = sumMoney(
    worths.map((x) => x.value),
    w.currency,
  )
  const entry = postGoodsReceived({ on, text: `Goods received ${number}, ${supplier.name}`, value })
  const entryId = entry.lines.length > 0 ? await w.post(entry, { kind: 'goods-received', id }) : null
  await insertGoodsReceived(w.tx, { ...paper, placeId, entryId }, id)
  const written: (readonly MoveRow[])[] = []
  for (const [i, c] of came.entries()) written.push(await writeLine(w, c, present(worths[i]), { receivedId: id, on }))
  if (taken && !taken.order.sentOn) await updatePurchaseOrder(w.tx, taken.order.id, { sentOn: on })
  if (taken?.order.direct)
    await handOn(
      w,
      came.flatMap((c, i) => (c.line ? [{ line: c.line, moves: present(written[i]) }] : [])),
      on,
    )
  return { id, answer: async () => present(await receivedView(w.tx, id, w)) }
})
