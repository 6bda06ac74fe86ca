import { formatPercent } from '@/core/locale'
import { present } from '@/core/present'
import { nameOfDue } from '@/core/receipt'
import type { Day } from '@/core/day'
import type { PaperKind } from '@/core/formats'
import { formatPrice, isPositiveMoney, sumMoney, toDecimalString, type Money } from '@/core/money'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { findCustomer } from '@/data/queries/customers'
import { findInvoice } from '@/data/queries/invoices'
import { findSales, listSaleIds } from '@/data/queries/sales'
import type { Story } from '@/model/sale/story'
import { opensSale, type OpenPage } from './openPage'
import { readDepositsAsked } from '@/model/receivables/depositsAsked'
import { listOpenDues } from '@/data/queries/due'
import { listHeld } from '@/data/queries/held'
import { findReceipt, listReceipts, listReceiptsOfSale } from '@/data/queries/receipt'
import { listVersions } from '@/data/queries/saleVersion'
import { findDepositRequest } from '@/data/queries/depositRequest'
import { worthOf } from '@/model/sale/worth'
import { readStories } from '@/model/sale/readStories'

const kindOf = (kind: PaperKind): PaperKind => kind

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
}

const pageSale = async (db: Db, story: Story, business: Business) => {
  const { sale, totals } = story
  const { currency } = business
  const agreed = sale.agreedOn !== null
  const versions = await listVersions(db, sale.id)
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
    version: versions.at(-1)?.n ?? 0,
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
          quantity: quantity.toString(),
          each: formatPrice(l.unitPrice, currency),
          less: l.discountPercent.gt(0) ? formatPercent(l.discountPercent.toString()) : '',
          sum: toDecimalString(worthOf({ ...l, wholeLess: 0n }, quantity, currency)),
          choice: agreed ? 'none' : l.choice,
          choiceGroup: l.choiceGroup,
          chosen: l.chosen,
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

/** Everything a customer sees on their own page. Only what is theirs, only what went out. */
export const readPage = async (db: Db, page: OpenPage, business: Business, today: Day) => {
  const { currency } = business
  const customer = present(await findCustomer(db, page.customerId, currency))
  const [ids, allDues, held, receipts, deposits] = await Promise.all([
    page.opensAll ? listSaleIds(db, { customerId: page.customerId }, { limit: 30 }, today) : [present(page.saleId)],
    listOpenDues(db, page.customerId, currency),
    listHeld(db, page.opensAll ? { customerId: page.customerId } : { saleIds: [present(page.saleId)] }, currency),
    page.opensAll
      ? listReceipts(db, { customerId: page.customerId }, { limit: 20 }, currency)
      : listReceiptsOfSale(db, present(page.saleId), currency),
    readDepositsAsked(db, page.customerId, business, today),
  ])
  const dues = allDues.filter((d) => opensSale(page, d.saleId))
  const stories = await readStories(db, ids, business, today)
  const focus = stories.find((s) => s.sale.id === page.saleId) ?? null
  const sum = (amounts: readonly Money[]) => sumMoney(amounts, currency)
  const papers = stories.flatMap((s) => [
    ...(s.sale.sentOn
      ? [
          {
            kind: kindOf(s.sale.agreedOn ? 'confirmation' : 'estimate'),
            id: s.sale.id,
            name: s.sale.agreedOn ? 'Order confirmation' : 'Estimate',
            number: String(s.sale.number),
            on: s.sale.agreedOn ?? s.sale.sentOn,
            amount: toDecimalString(s.totals.gross),
          },
        ]
      : []),
    ...s.invoices
      .filter((i) => i.status === 'issued')
      .map((i) => ({
        kind: kindOf(i.kind === 'credit-note' ? 'credit-note' : 'invoice'),
        id: i.id,
        name: i.kind === 'credit-note' ? 'Credit note' : 'Invoice',
        number: present(i.number),
        on: i.on,
        amount: toDecimalString(i.gross),
      })),
  ])
  const asked = deposits.find((d) => d.saleId === focus?.sale.id)
  return {
    business: {
      name: business.name,
      address: business.address,
      phone: business.phone,
      email: business.email,
      currency,
      hasMark: business.markFileId !== null,
    },
    customer: { name: customer.name },
    sale: focus && focus.stands !== 'draft' ? await pageSale(db, focus, business) : null,
    owes: {
      total: toDecimalString(sum(dues.map((d) => d.open))),
      late: toDecimalString(sum(dues.filter((d) => d.dueOn < today).map((d) => d.open))),
      dues: dues.map((d) => ({
        id: d.id,
        name: nameOfDue(d),
        due: d.dueOn,
        open: toDecimalString(d.open),
        late: d.dueOn < today,
      })),
    },
    held: toDecimalString(sum(held.map((h) => h.amount))),
    deposit: asked && isPositiveMoney(asked.open) ? toDecimalString(asked.open) : null,
    papers: [
      ...papers,
      ...receipts
        .filter((r) => r.voidedOn === null)
        .map((r) => ({
          kind: kindOf('receipt'),
          id: r.id,
          name: 'Receipt',
          number: r.number,
          on: r.on,
          amount: toDecimalString(r.amount),
        })),
    ].sort((a, b) => (a.on < b.on ? 1 : a.on > b.on ? -1 : 0)),
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
        (kind === 'estimate' ? sale.sentOn !== null : sale.agreedOn !== null)
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
