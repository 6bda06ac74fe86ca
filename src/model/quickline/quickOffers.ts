import type { QuickOffer } from '@/contract/quickOffer'
import { PAGES } from '@/contract/places'
import { present } from '@/core/present'
import { formatDigits, typeDigits } from '@/core/locale'
import { METHOD_NAMES, statusName } from '@/core/names'
import { QUICK_VERBS, readQuickLine, type QuickIntent, type SaleVerb } from '@/core/quickline'
import { formatMoney, isPositiveMoney, parseMoney, type Money } from '@/core/money'
import { dueInSentence } from '@/core/receipt'
import { formatDay } from '@/core/day'
import type { CustomerStanding } from '@/data/queries/customers'
import type { Goods } from '@/data/queries/goods'
import { listPiecesLike } from '@/data/queries/batch'
import { pieceHref } from '@/contract/pieceHref'
import { findNumbered, findSaleNumbered } from '@/data/queries/find'
import { readLookAlikes } from '@/model/people/lookAlikes'
import { readDepositsAsked } from '@/model/receivables/depositsAsked'
import { fillOldestOn } from '@/model/receipt/fillOldestOn'
import { listOpenDues } from '@/data/queries/due'
import { readNextReminder } from '@/model/receivables/nextReminder'
import type { Glance } from '@/model/sale/glance'
import { readGlances } from '@/model/sale/readGlances'
import { readStories } from '@/model/sale/readStories'
import type { Asked } from '../where'
import { countedOrCalled, customersNamed, goodsNamed, salesNamed } from './named'

/** Asked a sale stands, as its stamp says it. */
const standingOf = ({ stands, open }: Pick<Glance, 'stands' | 'open'>): string =>
  statusName(stands, isPositiveMoney(open)).toLowerCase()

/** As whoever types writes it: the straight mark is as good as the curved one. */
const plain = (name: string): string => name.toLowerCase().replaceAll('’', "'")

/** What the words typed could mean, the likeliest first. Changes nothing. */
export const readQuickOffers = async (where: Asked, typed: string): Promise<QuickOffer[]> => {
  const intent = readQuickLine(typed)
  if (intent.verb === 'take') return offerToTake(where, intent)
  if (intent.verb === 'find') return [...completions(intent.text), ...(await offerToFind(where, intent.text))]
  if (intent.verb === 'customer') return offerCustomer(where, intent)
  if (intent.verb === 'remind') return offerToRemind(where, intent.who)
  if ('sale' in intent) return offerWithSale(where, intent)
  return offerToWrite(where, intent)
}

/** The verbs that begin as what was typed does. */
const completions = (text: string): QuickOffer[] =>
  text.length < 2
    ? []
    : QUICK_VERBS.filter(([verb]) => verb.startsWith(text.toLowerCase()) || text.toLowerCase() === verb).map(
        ([verb, example]) => ({ text: `${verb} …`, note: example, fill: `${verb} ` }),
      )

const offerCustomer = async (
  { db, business, today }: Asked,
  { name, email }: { name: string; email: string },
): Promise<QuickOffer[]> => {
  const alike = await readLookAlikes(db, { name, email, phone: '' }, business, today)
  return [
    ...alike.map((a) => ({ text: `${a.name} is there already`, note: a.why, go: `/people/${a.id}` })),
    {
      text: `Add ${name} as a customer`,
      note: email || 'no email address yet',
      send: {
        path: '/customers',
        body: { name, ...(email ? { email } : {}) },
        said: `${name} is added`,
        thenTo: '/people',
      },
    },
  ]
}

const offerToRemind = async (where: Asked, who: string): Promise<QuickOffer[]> => {
  const people = (await customersNamed(where, who)).filter((c) => c.late.minor > 0n)
  if (people.length === 0)
    return [{ text: `Nobody called “${who}” is late.`, note: 'Look at Owed.', go: '/owed?show=late' }]
  return Promise.all(
    people.map(async (c): Promise<QuickOffer> => {
      const note = `${formatMoney(c.late)} is late; ${c.email || 'no email address yet'}`
      if (!c.email) return { text: `Add an email address of ${c.name}`, note, go: `/people/${c.id}/edit` }
      const next = await readNextReminder(where.db, c.id, where.business, where.today)
      // Once in a stage's time, as everywhere.
      return next?.wait
        ? { text: `${c.name} was reminded lately`, note: `again from ${formatDay(next.wait)}`, go: `/people/${c.id}` }
        : {
            text: `Send a reminder to ${c.name}`,
            note,
            send: { path: `/customers/${c.id}/reminders`, body: {}, said: `A reminder to ${c.name} goes out` },
          }
    }),
  )
}

/** What each verb does with a sale, told beforehand; what cannot be done now says why when it is tried. */
const offerWithSale = async (
  { db, business, today }: Asked,
  intent: { verb: SaleVerb; sale: string } | { verb: 'decline'; sale: string; reason: string },
): Promise<QuickOffer[]> => {
  const id = await findSaleNumbered(db, Number(intent.sale))
  const [story] = id === null ? [] : await readStories(db, [id], business, today)
  if (!story) return [{ text: `There is no sale ${intent.sale}.`, note: 'Type its number, or words of it to find it.' }]
  const { sale } = story
  const what = `${sale.customerName}: ${sale.title}, ${formatMoney(story.bar.total)}, ${standingOf(story)}`
  const path = `/sales/${sale.id}`
  const to = { thenTo: '/sales', said: `Sale ${sale.number}` }
  const act = (
    text: string,
    call: string,
    body: unknown,
    said: string,
    thenTo: string | null = to.thenTo,
  ): QuickOffer[] => [
    {
      text: `${text} ${sale.number}`,
      note: what,
      send: {
        path: `${path}${call}`,
        body,
        said: `${to.said} ${said}`,
        ...(thenTo === null ? {} : { thenTo }),
      },
    },
    { text: `Open sale ${sale.number}`, note: sale.customerName, go: path },
  ]
  switch (intent.verb) {
    case 'offer':
      return act('Send the estimate of sale', '/offer', {}, 'is sent')
    case 'agree':
      return act('Customer accepted sale', '/agree', {}, 'is ordered')
    case 'hand over':
      return act('Hand over everything in stock for sale', '/handovers', {}, 'is handed over', '/handovers')
    case 'bill':
      return act(
        'Invoice what is ready of sale',
        '/invoices',
        { what: 'handed-over', issue: true },
        'is invoiced: invoice',
        null,
      )
    case 'copy':
      return act('Copy sale', '/copy', {}, 'is copied')
    case 'mail':
      // What goes with a letter is what its customer can answer.
      if (!sale.agreedOn && (!sale.sentOn || sale.reworked))
        return [{ text: `Send the estimate of sale ${sale.number} first`, note: what, fill: `send ${sale.number}` }]
      return [
        {
          text: `Email the ${sale.agreedOn ? 'order confirmation' : 'estimate'} of sale ${sale.number}`,
          note: what,
          send: {
            path: '/post',
            body: { paper: sale.agreedOn ? 'confirmation' : 'estimate', paperId: sale.id },
            said: `${to.said} goes out`,
            thenTo: '/post',
          },
        },
      ]
    case 'decline':
      return intent.reason === ''
        ? [{ text: `Why is sale ${sale.number} declined?`, note: what, fill: `decline ${sale.number}: ` }]
        : act('Customer declined sale', '/decline', { reason: intent.reason }, 'is declined')
  }
}

const offerToTake = async (where: Asked, intent: Extract<QuickIntent, { verb: 'take' }>): Promise<QuickOffer[]> => {
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
      text: `Take ${formatMoney(amount.value)} ${METHOD_NAMES[intent.method].toLowerCase()} from ${c.name}`,
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

const whatItPays = async ({ db, business, today }: Asked, c: CustomerStanding, amount: Money): Promise<string> => {
  const dues = await listOpenDues(db, c.id, business.currency)
  const filling = fillOldestOn(dues, await readDepositsAsked(db, c.id, business, today), amount, today)
  const parts = filling.dues.map(
    (f) =>
      `${formatMoney(f.amount)}${f.discount ? ` and ${formatMoney(f.discount)} off` : ''} on ${dueInSentence(present(dues.find((d) => d.id === f.dueId)))}`,
  )
  parts.push(...filling.held.map((h) => `${formatMoney(h.amount)} held as a deposit`))
  if (filling.onAccount.minor > 0n) parts.push(`${formatMoney(filling.onAccount)} held on account`)
  return parts.join(', ')
}

const offerToWrite = async (
  where: Asked,
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
  const things = await Promise.all(intent.lines.map((l) => countedOrCalled(where, l)))
  const goods: (Goods | undefined)[] = await Promise.all(
    things.map(async (l) => (await goodsNamed(where, l.what, 1))[0]),
  )
  const last = things.at(-1)
  const more = last ? (await goodsNamed(where, last.what, 5)).slice(1) : []
  const before = things.slice(0, -1).map((l) => `${typeDigits(l.quantity)} ${l.what}`)
  const completed = more.map((g) => ({
    text: `… ${formatDigits(present(last).quantity)} ${g.name}`,
    note: g.code,
    fill: `${intent.verb} ${intent.who}: ${[...before, `${typeDigits(present(last).quantity)} ${g.code}`].join(', ')}`,
  }))
  const missing = things.filter((_, i) => !goods[i]).map((l) => l.what)
  if (missing.length > 0)
    return [{ text: `Nothing is called “${missing.join('”, “')}”.`, note: 'Type more of its name or its code.' }]
  const lines = things.map((l, i) => ({ goodsId: present(goods[i]).id, quantity: l.quantity }))
  const said = things.map((l, i) => `${formatDigits(l.quantity)} ${present(goods[i]).name}`).join(', ')
  const agreed = intent.verb === 'order' && lines.length > 0
  return [
    ...people.map((c) => ({
      text: `New ${intent.verb} for ${c.name}`,
      note: said || 'Nothing on it yet.',
      send: {
        path: '/sales',
        body: { customerId: c.id, lines, ...(agreed ? { agreed } : {}) },
        said: `${agreed ? 'Order' : 'Estimate'} for ${c.name}`,
        thenTo: '/sales',
      },
    })),
    ...completed,
  ]
}

const offerToFind = async (where: Asked, text: string): Promise<QuickOffer[]> => {
  const { db, business, today } = where
  const places = PAGES.filter((p) => plain(p.name).startsWith(plain(text))).map((p) => ({
    text: `Go to ${p.name}`,
    go: p.href,
  }))
  const [pieces, people, goods, saleIds, papers] = await Promise.all([
    listPiecesLike(db, text, 4),
    customersNamed(where, text),
    goodsNamed(where, text),
    salesNamed(where, text),
    findNumbered(db, text),
  ])
  const sales = await readGlances(db, saleIds, business, today)
  return [
    ...places,
    ...pieces.map((p) => ({
      text: `${p.serial === null ? 'Lot' : 'Serial'} ${p.serial ?? p.lot ?? ''}`,
      note: p.goods,
      go: present(pieceHref(p)),
    })),
    ...papers.map((p) => ({ text: `${p.name} ${p.number}`, note: p.customer, go: p.href })),
    ...people.map((c) => ({
      text: c.name,
      note: c.owed.minor > 0n ? `owes ${formatMoney(c.owed)}` : 'owes nothing',
      go: `/people/${c.id}`,
    })),
    ...sales.map((s) => ({
      text: `Sale ${s.sale.number}: ${s.sale.title}`,
      note: `${s.sale.customerName}, ${standingOf(s)}, ${formatMoney(s.bar.total)}`,
      go: `/sales/${s.sale.id}`,
    })),
    ...goods.map((g) => ({ text: g.name, note: g.code, go: `/goods/${g.id}` })),
  ]
}
