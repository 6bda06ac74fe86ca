// Long, because a credit note touches money, tax, stock and what was billed ahead at once; the parts stand in the order they happen.
import { z } from 'zod'
import {
  decimal,
  isPositiveMoney,
  larger,
  roundToMoney,
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
import {
  creditAmount,
  creditQuantities,
  type Credit,
  type CreditableLine,
  type CreditableTax,
} from '@/core/sale'
import { postCreditNote, postGoodsBack } from '@/core/ledger'
import type { Day } from '@/core/day'
import {
  findInvoice,
  insertInvoice,
  listCreditsOf,
  markIssued,
  type InvoiceRow,
  type NewInvoice,
} from '@/data/queries/invoices'
import { insertFills, insertHeldMoves, listDuesOfInvoice, lockOpenDues } from '@/data/queries/money'
import { listPlansOfSales } from '@/data/queries/plans'
import { takeNumber } from '@/data/queries/numbers'
import { addToLines, insertHandover, listHandovers, reserveId } from '@/data/queries/sales'
import { findGoods, insertMoves, listMovesOf } from '@/data/queries/goods'
import { defineCommand, paperDay, type Work } from '../command'
import { id, method, needed, on, positiveAmount } from '../input/fields'
import { lineQuantities } from '../input/lines'
import { refundIn } from '../money/heldWork'
import { payOffIn, quotePayoff } from '../plans/planWork'
import { found, refuse } from '../refuse'
import { refreshSale } from '../sales/refreshSale'
import { takeSale, type LockedSale } from '../sales/saleWork'
import { draftBill } from './draftBill'
import { invoiceView, taxPostings } from './issueBill'
import { readWaitingAhead } from './waitingAhead'

const input = z.object({
  invoiceId: id,
  on,
  lines: lineQuantities.optional(),
  amount: positiveAmount.optional(),
  reason: needed(500, 'A reason'),
  returnGoods: z.boolean().default(false),
  /** The quantities may be billed again, at the prices agreed then. */
  billAgain: z.boolean().default(false),
  /** A draft that bills them again is made at once. */
  draftAgain: z.boolean().default(false),
  /** What was paid already goes back this way; left out, it is held on account. */
  refund: method.optional(),
})

const creditable = (invoice: InvoiceRow, credits: readonly InvoiceRow[], currency: string) => {
  const before = credits.flatMap((c) => c.lines)
  const lines = invoice.lines.map((l): CreditableLine & { saleLineId: number; description: string } => {
    const mine = before.filter((b) => b.creditsLineId === l.id)
    return {
      id: l.id,
      saleLineId: l.saleLineId,
      description: l.description,
      taxCodeId: l.taxCodeId,
      quantity: l.quantity,
      net: l.net,
      tax: l.tax,
      creditedQuantity: mine.reduce((sum, b) => sum.plus(b.quantity), ZERO),
      creditedNet: sumMoney(
        mine.map((b) => b.net),
        currency,
      ),
      creditedTax: sumMoney(
        mine.map((b) => b.tax),
        currency,
      ),
    }
  })
  const taxes = invoice.taxes
    .filter((t) => t.componentId !== null)
    .map((t): CreditableTax => ({
      taxCodeId: t.taxCodeId,
      componentId: t.componentId!,
      amount: t.amount,
      credited: sumMoney(
        credits.flatMap((c) =>
          c.taxes
            .filter((x) => x.componentId === t.componentId && x.taxCodeId === t.taxCodeId)
            .map((x) => x.amount),
        ),
        currency,
      ),
    }))
  return { lines, taxes }
}

/**
 * Writes and issues a credit note: the whole invoice (neither lines nor amount given), quantities of its lines, or an amount
 * with tax. It lowers what is open on the invoice first; what was paid already is held for the customer on account.
 */
export const creditInvoice = defineCommand('credit-invoice', input, async (w, given) => {
  const wish = { ...given, billAgain: given.billAgain || given.draftAgain }
  const first = found(await findInvoice(w.tx, wish.invoiceId, w.currency), 'invoice', wish.invoiceId)
  const locked = await takeSale(w, first.saleId)
  const invoice = (await findInvoice(w.tx, wish.invoiceId, w.currency))!
  if (invoice.status !== 'issued') refuse({ code: 'not-issued' })
  if (invoice.kind === 'credit-note') refuse({ code: 'not-creditable' })
  const onDay = paperDay(w, wish.on)
  if (onDay < invoice.on) refuse({ code: 'before-invoice', on: onDay, issuedOn: invoice.on })
  const credits = await listCreditsOf(w.tx, invoice.id, w.currency)
  const { lines, taxes } = creditable(invoice, credits, w.currency)
  const credit =
    wish.amount === undefined
      ? creditLines(lines, taxes, wish.lines)
      : creditSum(w, lines, taxes, w.money(wish.amount, 'amount'))
  const back =
    wish.returnGoods && wish.amount === undefined
      ? await takeGoodsBack(w, locked, credit, lines, onDay)
      : new Map<number, Decimal>()
  const ahead = await aheadOfCredit(w, locked, credit, lines, back)

  const noteId = await insertInvoice(w.tx, {
    row: {
      kind: 'credit-note',
      saleId: invoice.saleId,
      customerId: invoice.customerId,
      onDay,
      net: credit.net.minor,
      tax: credit.tax.minor,
      gross: credit.gross.minor,
      reason: wish.reason,
      creditsId: invoice.id,
    },
    lines: credit.lines.map((p) => {
      const of = invoice.lines.find((l) => l.id === p.lineId)!
      return {
        saleLineId: of.saleLineId,
        creditsLineId: of.id,
        goodsId: of.goodsId,
        description: of.description,
        note: of.note,
        quantity: p.quantity.toFixed(4),
        unitPrice: of.unitPrice.toFixed(4),
        discountPercent: of.discountPercent.toFixed(4),
        taxCodeId: of.taxCodeId,
        incomeAccountId: of.incomeAccountId,
        net: p.net.minor,
        tax: p.tax.minor,
        ahead: ahead.get(p.lineId)?.minor ?? 0n,
        rebill: wish.billAgain,
      }
    }),
    taxes: taxRows(invoice, credit, w.currency),
  })
  const onAccount = await issueCredit(w, {
    noteId,
    invoice,
    locked,
    onDay,
    credit,
    ahead: sumMoney([...ahead.values()], w.currency),
  })
  await addToLines(
    w.tx,
    credit.lines
      .filter((p) => p.quantity.gt(0))
      .map((p) => {
        const came = back.get(p.lineId)
        return {
          lineId: invoice.lines.find((l) => l.id === p.lineId)!.saleLineId,
          by: {
            credited: p.quantity,
            ...(wish.billAgain ? { toRebill: p.quantity } : {}),
            ...(came ? { returned: came, ...(wish.billAgain ? { toReplace: came } : {}) } : {}),
          },
        }
      }),
  )
  await endEmptyPlans(w, invoice, onDay)
  if (wish.refund && isPositiveMoney(onAccount))
    await refundIn(w, {
      customerId: invoice.customerId,
      saleId: null,
      amount: onAccount,
      method: wish.refund,
      on: onDay,
      reason: wish.reason,
      customerName: locked.sale.customerName,
    })
  const draftId = wish.draftAgain ? await draftAgain(w, invoice.saleId, credit, lines, onDay) : null
  await refreshSale(w, invoice.saleId)
  return { id: noteId, answer: async () => ({ ...(await invoiceView(w, noteId)), draftId }) }
})

/** A plan with nothing left but charges that were never earned ends with its invoice. */
const endEmptyPlans = async (w: Work, invoice: InvoiceRow, onDay: Day): Promise<void> => {
  for (const plan of await listPlansOfSales(w.tx, [invoice.saleId], w.currency)) {
    if (plan.invoiceId !== invoice.id || plan.endedOn !== null || plan.startedOn > onDay) continue
    const { toPay } = await quotePayoff(w.tx, plan, onDay, w.currency)
    if (toPay.minor <= 0n) await payOffIn(w, plan, onDay)
  }
}

/** The draft that bills what was credited again, free to change. */
const draftAgain = async (
  w: Work,
  saleId: number,
  credit: Credit,
  lines: readonly { readonly id: number; readonly saleLineId: number }[],
  onDay: Day,
): Promise<number | null> => {
  const parts = credit.lines
    .filter((p) => p.quantity.gt(0))
    .map((p) => ({ lineId: lines.find((l) => l.id === p.lineId)!.saleLineId, quantity: p.quantity }))
  if (parts.length === 0) return null
  return insertInvoice(
    w.tx,
    await draftBill(w, await takeSale(w, saleId), parts, { kind: 'invoice', on: onDay }),
  )
}

const leftOf = (l: CreditableLine): Decimal => l.quantity.minus(l.creditedQuantity)

const creditLines = (
  lines: readonly (CreditableLine & { saleLineId: number; description: string })[],
  taxes: readonly CreditableTax[],
  chosen: z.output<typeof lineQuantities> | undefined,
): Credit => {
  const left = sumMoney(
    lines.flatMap((l) => [subtractMoney(l.net, l.creditedNet), subtractMoney(l.tax, l.creditedTax)]),
    lines[0]!.net.currency,
  )
  if (!isPositiveMoney(left)) refuse({ code: 'more-than-invoice-left', left, asked: left })
  const wanted = chosen
    ? chosen.map((c) => ({
        line:
          lines.find((l) => l.saleLineId === c.lineId) ??
          refuse({ code: 'not-found', what: 'line', id: c.lineId }),
        quantity: c.quantity,
      }))
    : lines.map((line) => ({ line, quantity: leftOf(line) })).filter((x) => x.quantity.gt(0))
  for (const { line, quantity } of wanted) {
    if (quantity.gt(leftOf(line)))
      refuse({ code: 'more-than-billed', line: line.description, left: leftOf(line), asked: quantity })
  }
  return creditQuantities(
    lines,
    taxes,
    wanted.map(({ line, quantity }) => ({ lineId: line.id, quantity })),
  )
}

const creditSum = (
  w: Work,
  lines: readonly CreditableLine[],
  taxes: readonly CreditableTax[],
  amount: Money,
): Credit => {
  const left = sumMoney(
    lines.flatMap((l) => [subtractMoney(l.net, l.creditedNet), subtractMoney(l.tax, l.creditedTax)]),
    w.currency,
  )
  if (amount.minor > left.minor) refuse({ code: 'more-than-invoice-left', left, asked: amount })
  return creditAmount(lines, taxes, amount)
}

const taxRows = (invoice: InvoiceRow, credit: Credit, currency: string): NewInvoice['taxes'][number][] => {
  const codeOf = new Map(invoice.lines.map((l) => [l.id, l.taxCodeId]))
  const codes = [...new Set(credit.lines.map((l) => codeOf.get(l.lineId)!))]
  return codes.flatMap((taxCodeId): NewInvoice['taxes'][number][] => {
    const net = sumMoney(
      credit.lines.filter((l) => codeOf.get(l.lineId) === taxCodeId).map((l) => l.net),
      currency,
    ).minor
    const parts = credit.taxes.filter((t) => t.taxCodeId === taxCodeId)
    return parts.length === 0
      ? [{ taxCodeId, componentId: null, net, amount: 0n }]
      : parts.map((t) => ({ taxCodeId, componentId: t.componentId, net, amount: t.amount.minor }))
  })
}

const issueCredit = async (
  w: Work,
  c: { noteId: number; invoice: InvoiceRow; locked: LockedSale; onDay: Day; credit: Credit; ahead: Money },
): Promise<Money> => {
  const { sale } = c.locked
  await lockOpenDues(w.tx, sale.customerId, w.currency)
  const dues = (await listDuesOfInvoice(w.tx, c.invoice.id, w.currency)).filter((d) =>
    isPositiveMoney(d.open),
  )
  let left = c.credit.gross
  const fills = dues.map((d) => {
    const part = smallerMoney(left, d.open)
    left = subtractMoney(left, part)
    return { dueId: d.id, amount: part }
  })
  const onReceivables = subtractMoney(c.credit.gross, left)
  const number = await takeNumber(w.tx, 'credit-note', c.onDay)
  const note = (await findInvoice(w.tx, c.noteId, w.currency))!
  const entry = postCreditNote({
    on: c.onDay,
    text: `Credit note ${number} for ${c.invoice.number}, ${sale.customerName}`,
    net: c.credit.net,
    ahead: c.ahead,
    taxes: await taxPostings(w, note),
    onReceivables,
    onAccount: left,
  })
  const entryId = await w.post(entry, {
    kind: 'invoice',
    id: c.noteId,
    saleId: sale.id,
    customerId: sale.customerId,
  })
  await markIssued(w.tx, c.noteId, { number, entryId, onDay: c.onDay })
  await insertFills(
    w.tx,
    fills
      .filter((f) => isPositiveMoney(f.amount))
      .map((f) => ({
        dueId: f.dueId,
        onDay: c.onDay,
        amount: f.amount.minor,
        kind: 'credit-note' as const,
        invoiceId: c.noteId,
        entryId,
      })),
  )
  if (isPositiveMoney(left)) {
    await insertHeldMoves(w.tx, [
      {
        customerId: sale.customerId,
        saleId: null,
        kind: 'account',
        onDay: c.onDay,
        amount: left.minor,
        why: 'credit-note',
        invoiceId: c.noteId,
        entryId,
      },
    ])
  }
  return left
}

/** The part of a credit that had been billed ahead of handover: it goes back from there, never having been income. */
const aheadOfCredit = async (
  w: Work,
  { sale, lines }: LockedSale,
  credit: Credit,
  invoiceLines: readonly { id: number; saleLineId: number }[],
  back: ReadonlyMap<number, Decimal>,
): Promise<Map<number, Money>> => {
  const waitingOn = await readWaitingAhead(w, sale.id)
  return new Map(
    credit.lines.map((part) => {
      const line = lines.find((l) => l.id === invoiceLines.find((x) => x.id === part.lineId)!.saleLineId)!
      const waiting = waitingOn(line.id)
      const aheadQuantity = larger(
        line.billed.minus(line.credited).minus(line.handedOver.minus(line.returned)),
        ZERO,
      )
      const taken = smaller(part.quantity.minus(back.get(part.lineId) ?? ZERO), aheadQuantity)
      if (!isPositiveMoney(waiting) || taken.lte(0)) return [part.lineId, zeroMoney(w.currency)] as const
      const share = taken.eq(aheadQuantity)
        ? waiting
        : roundToMoney(toDecimal(waiting).times(taken).div(aheadQuantity), w.currency)
      return [part.lineId, smallerMoney(share, part.net)] as const
    }),
  )
}

/** Goods come back to the shelves they left from, at the cost they left with. Answers how much of each invoice line came. */
const takeGoodsBack = async (
  w: Work,
  { sale, lines }: LockedSale,
  credit: Credit,
  invoiceLines: readonly { id: number; saleLineId: number; description: string }[],
  onDay: Day,
): Promise<Map<number, Decimal>> => {
  const handovers = await listHandovers(w.tx, [sale.id], w.currency)
  const out = handovers.filter((h) => h.direction === 'out')
  const back = handovers.filter((h) => h.direction === 'back')
  const moved = await listMovesOf(w.tx, { kind: 'handover', ids: handovers.map((h) => h.id) }, w.currency)
  const placeOf = (goodsId: number): number | undefined => moved.find((m) => m.goodsId === goodsId)?.placeId
  const came = new Map<number, Decimal>()
  const rows: { saleLineId: number; quantity: Decimal; cost: Money }[] = []
  for (const part of credit.lines.filter((p) => p.quantity.gt(0))) {
    const of = invoiceLines.find((l) => l.id === part.lineId)!
    const line = lines.find((l) => l.id === of.saleLineId)!
    const left = line.handedOver.minus(line.returned)
    if (part.quantity.gt(left))
      refuse({ code: 'more-than-handed-over', line: line.description, left, asked: part.quantity })
    const costs = (papers: typeof handovers) =>
      sumMoney(
        papers.flatMap((h) => h.lines.filter((l) => l.saleLineId === line.id).map((l) => l.cost)),
        w.currency,
      )
    const atCost = subtractMoney(costs(out), costs(back))
    const cost = part.quantity.eq(left)
      ? atCost
      : roundToMoney(toDecimal(atCost).times(part.quantity).div(left), w.currency)
    rows.push({ saleLineId: line.id, quantity: part.quantity, cost })
    came.set(part.lineId, part.quantity)
  }
  if (rows.length === 0) return came
  const number = await takeNumber(w.tx, 'handover', onDay)
  const handoverId = await reserveId(w.tx, 'handover')
  const cost = sumMoney(
    rows.map((r) => r.cost),
    w.currency,
  )
  const entry = postGoodsBack({ on: onDay, text: `Goods came back ${number}, ${sale.customerName}`, cost })
  const entryId = isPositiveMoney(cost)
    ? await w.post(entry, { kind: 'handover', id: handoverId, saleId: sale.id, customerId: sale.customerId })
    : null
  await insertHandover(
    w.tx,
    { number, saleId: sale.id, direction: 'back', onDay, by: 'counter', entryId },
    handoverId,
    rows.map((r) => ({
      saleLineId: r.saleLineId,
      quantity: r.quantity.toFixed(4),
      cost: r.cost.minor,
      earned: 0n,
    })),
  )
  for (const r of rows) {
    const line = lines.find((l) => l.id === r.saleLineId)!
    if (line.goodsId === null || line.kind === 'work' || line.kind === 'charge') continue
    const parts = await goodsOfLine(w, line.goodsId, r.quantity)
    const shares = splitByCost(moved, parts, r.cost)
    await insertMoves(
      w.tx,
      parts.map((p, i) => ({
        goodsId: p.goodsId,
        placeId: placeOf(p.goodsId)!,
        on: onDay,
        quantity: p.quantity,
        value: shares[i]!,
      })),
      { kind: 'handover', id: handoverId },
    )
  }
  return came
}

const goodsOfLine = async (w: Work, goodsId: number, quantity: Decimal) => {
  const goods = (await findGoods(w.tx, [goodsId])).get(goodsId)!
  return goods.kind === 'kit'
    ? goods.parts.map((p) => ({ goodsId: p.goodsId, quantity: p.quantity.times(quantity) }))
    : [{ goodsId, quantity }]
}

/** A kit's cost comes back to its parts in proportion to what they left with. */
const splitByCost = (
  moved: readonly { goodsId: number; value: Money }[],
  parts: readonly { goodsId: number }[],
  cost: Money,
): Money[] => {
  const left = parts.map((p) =>
    moved
      .filter((m) => m.goodsId === p.goodsId && m.value.minor < 0n)
      .reduce((sum, m) => sum - m.value.minor, 0n),
  )
  return splitMoney(
    cost,
    left.map((minor) => decimal(minor)),
  )
}
