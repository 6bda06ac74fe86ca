import { present } from '@/core/present'
import { type Day } from '@/core/day'
import { isOrganization } from '@/core/people'
import {
  traitsOf,
  paperName,
  paperWords,
  usualLetter,
  type LetterFacts,
  type LetterKind,
  type PaperKind,
} from '@/core/formats'
import { formatMoney, isPositiveMoney, money, sumMoney, type Money } from '@/core/money'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { findCustomer } from '@/data/queries/customers'
import { findInvoice } from '@/data/queries/invoices'
import { findTemplate } from '@/data/queries/layouts'
import { listDuesOfInvoice, listOpenDues } from '@/data/queries/due'
import { listRefundsByIds } from '@/data/queries/refund'
import { findReceipt } from '@/data/queries/receipt'
import { listParcels } from '@/data/queries/parcel'
import { findHandover } from '@/data/queries/handover'
import { findDepositRequest } from '@/data/queries/depositRequest'
import { listSupplierPayments } from '@/data/queries/supplierPayment'
import { findSupplier, listSupplierContacts } from '@/data/queries/suppliers'
import { listPurchaseLines, listPurchaseOrders } from '@/data/queries/purchaseOrder'
import { netOfLines } from '@/model/buying/orders'
import { readStories } from '@/model/sale/readStories'

/** Whom a letter goes to: a customer or a supplier. */
interface Party {
  readonly customerId: number | null
  readonly supplierId: number | null
  readonly name: string
  readonly contact: string
  readonly email: string
  readonly language: string
}

/** Whom a paper concerns and what a letter about it may speak of. */
export interface AboutPaper {
  readonly party: Party
  readonly saleId: number | null
  readonly facts: LetterFacts
}

interface Raw {
  readonly customerId?: number
  readonly supplierId?: number
  readonly saleId: number | null
  readonly number?: string
  readonly amount?: Money
  readonly due?: Day | null
  readonly until?: Day | null
  readonly parcel?: string
  /** When it is promised. */
  readonly day?: Day | null
}

const rawOf = async (db: Db, paper: PaperKind, id: number, business: Business, today: Day): Promise<Raw | null> => {
  const { currency } = business
  switch (traitsOf(paper).of) {
    case 'sale': {
      const [s] = await readStories(db, [id], business, today)
      return s
        ? {
            customerId: s.sale.customerId,
            saleId: id,
            number: String(s.sale.number),
            amount: s.totals.gross,
            until: s.sale.validUntil,
            day: s.sale.wantedBy,
          }
        : null
    }
    case 'handover': {
      const h = await findHandover(db, id, currency)
      const [s] = h ? await readStories(db, [h.saleId], business, today) : []
      const parcels = h ? await listParcels(db, { handoverIds: [id] }, currency) : []
      const parcel = parcels.map((p) => [p.carrier, p.service, p.tracking].filter(Boolean).join(' ')).join('\n')
      return h && s ? { customerId: s.sale.customerId, saleId: h.saleId, number: h.number, parcel } : null
    }
    case 'deposit-request': {
      const r = await findDepositRequest(db, id, currency)
      const [s] = r ? await readStories(db, [r.saleId], business, today) : []
      return r && s ? { customerId: s.sale.customerId, saleId: r.saleId, number: r.number, amount: r.amount } : null
    }
    case 'invoice': {
      const i = await findInvoice(db, id, currency)
      if (!i || i.status === 'draft') return null
      const dues = await listDuesOfInvoice(db, id, currency)
      return {
        customerId: i.customerId,
        saleId: i.saleId,
        number: present(i.number),
        amount: i.gross,
        due: dues[0]?.dueOn,
      }
    }
    case 'receipt': {
      const r = await findReceipt(db, id, currency)
      return r ? { customerId: r.customerId, saleId: null, number: r.number, amount: r.amount } : null
    }
    case 'refund': {
      const [r] = await listRefundsByIds(db, [id], currency)
      return r ? { customerId: r.customerId, saleId: r.saleId, number: r.number, amount: r.amount } : null
    }
    case 'purchase-order': {
      const [order] = await listPurchaseOrders(db, { id })
      return order
        ? {
            supplierId: order.supplierId,
            saleId: null,
            number: order.number,
            amount: netOfLines(await listPurchaseLines(db, { orderIds: [id] }), currency),
            day: order.wantedBy,
          }
        : null
    }
    case 'supplier-payment': {
      const [p] = await listSupplierPayments(db, { id })
      return p
        ? { supplierId: p.supplierId, saleId: null, number: p.number, amount: money(p.amount, currency), day: p.onDay }
        : null
    }
    case 'customer': {
      if (!(await findCustomer(db, id, currency))) return null
      const open = await listOpenDues(db, id, currency)
      const counted = paper === 'reminder' ? open.filter((d) => d.dueOn < today) : open
      const amount = sumMoney(
        counted.map((d) => d.open),
        currency,
      )
      return { customerId: id, saleId: null, amount, due: counted[0]?.dueOn }
    }
  }
}

/** Who is greeted: the person to ask for, or whom the name is of; an organization is no Dear. */
const greeted = ({ contact, name }: { readonly contact: string; readonly name: string }): Pick<LetterFacts, 'name'> =>
  contact ? { name: contact } : isOrganization(name) ? {} : { name }

const partyOf = async (db: Db, { customerId, supplierId }: Raw, currency: string): Promise<Party> => {
  if (supplierId !== undefined) {
    const [supplier, [first]] = await Promise.all([
      findSupplier(db, supplierId),
      listSupplierContacts(db, [supplierId]),
    ])
    const { name, email } = present(supplier)
    return {
      customerId: null,
      supplierId,
      name,
      contact: first?.name ?? '',
      email: email || (first?.email ?? ''),
      language: 'en',
    }
  }
  const customer = present(await findCustomer(db, present(customerId), currency))
  const { name, contact, email, language } = customer
  return { customerId: customer.id, supplierId: null, name, contact, email, language }
}

/** What a letter about a paper says of it. Null where there is no such paper, or it is only a draft. */
export const readAboutPaper = async (
  db: Db,
  paper: PaperKind,
  id: number,
  business: Business,
  today: Day,
): Promise<AboutPaper | null> => {
  const raw = await rawOf(db, paper, id, business, today)
  if (!raw) return null
  const party = await partyOf(db, raw, business.currency)
  const dayIn = paperWords(party.language).day
  const [story] = raw.saleId === null ? [] : await readStories(db, [raw.saleId], business, today)
  const facts: LetterFacts = {
    ...greeted(party),
    paper: paperName(paper, party.language),
    business: business.name,
    ...(raw.number ? { number: raw.number } : {}),
    ...(story?.sale.title ? { title: story.sale.title } : {}),
    ...(raw.amount && isPositiveMoney(raw.amount) ? { amount: `${formatMoney(raw.amount)} ${business.currency}` } : {}),
    ...(raw.due ? { due: dayIn(raw.due) } : {}),
    ...(raw.parcel ? { parcel: raw.parcel } : {}),
    ...(raw.until ? { until: dayIn(raw.until) } : {}),
    ...(raw.day ? { ready: dayIn(raw.day) } : {}),
  }
  return { party, saleId: raw.saleId, facts }
}

/** The owner's wording of a letter where there is one, else the program's. */
export const readTemplate = async (db: Db, paper: LetterKind, language: string) => {
  const own = await findTemplate(db, paper, language)
  return own ? { subject: own.subject, body: own.body } : usualLetter(paper, language)
}
