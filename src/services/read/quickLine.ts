import { readQuickLine } from '@/core/quickline'
import { formatMoney, parseMoney, type Money } from '@/core/money'
import { fillOldest } from '@/core/receipt'
import type { Day } from '@/core/day'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { listCustomers, type CustomerStanding } from '@/data/queries/customers'
import { listGoods, type Goods } from '@/data/queries/goods'
import { listOpenDues } from '@/data/queries/money'
import { findNumbered } from '@/data/queries/find'
import { listSaleIds } from '@/data/queries/sales'
import { readDepositsAsked } from '../money/takeReceipt'
import { readStories } from './stories'

/** Something the quick line offers to do: go somewhere, or a command of the HTTP interface, told beforehand. */
export interface QuickOffer {
  readonly text: string
  readonly note?: string
  readonly go?: string
  readonly send?: {
    readonly path: string
    readonly body: unknown
    readonly said: string
    readonly thenTo?: string
  }
}

interface Where {
  readonly db: Db
  readonly business: Business
  readonly today: Day
}

const PLACES = [
  'Today',
  'Counter',
  'Sales',
  'Money in',
  'Owed',
  'Goods',
  'People',
  'Books',
  'Settings',
] as const
const hrefOf = (place: string): string => `/${place.toLowerCase().replace(' ', '-')}`

/** What the words typed could mean, the likeliest first. Changes nothing. */
export const readQuickOffers = async (where: Where, typed: string): Promise<QuickOffer[]> => {
  const intent = readQuickLine(typed)
  if (intent.verb === 'take') return offerToTake(where, intent)
  if (intent.verb === 'find') return offerToFind(where, intent.text)
  return offerToWrite(where, intent)
}

const customersNamed = ({ db, business, today }: Where, who: string): Promise<CustomerStanding[]> =>
  listCustomers(db, { search: who }, { limit: 4 }, { today, currency: business.currency })

const offerToTake = async (
  where: Where,
  intent: { amount: string; method: string; who: string },
): Promise<QuickOffer[]> => {
  const { business } = where
  const amount = parseMoney(intent.amount, business.currency)
  if (!amount.ok) return [{ text: `${intent.amount} is not an amount in ${business.currency}.` }]
  const people = await customersNamed(where, intent.who)
  if (people.length === 0)
    return [
      {
        text: `Nobody is called “${intent.who}”.`,
        note: 'Add them in People first.',
        go: `/people/new?name=${encodeURIComponent(intent.who)}`,
      },
    ]
  return Promise.all(
    people.map(async (c) => ({
      text: `Take ${formatMoney(amount.value)} ${intent.method} from ${c.name}`,
      note: await whatItPays(where, c, amount.value),
      send: {
        path: '/receipts',
        body: { customerId: c.id, method: intent.method, amount: intent.amount, for: 'oldest' },
        said: `${formatMoney(amount.value)} from ${c.name}: receipt`,
        thenTo: '/receipts',
      },
    })),
  )
}

const whatItPays = async (
  { db, business, today }: Where,
  c: CustomerStanding,
  amount: Money,
): Promise<string> => {
  const dues = await listOpenDues(db, c.id, business.currency)
  const filling = fillOldest({ dues, deposits: await readDepositsAsked(db, c.id, business, today) }, amount)
  const parts = filling.dues.map(
    (f) => `${formatMoney(f.amount)} on invoice ${dues.find((d) => d.id === f.dueId)!.number}`,
  )
  parts.push(...filling.held.map((h) => `${formatMoney(h.amount)} held as a deposit`))
  if (filling.onAccount.minor > 0n) parts.push(`${formatMoney(filling.onAccount)} held on account`)
  return parts.join(', ')
}

const offerToWrite = async (
  where: Where,
  intent: { verb: 'estimate' | 'order'; who: string; lines: readonly { quantity: string; what: string }[] },
): Promise<QuickOffer[]> => {
  const people = await customersNamed(where, intent.who)
  if (people.length === 0)
    return [
      {
        text: `Nobody is called “${intent.who}”.`,
        note: 'Add them in People first.',
        go: `/people/new?name=${encodeURIComponent(intent.who)}`,
      },
    ]
  const goods: (Goods | undefined)[] = await Promise.all(
    intent.lines.map(async (l) => (await listGoods(where.db, { search: l.what }, { limit: 1 }))[0]),
  )
  const missing = intent.lines.filter((_, i) => !goods[i]).map((l) => l.what)
  if (missing.length > 0)
    return [
      { text: `Nothing is called “${missing.join('”, “')}”.`, note: 'Type more of its name or its code.' },
    ]
  const lines = intent.lines.map((l, i) => ({ goodsId: goods[i]!.id, quantity: l.quantity }))
  const said = intent.lines.map((l, i) => `${l.quantity} ${goods[i]!.name}`).join(', ')
  return people.map((c) => ({
    text: `New ${intent.verb === 'order' ? 'sale' : 'estimate'} for ${c.name}`,
    note: said || 'Nothing on it yet.',
    send: {
      path: '/sales',
      body: { customerId: c.id, lines },
      said: `Written down for ${c.name}`,
      thenTo: '/sales',
    },
  }))
}

const offerToFind = async (where: Where, text: string): Promise<QuickOffer[]> => {
  const { db, business, today } = where
  const places = PLACES.filter((p) => p.toLowerCase().startsWith(text.toLowerCase())).map((p) => ({
    text: `Go to ${p}`,
    go: hrefOf(p),
  }))
  const [people, goods, saleIds, papers] = await Promise.all([
    customersNamed(where, text),
    listGoods(db, { search: text }, { limit: 4 }),
    listSaleIds(db, { search: text }, { limit: 4 }, today),
    findNumbered(db, text),
  ])
  const sales = await readStories(db, saleIds, business, today)
  return [
    ...places,
    ...papers.map((p) => ({ text: `${p.name} ${p.number}`, note: p.customer, go: p.href })),
    ...people.map((c) => ({
      text: c.name,
      note: c.owed.minor > 0n ? `owes ${formatMoney(c.owed)}` : 'owes nothing',
      go: `/people/${c.id}`,
    })),
    ...sales.map((s) => ({
      text: `Sale ${s.sale.number}: ${s.sale.title}`,
      note: `${s.sale.customerName}, ${s.stands}, ${formatMoney(s.bar.total)}`,
      go: `/sales/${s.sale.id}`,
    })),
    ...goods.map((g) => ({ text: g.name, note: g.code, go: `/goods/${g.id}` })),
  ]
}
