import { formatPercent } from '@/core/locale'
import { present } from '@/core/present'
import { nameOfDue } from '@/core/receipt'
import { compareDays, type Day } from '@/core/day'
import type { PaperKind } from '@/core/formats'
import { formatPrice, formatQuantity, isPositiveMoney, sumMoney, toDecimalString } from '@/core/money'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { findCustomer } from '@/data/queries/customers'
import { findGoods } from '@/data/queries/goods'
import { findInvoice } from '@/data/queries/invoices'
import { findSales, listSaleIds } from '@/data/queries/sales'
import type { Story } from '@/model/sale/story'
import { opensSale, type OpenPage } from './openPage'
import { readDepositsAsked } from '@/model/receivables/depositsAsked'
import { listOpenDues, type DueRow } from '@/data/queries/due'
import { listHeld } from '@/data/queries/held'
import { findReceipt, listReceipts, listReceiptsOfSale, type ReceiptRow } from '@/data/queries/receipt'
import { listVersions } from '@/data/queries/saleVersion'
import { findDepositRequest } from '@/data/queries/depositRequest'
import { worthOf } from '@/model/sale/worth'
import { readStories } from '@/model/sale/readStories'

/** A line of an estimate as its customer sees it: no cost, no margin, nothing of the shelf. */
export interface PageLine {
  readonly id: number
  readonly kind: string
  readonly description: string
  readonly note: string
  readonly quantity: string
  readonly each: string
  readonly less: string
  readonly sum: string
  readonly choice: 'none' | 'optional' | 'alternative'
  readonly choiceGroup: string
  readonly chosen: boolean
  /** Of the goods, where they have one. */
  readonly pictureFileId: number | null
}

const pageSale = async (db: Db, story: Story, version: number, business: Business) => {
  const { sale, totals } = story
  const { currency } = business
  const agreed = sale.agreedOn !== null
  const goods = await findGoods(
    db,
    story.lines.flatMap((l) => (l.goodsId === null ? [] : [l.goodsId])),
  )
  return {
    id: sale.id,
    number: sale.number,
    title: sale.title,
    stands: story.stands,
    noteAbove: sale.noteAbove,
    note: sale.note,
    validUntil: sale.validUntil,
    wantedBy: sale.wantedBy,
    agreedOn: sale.agreedOn,
    version,
    conditions: business.conditions,
    lines: story.lines
      .filter((l) => !agreed || l.agreed.gt(0) || l.kind === 'heading' || l.kind === 'text')
      .map((l): PageLine => {
        const quantity = agreed ? l.agreed : l.quantity
        return {
          id: l.id,
          kind: l.kind,
          description: l.description,
          note: l.note,
          quantity: formatQuantity(quantity),
          each: formatPrice(l.unitPrice, currency),
          less: l.discountPercent.gt(0) ? formatPercent(l.discountPercent.toString()) : '',
          sum: toDecimalString(worthOf({ ...l, wholeLess: 0n }, quantity, currency)),
          choice: agreed ? 'none' : l.choice,
          choiceGroup: l.choiceGroup,
          chosen: l.chosen,
          pictureFileId: (l.goodsId === null ? undefined : goods.get(l.goodsId))?.pictureFileId ?? null,
        }
      }),
    off: toDecimalString(
      sumMoney(
        story.lines.map((l) => ({ minor: l.wholeLess, currency })),
        currency,
      ),
    ),
    totals: {
      net: toDecimalString(totals.net),
      tax: toDecimalString(totals.tax),
      gross: toDecimalString(totals.gross),
    },
  }
}

interface PagePaper {
  readonly kind: PaperKind
  readonly id: number
  readonly name: string
  readonly number: string
  readonly on: Day
  readonly amount: string
}

/** What of a sale went out on paper: its estimate or confirmation, and what was issued. */
const papersOf = ({ sale, totals, invoices }: Story): readonly PagePaper[] => {
  const amount = toDecimalString(totals.gross)
  const agreed = sale.agreedOn
  const of = { id: sale.id, number: String(sale.number), amount }
  const first: readonly PagePaper[] =
    sale.sentOn === null || sale.reworked
      ? []
      : agreed
        ? [{ ...of, kind: 'confirmation', name: 'Order confirmation', on: agreed }]
        : [{ ...of, kind: 'estimate', name: 'Estimate', on: sale.sentOn }]
  return [
    ...first,
    ...invoices
      .filter((i) => i.status === 'issued')
      .map((i): PagePaper => ({
        kind: i.kind === 'credit-note' ? 'credit-note' : 'invoice',
        id: i.id,
        name: i.kind === 'credit-note' ? 'Credit note' : 'Invoice',
        number: present(i.number),
        on: i.on,
        amount: toDecimalString(i.gross),
      })),
  ]
}

const receiptPaper = (r: ReceiptRow): PagePaper => ({
  kind: 'receipt',
  id: r.id,
  name: 'Receipt',
  number: r.number,
  on: r.on,
  amount: toDecimalString(r.amount),
})

/** What is owed, due by due. */
const owesOf = (dues: readonly DueRow[], currency: string, today: Day) => {
  const sum = (some: readonly DueRow[]): string =>
    toDecimalString(
      sumMoney(
        some.map((d) => d.open),
        currency,
      ),
    )
  return {
    total: sum(dues),
    late: sum(dues.filter((d) => d.dueOn < today)),
    dues: dues.map((d) => ({
      id: d.id,
      name: nameOfDue(d),
      due: d.dueOn,
      open: toDecimalString(d.open),
      late: d.dueOn < today,
    })),
  }
}

/** Why the sale they come for is not shown: what was not sent as it is now is neither read nor answered. */
const notShown = ({ sale, stands }: Story): 'prepared' | 'revised' | 'over' | null => {
  if (stands === 'draft') return 'prepared'
  if (!sale.reworked) return null
  return sale.closedAs ? 'over' : 'revised'
}

/** So many of their newest sales and receipts are shown with their papers, and whatever is open. */
const NEWEST = 30

/** Everything a customer sees on their own page. Only what is theirs, only what went out. */
export const readPage = async (db: Db, page: OpenPage, business: Business, today: Day) => {
  const { currency } = business
  const { customerId } = page
  const customer = present(await findCustomer(db, customerId, currency))
  const [newest, allDues, held, received, deposits, versions] = await Promise.all([
    page.opensAll ? listSaleIds(db, { customerId }, { limit: NEWEST + 1 }, today) : [],
    listOpenDues(db, customerId, currency),
    listHeld(db, page.opensAll ? { customerId } : { saleIds: [present(page.saleId)] }, currency),
    page.opensAll
      ? listReceipts(db, { customerId }, { limit: NEWEST + 1 }, currency)
      : listReceiptsOfSale(db, present(page.saleId), currency),
    readDepositsAsked(db, customerId, business, today),
    // Before its lines: who is shown newer ones than that version says yes to neither.
    page.saleId === null ? [] : listVersions(db, page.saleId),
  ])
  const dues = allDues.filter((d) => opensSale(page, d.saleId))
  // The one they come for, and what they are asked to pay, however long ago it was.
  const wanted = [page.saleId, ...newest.slice(0, NEWEST), ...dues.map((d) => d.saleId)]
  const ids = [...new Set(wanted.filter((id) => id !== null))]
  const stories = await readStories(db, ids, business, today)
  const receipts = received.slice(0, page.opensAll ? NEWEST : undefined)
  const focus = stories.find((s) => s.sale.id === page.saleId) ?? null
  const asked = deposits.find((d) => d.saleId === focus?.sale.id)
  const { name, address, phone, email, markFileId } = business
  return {
    business: { name, address, phone, email, currency, hasMark: markFileId !== null },
    customer: { name: customer.name },
    sale: focus && notShown(focus) === null ? await pageSale(db, focus, versions.at(-1)?.n ?? 0, business) : null,
    notShown: focus && notShown(focus),
    owes: owesOf(dues, currency, today),
    held: toDecimalString(
      sumMoney(
        held.map((h) => h.amount),
        currency,
      ),
    ),
    deposit: asked && isPositiveMoney(asked.open) ? toDecimalString(asked.open) : null,
    papers: [...stories.flatMap(papersOf), ...receipts.filter((r) => r.voidedOn === null).map(receiptPaper)].sort(
      (a, b) => compareDays(b.on, a.on),
    ),
    /** There are papers that are older than those. */
    older: page.opensAll && (newest.length > NEWEST || received.length > NEWEST),
    today,
  }
}
export type CustomerPage = Awaited<ReturnType<typeof readPage>>

/** Whether a paper is one this customer may read: theirs, and gone out. */
export const mayRead = async (
  db: Db,
  page: OpenPage,
  kind: PaperKind,
  id: number,
  currency: string,
): Promise<boolean> => {
  const ofSale = async (saleId: number) => (await findSales(db, [saleId], currency))[0]
  switch (kind) {
    case 'estimate':
    case 'confirmation': {
      const sale = await ofSale(id)
      return (
        sale?.customerId === page.customerId &&
        opensSale(page, id) &&
        (kind === 'estimate' ? sale.sentOn !== null && !sale.reworked : sale.agreedOn !== null)
      )
    }
    case 'invoice':
    case 'credit-note': {
      const invoice = await findInvoice(db, id, currency)
      return invoice?.customerId === page.customerId && opensSale(page, invoice.saleId) && invoice.status === 'issued'
    }
    case 'receipt': {
      const receipt = await findReceipt(db, id, currency)
      if (receipt?.customerId !== page.customerId) return false
      return page.opensAll || (await listReceiptsOfSale(db, present(page.saleId), currency)).some((r) => r.id === id)
    }
    case 'deposit-request': {
      const request = await findDepositRequest(db, id, currency)
      return (
        request !== null &&
        opensSale(page, request.saleId) &&
        (await ofSale(request.saleId))?.customerId === page.customerId
      )
    }
    case 'statement':
      return page.opensAll && id === page.customerId
    default:
      return false
  }
}
