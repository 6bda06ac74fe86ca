import { enterBillInput, type BillLineInput } from '@/contract/inputs/buying/bills'
import { found, refuse } from '@/contract/refuse'
import { billTerms, purchaseLeft, shareOfWorth } from '@/core/buying'
import type { Day } from '@/core/day'
import { KEPT_BY_PAPERS, postAheadUsed, postBill } from '@/core/ledger'
import {
  addMoney,
  decimal,
  isPositiveMoney,
  money,
  smaller,
  smallerMoney,
  splitMoney,
  subtractMoney,
  sumMoney,
  toDecimal,
  zeroMoney,
  ZERO,
  type Decimal,
  type Money,
} from '@/core/money'
import { present } from '@/core/present'
import { lowestFrom } from '@/core/running'
import { valueAt } from '@/core/stock'
import { computeTax, rateOn } from '@/core/tax'
import { listAccounts } from '@/data/queries/accounts'
import {
  findBillByNumber,
  insertAheadMove,
  insertBill,
  insertBillFills,
  insertBillLines,
  listAheadMoves,
} from '@/data/queries/bill'
import { listReceivedLines, updateReceivedLine, type ReceivedLineRow } from '@/data/queries/goodsReceived'
import { takeNumber } from '@/data/queries/numbers'
import { listPurchaseLines, listPurchaseOrders, tallyBilled, type PurchaseLineRow } from '@/data/queries/purchaseOrder'
import { reserveId } from '@/data/queries/reserveId'
import { findSupplier } from '@/data/queries/suppliers'
import { billView } from '@/model/buying/bills'
import { defineCommand, paperDay, type Work } from '../command'
import { moveWorth } from './moveWorth'

const ONE = decimal(1)

/** What each of so many costs, as it is kept: to the ten-thousandth. */
const toUnitCost = ({ net, quantity }: { readonly net: Money; readonly quantity: Decimal }): Decimal =>
  toDecimal(net).div(quantity).toDecimalPlaces(4)

const wrong = (path: string, message: string): never => refuse({ code: 'invalid', errors: [{ path, message }] })

/** A part of a bill: for goods that came, goods that did not come yet, or an account. */
interface Part {
  readonly received: ReceivedLineRow | null
  readonly order: PurchaseLineRow | null
  readonly accountId: number
  readonly description: string
  readonly quantity: Decimal
  readonly net: Money
  /** What of “goods received, not invoiced” it clears. */
  readonly cleared: Money
  /** Which line of the input it is of. */
  readonly of: number
}

interface Papers {
  readonly received: readonly ReceivedLineRow[]
  readonly orders: readonly PurchaseLineRow[]
  readonly notBilled: number
  readonly costOfSales: number
}

/** What a bill's lines speak of, checked to be of this supplier. */
const readPapers = async (w: Work, supplierId: number, lines: readonly BillLineInput[]): Promise<Papers> => {
  const orders = await listPurchaseLines(w.tx, { lineIds: lines.flatMap((l) => l.purchaseOrderLineId ?? []) })
  const [named, came, heads] = await Promise.all([
    listReceivedLines(w.tx, { lineIds: lines.flatMap((l) => l.receivedLineId ?? []) }),
    listReceivedLines(w.tx, { orderLineIds: orders.map((o) => o.id) }),
    listPurchaseOrders(w.tx, { ids: orders.map((o) => o.orderId) }),
  ])
  const received = [...new Map([...named, ...came].map((r) => [r.id, r])).values()].filter(
    (r) => r.supplierId === supplierId,
  )
  const own = new Set(heads.filter((h) => h.supplierId === supplierId).map((h) => h.id))
  return {
    received,
    orders: orders.filter((o) => own.has(o.orderId)),
    notBilled: await w.accountId('received-not-billed'),
    costOfSales: await w.accountId('cost-of-goods-sold'),
  }
}

/** What is asked for so many: the amount that is said, else the cost of each, else what they came in at. */
const netOf = (w: Work, l: BillLineInput, quantity: Decimal, usual: Money, path: string): Money => {
  if (l.amount !== undefined) return w.money(l.amount, `${path}.amount`)
  return l.unitCost === undefined ? usual : valueAt(l.unitCost, quantity, w.currency)
}

/** What is left of lines that came while a bill is put together: each is invoiced once. */
const leftOf = (received: readonly ReceivedLineRow[], currency: string) => {
  const left = new Map(
    received.map((r) => [
      r.id,
      { quantity: r.quantity.minus(r.billed), value: money(r.value - r.billedValue, currency) },
    ]),
  )
  return {
    of: (r: ReceivedLineRow) => present(left.get(r.id)),
    take: (r: ReceivedLineRow, quantity: Decimal): Money => {
      const there = present(left.get(r.id))
      const value = shareOfWorth(there, quantity)
      left.set(r.id, { quantity: there.quantity.minus(quantity), value: subtractMoney(there.value, value) })
      return value
    },
  }
}

/** Goods that came, of a line of the bill. */
const partOfReceived = (
  w: Work,
  l: BillLineInput,
  i: number,
  papers: Papers,
  left: ReturnType<typeof leftOf>,
): Part => {
  const row =
    papers.received.find((r) => r.id === l.receivedLineId) ??
    wrong(`lines.${i}.receivedLineId`, 'This did not come from this supplier. Choose it anew.')
  const there = left.of(row).quantity
  const quantity = l.quantity ?? there
  if (quantity.gt(there) || there.lte(0))
    refuse({ code: 'more-than-came', line: row.name, left: there, asked: quantity })
  const cleared = left.take(row, quantity)
  const net = netOf(w, l, quantity, cleared, `lines.${i}`)
  return {
    received: row,
    order: null,
    accountId: papers.notBilled,
    description: l.description || row.name,
    quantity,
    net,
    cleared,
    of: i,
  }
}

/** A line of an order: first what came of it and is not invoiced yet, the rest before it comes. */
const partsOfOrder = (
  w: Work,
  l: BillLineInput,
  i: number,
  papers: Papers,
  left: ReturnType<typeof leftOf>,
): readonly Part[] => {
  const line =
    papers.orders.find((o) => o.id === l.purchaseOrderLineId) ??
    wrong(`lines.${i}.purchaseOrderLineId`, 'This is on no order with this supplier. Choose it anew.')
  const most = purchaseLeft(line).toBill
  const quantity = l.quantity ?? most
  if (quantity.gt(most) || most.lte(0))
    refuse({ code: 'more-than-came', line: line.description, left: most, asked: quantity })
  const net = netOf(w, l, quantity, valueAt(line.unitCost, quantity, w.currency), `lines.${i}`)
  const said = { description: l.description || line.description, of: i, order: line }
  if (line.goodsId === null)
    return [{ ...said, received: null, accountId: papers.costOfSales, quantity, net, cleared: zeroMoney(w.currency) }]
  let missing = quantity
  const taken = papers.received
    .filter((r) => r.orderLineId === line.id)
    .flatMap((r) => {
      const part = smaller(left.of(r).quantity, missing)
      if (part.lte(0)) return []
      missing = missing.minus(part)
      return [{ received: r, quantity: part, cleared: left.take(r, part) }]
    })
  const ahead = missing.gt(0) ? [{ received: null, quantity: missing, cleared: null }] : []
  const nets = splitMoney(
    net,
    [...taken, ...ahead].map((p) => p.quantity),
  )
  return [...taken, ...ahead].map((p, n) => {
    const share = present(nets[n])
    // What did not come yet clears what it will be worth when it comes: what is asked for it now.
    return { ...said, ...p, accountId: papers.notBilled, net: share, cleared: p.cleared ?? share }
  })
}

/** Every part of a bill, in the order of its lines. */
const partsOf = async (w: Work, supplierId: number, lines: readonly BillLineInput[]): Promise<readonly Part[]> => {
  const papers = await readPapers(w, supplierId, lines)
  const left = leftOf(papers.received, w.currency)
  const accounts = await listAccounts(w.tx)
  return lines.flatMap((l, i): readonly Part[] => {
    if (l.receivedLineId !== undefined) return [partOfReceived(w, l, i, papers, left)]
    if (l.purchaseOrderLineId !== undefined) return partsOfOrder(w, l, i, papers, left)
    const account = found(
      accounts.find((a) => a.id === l.accountId),
      'account',
      l.accountId ?? 0,
    )
    if (account.role && KEPT_BY_PAPERS.has(account.role))
      wrong(`lines.${i}.accountId`, `${account.name} is kept by documents. Choose another account.`)
    const quantity = l.quantity ?? ONE
    const net = netOf(w, l, quantity, zeroMoney(w.currency), `lines.${i}`)
    return [
      {
        received: null,
        order: null,
        accountId: account.id,
        description: l.description || account.name,
        quantity,
        net,
        cleared: zeroMoney(w.currency),
        of: i,
      },
    ]
  })
}

/** Tax of each line of a bill: what its code makes of its net, or what stands on it. */
const taxesOf = async (w: Work, lines: readonly BillLineInput[], nets: readonly Money[], on: Day) => {
  const codes = await w.taxCodes()
  const named = lines.map((l, i) => {
    if (l.taxCode === undefined) return null
    const code = codes.find((c) => c.code.toLowerCase() === l.taxCode?.toLowerCase())
    return rateOn(codes, (code ?? wrong(`lines.${i}.taxCode`, `There is no tax code ${l.taxCode}.`)).id, on)
  })
  const taxed = lines.flatMap((l, i) => {
    const code = named[i]
    return code && l.tax === undefined ? [{ i, amount: present(nets[i]), taxCode: code }] : []
  })
  const { lines: computed } = computeTax(taxed, {
    currency: w.currency,
    pricesIncludeTax: false,
    roundPer: w.business.taxRoundedPer,
  })
  return lines.map((l, i) => {
    const at = taxed.findIndex((t) => t.i === i)
    const tax = l.tax === undefined ? (computed[at]?.tax ?? zeroMoney(w.currency)) : w.money(l.tax, `lines.${i}.tax`)
    return { tax, taxCodeId: named[i]?.id ?? null }
  })
}

/** Money that was paid to the supplier in advance is used for a bill at once, as far as it lies there. */
const useAhead = async (
  w: Work,
  {
    supplierId,
    billId,
    text,
    on,
    gross,
  }: {
    readonly supplierId: number
    readonly billId: number
    readonly text: string
    readonly on: Day
    readonly gross: Money
  },
): Promise<void> => {
  const moves = await listAheadMoves(w.tx, supplierId)
  const free = lowestFrom(
    moves.map((m) => ({ on: m.onDay, by: m.amount })),
    on,
  )
  const used = smallerMoney(money(free, w.currency), gross)
  if (!isPositiveMoney(used)) return
  const entryId = await w.post(postAheadUsed({ on, text: `Advance used for ${text}`, amount: used }), {
    kind: 'bill',
    id: billId,
  })
  await insertBillFills(w.tx, [{ billId, onDay: on, kind: 'ahead', amount: used.minor, entryId }])
  await insertAheadMove(w.tx, { supplierId, onDay: on, amount: -used.minor, billId, entryId })
}

/** A supplier's invoice: for what came, for what is on order, or by account. Their number counts once. */
export const enterBill = defineCommand(
  'enter-bill',
  enterBillInput,
  async (w, { supplierId, on, theirNumber, due, lines }) => {
    const supplier = found(await findSupplier(w.tx, supplierId), 'supplier', supplierId)
    if (await findBillByNumber(w.tx, supplierId, theirNumber))
      refuse({ code: 'taken', what: 'invoice number', value: theirNumber })
    const onDay = paperDay(w, on)
    const parts = await partsOf(w, supplierId, lines)
    const early = parts.find((p) => p.received && p.received.on > onDay)?.received
    if (early) refuse({ code: 'not-before', from: early.on, what: `${early.name} came only later.` })
    const nets = lines.map((_, i) =>
      sumMoney(
        parts.filter((p) => p.of === i).map((p) => p.net),
        w.currency,
      ),
    )
    const taxes = await taxesOf(w, lines, nets, onDay)
    const net = sumMoney(nets, w.currency)
    const tax = sumMoney(
      taxes.map((t) => t.tax),
      w.currency,
    )
    const gross = addMoney(net, tax)
    const [number, id] = await Promise.all([takeNumber(w.tx, 'bill', onDay), reserveId(w.tx, 'bill')])
    const text = `Invoice ${theirNumber}, ${supplier.name}`
    const worths: Awaited<ReturnType<typeof worthOfPart>>[] = []
    for (const p of parts) worths.push(await worthOfPart(w, p, { on: onDay, billId: id }))
    const sumOf = (amounts: readonly Money[]): Money => sumMoney(amounts, w.currency)
    const byAccount = parts.filter((p) => !p.received && p.cleared.minor === 0n)
    const entry = postBill({
      on: onDay,
      text,
      cleared: sumOf(parts.map((p) => p.cleared)),
      toStock: sumOf(worths.map((x) => x.toStock)),
      toCost: sumOf(worths.map((x) => x.toCost)),
      accounts: byAccount.map((p) => ({ accountId: p.accountId, net: p.net })),
      tax,
      gross,
    })
    if (entry.lines.length === 0) wrong('lines', 'This invoice comes to nothing. Enter what it asks for.')
    const entryId = await w.post(entry, { kind: 'bill', id })
    const terms = billTerms(supplier, onDay, gross)
    await insertBill(
      w.tx,
      {
        number,
        supplierId,
        theirNumber,
        onDay,
        dueOn: due ?? terms.dueOn,
        discountOn: terms.discountOn,
        discount: terms.discount.minor,
        net: net.minor,
        tax: tax.minor,
        gross: gross.minor,
        entryId,
      },
      id,
    )
    await insertBillLines(
      w.tx,
      parts.map((p, position) => {
        const isFirst = parts.findIndex((x) => x.of === p.of) === position
        return {
          billId: id,
          position,
          receivedLineId: p.received?.id ?? null,
          orderLineId: p.order?.id ?? null,
          accountId: p.accountId,
          description: p.description,
          quantity: p.quantity,
          unitCost: p.quantity.isZero() ? ZERO : toUnitCost(p),
          net: p.net.minor,
          tax: isFirst ? present(taxes[p.of]).tax.minor : 0n,
          taxCodeId: present(taxes[p.of]).taxCodeId,
          cleared: p.cleared.minor,
          difference: p.received ? subtractMoney(p.net, p.cleared).minor : 0n,
          toStock: present(worths[position]).toStock.minor,
        }
      }),
    )
    for (const p of parts) await tallyPart(w, p)
    await useAhead(w, { supplierId, billId: id, text, on: onDay, gross })
    return { id, answer: async () => present(await billView(w.tx, id, w)) }
  },
)

/** The difference between what is asked for goods that came and what they came in at: to stock or to cost. */
const worthOfPart = async (w: Work, p: Part, { on, billId }: { readonly on: Day; readonly billId: number }) => {
  const none = zeroMoney(w.currency)
  if (!p.received) return { toStock: none, toCost: none }
  return moveWorth(w, p.received, subtractMoney(p.net, p.cleared), {
    of: p.quantity,
    on,
    paper: { kind: 'bill', id: billId },
  })
}

/** Counts what was invoiced on what came and on what was ordered. */
const tallyPart = async (w: Work, { received, order, quantity, cleared }: Part): Promise<void> => {
  if (received) {
    const [now] = await listReceivedLines(w.tx, { lineIds: [received.id] })
    const row = present(now)
    await updateReceivedLine(w.tx, row.id, {
      billed: row.billed.plus(quantity),
      billedValue: row.billedValue + cleared.minor,
    })
  }
  const orderLineId = order?.id ?? received?.orderLineId
  if (orderLineId === undefined || orderLineId === null) return
  const ahead = received || order?.goodsId === null ? null : { quantity, value: cleared.minor }
  await tallyBilled(w.tx, orderLineId, {
    billed: quantity,
    ahead: ahead?.quantity ?? ZERO,
    aheadValue: ahead?.value ?? 0n,
  })
}
