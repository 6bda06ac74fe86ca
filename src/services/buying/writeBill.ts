import type { z } from 'zod'
import type { PayFromInput } from '@/contract/payFrom'
import type { BillLineInput, enterBillInput } from '@/contract/inputs/buying/bills'
import { found, refuse, refuseAt } from '@/contract/refuse'
import { billTerms } from '@/core/buying'
import type { Day } from '@/core/day'
import { postAheadUsed, postBill } from '@/core/ledger'
import {
  addMoney,
  isPositiveMoney,
  isZeroMoney,
  money,
  smallerMoney,
  splitMoney,
  subtractMoney,
  sumMoney,
  toDecimal,
  zeroMoney,
  type Money,
  negateMoney,
} from '@/core/money'
import { present } from '@/core/present'
import { lowestFrom } from '@/core/running'
import { unitCost } from '@/core/stock'
import { computeTax, rateOn } from '@/core/tax'
import {
  findBillByNumber,
  insertAheadMove,
  insertBill,
  insertBillFills,
  insertBillLines,
  listAheadMoves,
} from '@/data/queries/bill'
import { insertCostShares } from '@/data/queries/costShare'
import { takeNumber } from '@/data/queries/numbers'
import { reserveId } from '@/data/queries/reserveId'
import { findSupplier } from '@/data/queries/suppliers'
import { taxCodeNamed } from '../books/taxCodeNamed'
import { paperDay, type Work } from '../command'
import { accountFrom } from '../books/accountFrom'
import { partsOf, tallyPart, type Part } from './billParts'
import { keepOwnTax } from './keepOwnTax'
import { moveWorth } from './moveWorth'
import { payOne, readPayables, writePayment } from './payables'

/** Tax of each line of a bill: what its code makes of its net, or what stands on it. */
const taxesOf = async (w: Work, lines: readonly BillLineInput[], nets: readonly Money[], on: Day) => {
  const codes = await w.taxCodes()
  const named = lines.map((l, i) => {
    if (l.taxCode === undefined) return null
    return rateOn(codes, taxCodeNamed(codes, l.taxCode, `lines.${i}.taxCode`).id, on)
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
    if (
      named[i]?.treatment === 'reverse-charge' &&
      l.tax !== undefined &&
      !isZeroMoney(w.money(l.tax, `lines.${i}.tax`))
    )
      refuseAt(
        `lines.${i}.tax`,
        'Under reverse charge the supplier charges no tax. Leave it empty, or choose another tax.',
      )
    const at = taxed.findIndex((t) => t.i === i)
    const tax = l.tax === undefined ? (computed[at]?.tax ?? zeroMoney(w.currency)) : w.money(l.tax, `lines.${i}.tax`)
    return { tax, taxCodeId: named[i]?.id ?? null }
  })
}

/** The share of a line's tax that a part of it bears, by what it asks; all of it where there is one part. */
const taxOfPart = (part: Part, position: number, parts: readonly Part[], tax: Money): Money => {
  const ofLine = parts.flatMap((p, i) => (p.of === part.of ? [i] : []))
  const weights = ofLine.map((i) => toDecimal(present(parts[i]).net))
  const at = ofLine.indexOf(position)
  if (weights.every((x) => x.eq(0))) return at === 0 ? tax : zeroMoney(tax.currency)
  return present(splitMoney(tax, weights)[at])
}

/** Money that was paid to the supplier in advance is used for a bill at once, as far as it lies there. */
const takeAhead = async (
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
  await insertAheadMove(w.tx, { supplierId, onDay: on, amount: negateMoney(used).minor, billId, entryId })
}

/** A bill that is paid as it is entered: what paying at once saves is taken. */
const payAtOnce = async (
  w: Work,
  {
    supplier,
    billId,
    on,
    paidFrom,
  }: {
    readonly supplier: { readonly id: number; readonly name: string }
    readonly billId: number
    readonly on: Day
    readonly paidFrom: PayFromInput
  },
): Promise<void> => {
  const accountId = await accountFrom(w, paidFrom, 'paidFrom')
  const payable = (await readPayables(w, supplier.id, on)).find((p) => p.bill.id === billId)
  if (!payable) return
  const paid = payOne(payable, payable.open)
  await writePayment(w, { supplier, on, accountId, amount: paid.paid, paid: [paid] })
}

/** Work that was ordered in words for a line of a sale is a cost of that line. */
const shareOfWords = (p: Part) =>
  p.order && p.order.goodsId === null && p.order.saleLineId !== null
    ? [{ goodsId: null, saleLineId: p.order.saleLineId, amount: p.net.minor }]
    : []

/** The difference between what is asked for goods that came and what they came in at: to stock or to cost. */
const worthOfPart = async (w: Work, p: Part, { on, billId }: { readonly on: Day; readonly billId: number }) => {
  const none = zeroMoney(w.currency)
  if (!p.received) return { toStock: none, toCost: none, shares: [] }
  return moveWorth(w, p.received, subtractMoney(p.net, p.cleared), {
    of: p.quantity,
    on,
    paper: { kind: 'bill', id: billId },
  })
}

/** Writes a supplier's bill: for what came, for what is on order, or by account. Their number counts once. Answers its id. */
export const writeBill = async (
  w: Work,
  { supplierId, on, theirNumber, due, paidFrom, lines }: z.output<typeof enterBillInput>,
): Promise<number> => {
  const supplier = found(await findSupplier(w.tx, supplierId), 'supplier', supplierId)
  if (await findBillByNumber(w.tx, supplierId, theirNumber))
    refuse({ code: 'taken', what: 'bill number', value: theirNumber })
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
  const text = `Bill ${theirNumber}, ${supplier.name}`
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
  if (entry.lines.length === 0) refuseAt('lines', 'This bill comes to nothing. Enter what it asks for.')
  const entryId = await w.post(entry, { kind: 'bill', id })
  await insertCostShares(w.tx, entryId, [...worths.flatMap((x) => x.shares), ...parts.flatMap(shareOfWords)])
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
    parts.map((p, position) => ({
      billId: id,
      position,
      receivedLineId: p.received?.id ?? null,
      orderLineId: p.order?.id ?? null,
      accountId: p.accountId,
      description: p.description,
      quantity: p.quantity,
      unitCost: unitCost({ quantity: p.quantity, value: p.net }).round(4),
      net: p.net.minor,
      tax: taxOfPart(p, position, parts, present(taxes[p.of]).tax).minor,
      taxCodeId: present(taxes[p.of]).taxCodeId,
      cleared: p.cleared.minor,
      difference: p.received ? subtractMoney(p.net, p.cleared).minor : 0n,
      toStock: present(worths[position]).toStock.minor,
    })),
  )
  for (const p of parts) await tallyPart(w, p)
  await keepOwnTax(w, id, { on: onDay, text, paper: { kind: 'bill', id } })
  await takeAhead(w, { supplierId, billId: id, text, on: onDay, gross })
  if (paidFrom !== undefined) await payAtOnce(w, { supplier, billId: id, on: onDay, paidFrom })
  return id
}
