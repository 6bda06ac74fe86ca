import { present } from '@/core/present'
import { formatDay } from '@/core/day'
import { paperWords } from '@/core/formats'
import {
  formatMoney,
  formatPrice,
  isPositiveMoney,
  money,
  subtractMoney,
  sumMoney,
  zeroMoney,
  type Money,
  negateMoney,
  addMoney,
} from '@/core/money'
import { findCustomer } from '@/data/queries/customers'
import { findGoods, listShelves } from '@/data/queries/goods'
import { findDepositRequest, findHandover, listSaleLines } from '@/data/queries/sales'
import { readStories, worthOf, type Story, type StoryLine } from '@/model/sale/story'
import type { Asked, Paper, PaperSum } from './paper'
import { lessOf, saleRows, type Standing } from './saleRows'
import { taxSums } from './taxSums'

const basics = async ({ db, business }: Asked, { sale }: Story) => {
  const customer = present(await findCustomer(db, sale.customerId, business.currency))
  return {
    language: customer.language,
    to: { name: sale.customerName, address: sale.billTo },
    deliverTo:
      sale.deliverTo && sale.deliverTo !== sale.billTo ? { address: sale.deliverTo, note: sale.deliverNote } : null,
  }
}

const readStory = async ({ db, business, today }: Asked, saleId: number): Promise<Story | null> =>
  (await readStories(db, [saleId], business, today))[0] ?? null

/** What a line comes to on its own where it is left to the customer and does not count in the total. */
const worthShown = (l: StoryLine, counts: boolean, story: Story, i: number, currency: string): Money => {
  const amounts = present(story.totals.lines[i])
  if (!counts) return worthOf({ ...l, wholeLess: 0n }, l.quantity, currency)
  const basis = story.sale.pricesIncludeTax ? amounts.gross : amounts.net
  // The share of what is off the whole stands under the lines, in one sum.
  return addMoney(basis, money(l.wholeLess, currency))
}

/** The note of a line, and where it goes when that is somewhere else than the rest. */
const noteOf = (l: Pick<StoryLine, 'note' | 'deliverTo'>, usual: string, t: ReturnType<typeof paperWords>): string =>
  [l.note, l.deliverTo && l.deliverTo !== usual ? `${t('deliverTo')}: ${l.deliverTo.replace(/\n/g, ', ')}` : '']
    .filter(Boolean)
    .join('\n')

/** What is off the whole, under the lines: in the basis of the prices, as the lines are. */
export const wholeLessOf = (lines: readonly { wholeLess: bigint }[], currency: string): Money =>
  money(
    lines.reduce((sum, l) => sum + l.wholeLess, 0n),
    currency,
  )

/** The estimate of a sale, or the confirmation of its order. */
export const paperOfSale = async (
  asked: Asked,
  kind: 'estimate' | 'confirmation',
  saleId: number,
): Promise<Paper | null> => {
  const story = await readStory(asked, saleId)
  if (!story) return null
  const { db, business } = asked
  const { currency } = business
  const { sale, totals } = story
  const confirmed = kind === 'confirmation'
  const base = await basics(asked, story)
  const t = paperWords(base.language)
  const standing = story.lines.flatMap((l, i): Standing[] => {
    const words = l.kind === 'heading' || l.kind === 'text'
    const quantity = confirmed ? l.agreed : l.quantity
    if (words || quantity.isZero()) return []
    const counts = confirmed || l.chosen
    const mark =
      l.choice === 'none' || confirmed ? '' : l.choice === 'optional' ? t('optional') : counts ? '' : t('alternative')
    const worth = worthShown(l, counts, story, i, currency)
    return [
      {
        line: l,
        what: mark ? `${l.description} (${mark})` : l.description,
        note: noteOf(l, sale.deliverTo, t),
        cells: {
          code: l.code ?? '',
          quantity: quantity.toString(),
          each: formatPrice(l.unitPrice, currency),
          less: lessOf(l, currency),
          sum: counts ? formatMoney(worth) : `(${formatMoney(worth)})`,
        },
        worth: counts ? worth : zeroMoney(currency),
      },
    ]
  })
  const off = wholeLessOf(
    story.lines.filter((l) => (confirmed ? l.agreed.gt(0) : l.chosen)),
    currency,
  )
  return {
    kind,
    ...base,
    name: t(kind),
    number: String(sale.number),
    facts: [
      [t('date'), formatDay((confirmed ? sale.agreedOn : (sale.sentOn ?? sale.startedOn)) ?? sale.startedOn)],
      ...(!confirmed && sale.validUntil ? [[t('goodThrough'), formatDay(sale.validUntil)] as const] : []),
      ...(sale.purchaseOrder ? [[t('yourOrder'), sale.purchaseOrder] as const] : []),
      ...(sale.wantedBy ? [[t('wantedBy'), formatDay(sale.wantedBy)] as const] : []),
      ...(confirmed && sale.yesBy ? [[t('agreedBy'), sale.yesBy] as const] : []),
    ],
    above: sale.noteAbove,
    rows: saleRows(story.lines, standing, {
      language: base.language,
      rolledUp: sale.rolledUp,
      withSums: true,
      currency,
    }),
    sums: [
      ...(isPositiveMoney(off) ? [{ name: t('offWhole'), amount: formatMoney(negateMoney(off)) }] : []),
      { name: t('net'), amount: formatMoney(totals.net) },
      ...(await taxSums(
        db,
        totals.taxes.flatMap((x) =>
          x.components.map((c) => ({ taxCodeId: x.taxCodeId, componentId: c.componentId, amount: c.amount })),
        ),
      )),
      // As it was agreed: bills at other tax rates have papers of their own.
      {
        name: `${t('total')}, ${currency}`,
        amount: formatMoney(subtractMoney(totals.gross, sale.rateShift)),
        total: true,
      },
    ],
    note: sale.note,
    conditions: business.conditions,
  }
}

/** What has to be gathered for a sale, where it lies, and how much of it is there. No prices. */
export const pickListOf = async (asked: Asked, saleId: number): Promise<Paper | null> => {
  const story = await readStory(asked, saleId)
  if (!story) return null
  const { db } = asked
  const { sale } = story
  const base = await basics(asked, story)
  // The list is for ourselves.
  const t = paperWords('en')
  const goods = await findGoods(
    db,
    story.lines.flatMap((l) => (l.goodsId === null ? [] : [l.goodsId])),
  )
  const parts = await findGoods(
    db,
    [...goods.values()].flatMap((g) => g.parts.map((p) => p.goodsId)),
  )
  const shelves = await listShelves(db, [...goods.keys(), ...parts.keys()])
  const lies = (id: number) => {
    const of = shelves.filter((x) => x.goodsId === id && x.quantity.gt(0))
    return {
      onShelf: of.map((x) => x.quantity.toString()).join(' + ') || '0',
      place: of.map((x) => x.place).join(', '),
    }
  }
  const waiting = story.lines.filter((l) => l.toHandOver.gt(0) && l.goodsId !== null && l.fromShelf)
  const rows = waiting.flatMap((l) => {
    const thing = present(goods.get(present(l.goodsId)))
    const of =
      thing.kind === 'kit'
        ? thing.parts.map((p) => ({ thing: present(parts.get(p.goodsId)), each: p.quantity }))
        : [{ thing, each: null }]
    return of.map(({ thing: g, each }) => ({
      as: 'line' as const,
      what: g.name,
      note: [each ? `${l.description}, ${each.toString()}` : '', l.note].filter(Boolean).join('\n'),
      cells: {
        code: g.code,
        quantity: (each ? l.toHandOver.times(each) : l.toHandOver).toString(),
        ...lies(g.id),
      },
    }))
  })
  return {
    kind: 'pick-list',
    ...base,
    language: 'en',
    name: t('pick-list'),
    number: String(sale.number),
    facts: [
      [t('date'), formatDay(asked.today)],
      ...(sale.wantedBy ? [[t('wantedBy'), formatDay(sale.wantedBy)] as const] : []),
    ],
    above: '',
    rows,
    sums: [],
    note: sale.deliverNote,
    conditions: '',
  }
}

/** What went with a handover, for whoever unpacks it. No prices. */
export const packingSlipOf = async (asked: Asked, handoverId: number): Promise<Paper | null> => {
  const handover = await findHandover(asked.db, handoverId, asked.business.currency)
  const story = handover && (await readStory(asked, handover.saleId))
  if (!handover || !story) return null
  const base = await basics(asked, story)
  const t = paperWords(base.language)
  const lines = await listSaleLines(asked.db, [story.sale.id])
  const none = zeroMoney(asked.business.currency)
  const standing = handover.lines.flatMap((h): Standing[] => {
    const line = lines.find((l) => l.id === h.saleLineId)
    return line
      ? [
          {
            line,
            note: noteOf(line, story.sale.deliverTo, t),
            cells: { code: line.code ?? '', quantity: h.quantity.toString() },
            worth: none,
          },
        ]
      : []
  })
  return {
    kind: 'packing-slip',
    ...base,
    name: t('packing-slip'),
    number: handover.number,
    facts: [
      [t('date'), formatDay(handover.on)],
      ...(story.sale.purchaseOrder ? [[t('yourOrder'), story.sale.purchaseOrder] as const] : []),
    ],
    above: '',
    rows: saleRows(lines, standing, {
      language: base.language,
      rolledUp: false,
      withSums: false,
      currency: none.currency,
    }),
    sums: [],
    note: '',
    conditions: '',
  }
}

/** The paper that asks for money ahead. Not an invoice. */
export const depositRequestOf = async (asked: Asked, requestId: number): Promise<Paper | null> => {
  const request = await findDepositRequest(asked.db, requestId, asked.business.currency)
  const story = request && (await readStory(asked, request.saleId))
  if (!request || !story) return null
  const { currency } = asked.business
  const base = await basics(asked, story)
  const t = paperWords(base.language)
  const received = sumMoney(
    story.heldRows.map((h) => h.amount),
    currency,
  )
  const rest = subtractMoney(request.amount, received)
  const sums: PaperSum[] = isPositiveMoney(received)
    ? [
        { name: t('asked'), amount: formatMoney(request.amount) },
        { name: t('received'), amount: formatMoney(negateMoney(received)) },
        {
          name: `${t('toPay')}, ${currency}`,
          amount: formatMoney(isPositiveMoney(rest) ? rest : zeroMoney(currency)),
          total: true,
        },
      ]
    : [{ name: `${t('toPay')}, ${currency}`, amount: formatMoney(request.amount), total: true }]
  return {
    kind: 'deposit-request',
    ...base,
    name: t('deposit-request'),
    number: request.number,
    facts: [
      [t('date'), formatDay(request.on)],
      [t('number'), String(story.sale.number)],
    ],
    above: '',
    rows: [
      {
        as: 'line',
        what: story.sale.title,
        note: `${request.percent ? `${Number(request.percent)} % ` : ''}${t('ofTotal')} ${formatMoney(story.totals.gross)} ${currency}`,
        cells: { sum: formatMoney(request.amount) },
      },
    ],
    sums,
    note: '',
    conditions: '',
  }
}
