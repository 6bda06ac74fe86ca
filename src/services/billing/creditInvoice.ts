import { creditInvoiceInput } from '@/contract/inputs/billing/creditInvoice'
import { present } from '@/core/present'
import { isPositiveMoney, sumMoney, type Decimal, type Money } from '@/core/money'
import type { Credit } from '@/core/sale'
import { postCreditNote } from '@/core/ledger'
import type { Day } from '@/core/day'
import { findInvoice, insertInvoice, listCreditsOf, markIssued, type InvoiceRow } from '@/data/queries/invoices'
import { listPlansOfSales } from '@/data/queries/plans'
import { takeNumber } from '@/data/queries/numbers'
import { defineCommand, paperDay, type Work } from '../command'
import { refundIn } from '../money/heldWork'
import { asPostings } from '../money/taxWork'
import { payOffIn, quotePayoff } from '../plans/planWork'
import { found, refuse } from '@/contract/refuse'
import { refreshSale } from '../sales/refreshSale'
import { takeSale, type LockedSale } from '../sales/saleWork'
import { draftBill } from './draftBill'
import { taxPostings } from './issueBill'
import { creditDuesOf, noteCredit, takenBack, type TakenBack } from './creditDuesOf'
import { creditable, creditLines, creditSum, taxRows } from './creditable'
import { listPlaces } from '@/data/queries/stock'
import { placeNamed } from '../goods/places'
import { aheadOfCredit, takeGoodsBack } from './goodsBack'
import { insertHeldMoves } from '@/data/queries/held'
import { addToLines } from '@/data/queries/saleLine'
import { readIssuedSays, sellerOf } from '@/model/paper/issuedSays'
import { invoiceView } from '@/model/invoice/invoiceView'

/**
 * Writes and issues a credit note: the whole invoice (neither lines nor amount given), quantities of its lines, or an amount
 * with tax. It lowers what is open on the invoice first, then takes back what was written off; what was really paid is held
 * for the customer on account.
 */
export const creditInvoice = defineCommand('credit-invoice', creditInvoiceInput, async (w, given) => {
  const wish = { ...given, billAgain: given.billAgain || given.draftAgain }
  const first = found(await findInvoice(w.tx, wish.invoiceId, w.currency), 'invoice', wish.invoiceId)
  const locked = await takeSale(w, first.saleId)
  const invoice = present(await findInvoice(w.tx, wish.invoiceId, w.currency))
  const onDay = mayCredit(invoice, paperDay(w, wish.on))
  const credits = await listCreditsOf(w.tx, invoice.id, w.currency)
  const { lines, taxes } = creditable(invoice, credits, w.currency)
  const credit =
    wish.amount === undefined
      ? creditLines(lines, taxes, wish.lines)
      : creditSum(w, lines, taxes, w.money(wish.amount, 'amount'))
  const back =
    wish.returnGoods && wish.amount === undefined
      ? await takeGoodsBack(w, locked, credit, lines, {
          on: onDay,
          replace: wish.billAgain,
          placeId: wish.placeId && placeNamed(await listPlaces(w.tx), wish.placeId, 'placeId').id,
          reason: wish.reason,
          scrap: wish.scrap,
          serialsOf: (saleLineId) => wish.lines?.find((l) => l.lineId === saleLineId)?.serials,
        })
      : new Map<number, Decimal>()
  const ahead = await aheadOfCredit(w, locked, credit, lines, { back, on: onDay })
  const noteId = await insertInvoice(w.tx, noteOf(invoice, credit, ahead, { ...wish, onDay }))
  const onAccount = await issueCredit(w, {
    noteId,
    invoice,
    locked,
    onDay,
    credit,
    ahead: sumMoney([...ahead.values()], w.currency),
  })
  await addToLines(w.tx, lineChanges(invoice, credit, back, wish.billAgain))
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

/** The day of the credit note, where the invoice can have one that day. */
const mayCredit = (invoice: InvoiceRow, onDay: Day): Day => {
  if (invoice.status !== 'issued') refuse({ code: 'not-issued' })
  if (invoice.kind === 'credit-note') refuse({ code: 'not-creditable' })
  if (onDay < invoice.on) refuse({ code: 'before-invoice', on: onDay, issuedOn: invoice.on })
  return onDay
}

const lineOf = (invoice: InvoiceRow, lineId: number) => present(invoice.lines.find((l) => l.id === lineId))

interface NoteWish {
  readonly onDay: Day
  readonly reason: string
  readonly billAgain: boolean
}

/** The rows of a credit note: the invoice's lines as far as they are credited, with their tax. */
const noteOf = (
  invoice: InvoiceRow,
  credit: Credit,
  ahead: ReadonlyMap<number, Money>,
  { onDay, reason, billAgain }: NoteWish,
): Parameters<typeof insertInvoice>[1] => ({
  row: {
    kind: 'credit-note',
    saleId: invoice.saleId,
    customerId: invoice.customerId,
    onDay,
    net: credit.net.minor,
    tax: credit.tax.minor,
    gross: credit.gross.minor,
    reason,
    creditsId: invoice.id,
  },
  lines: credit.lines.map((p) => {
    const of = lineOf(invoice, p.lineId)
    return {
      saleLineId: of.saleLineId,
      creditsLineId: of.id,
      goodsId: of.goodsId,
      description: of.description,
      note: of.note,
      quantity: p.quantity,
      unitPrice: of.unitPrice,
      discountPercent: of.discountPercent,
      taxCodeId: of.taxCodeId,
      incomeAccountId: of.incomeAccountId,
      net: p.net.minor,
      tax: p.tax.minor,
      ahead: ahead.get(p.lineId)?.minor ?? 0n,
      rebill: billAgain,
    }
  }),
  taxes: taxRows(invoice, credit, invoice.net.currency),
})

/** What a credit changes in the lines of its sale: credited, come back, and what of both is to be done again. */
const lineChanges = (
  invoice: InvoiceRow,
  credit: Credit,
  back: ReadonlyMap<number, Decimal>,
  again: boolean,
): Parameters<typeof addToLines>[1] =>
  credit.lines
    .filter((p) => p.quantity.gt(0))
    .map((p) => {
      const came = back.get(p.lineId)
      return {
        lineId: lineOf(invoice, p.lineId).saleLineId,
        by: {
          credited: p.quantity,
          ...(again ? { toRebill: p.quantity } : {}),
          ...(came ? { returned: came, ...(again ? { toReplace: came } : {}) } : {}),
        },
      }
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
    .map((p) => ({ lineId: present(lines.find((l) => l.id === p.lineId)).saleLineId, quantity: p.quantity }))
  if (parts.length === 0) return null
  return insertInvoice(w.tx, await draftBill(w, await takeSale(w, saleId), parts, { kind: 'invoice', on: onDay }))
}

interface CreditToIssue {
  readonly noteId: number
  readonly invoice: InvoiceRow
  readonly locked: LockedSale
  readonly onDay: Day
  readonly credit: Credit
  readonly ahead: Money
}

/** Issues a credit note: number, entry, and what it does to the invoice's dues. Answers what is held on account of it. */
const issueCredit = async (w: Work, c: CreditToIssue): Promise<Money> => {
  const { sale } = c.locked
  const credited = await creditDuesOf(w, c.invoice, c.credit.gross, c.onDay)
  const back = await takenBack(w, credited)
  const sum = (amounts: readonly Money[]): Money => sumMoney(amounts, w.currency)
  const undone = async (why: TakenBack['why']) => {
    const parts = back.filter((b) => b.why === why)
    return {
      net: sum(parts.map((p) => p.net)),
      taxes: await asPostings(
        w,
        parts.flatMap((p) => p.taxes),
      ),
    }
  }
  const onAccount = sum([credited.beyond, ...credited.dues.map((d) => d.paid)])
  const number = await takeNumber(w.tx, 'credit-note', c.onDay)
  const note = present(await findInvoice(w.tx, c.noteId, w.currency))
  const entry = postCreditNote({
    on: c.onDay,
    text: `Credit note ${number} for ${c.invoice.number}, ${sale.customerName}`,
    net: c.credit.net,
    ahead: c.ahead,
    taxes: await taxPostings(w, note),
    onReceivables: sum(credited.dues.map((d) => d.open)),
    onAccount,
    writtenOff: await undone('write-off'),
    discount: await undone('discount'),
  })
  const of = { kind: 'invoice', id: c.noteId, saleId: sale.id, customerId: sale.customerId }
  // A credit of nothing (goods at no charge come back) has no entry of its own to post.
  const entryId = entry.lines.length > 0 ? await w.post(entry, of) : null
  await markIssued(w.tx, c.noteId, {
    number,
    entryId,
    onDay: c.onDay,
    // It goes to whom the invoice went; who writes it is the business as it is now.
    says: { ...present(readIssuedSays(c.invoice)), seller: sellerOf(w.business) },
  })
  if (entryId === null) return onAccount
  await noteCredit(w, credited, back, { noteId: c.noteId, onDay: c.onDay, entryId })
  if (isPositiveMoney(onAccount))
    await insertHeldMoves(w.tx, [
      {
        customerId: sale.customerId,
        saleId: null,
        kind: 'account',
        onDay: c.onDay,
        amount: onAccount.minor,
        why: 'credit-note',
        invoiceId: c.noteId,
        entryId,
      },
    ])
  return onAccount
}
