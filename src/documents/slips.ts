import type { Asked, Paper } from './paper'
import { readStory, basics, noteOf } from './paperOfSale'
import { paperWords } from '@/core/formats'
import { findGoods } from '@/data/queries/goods'
import { listShelves } from '@/data/queries/stock'
import { present } from '@/core/present'
import { formatDay } from '@/core/day'
import { findHandover } from '@/data/queries/handover'
import { listSaleLines } from '@/data/queries/saleLine'
import { zeroMoney } from '@/core/money'
import { type Standing, saleRows } from './saleRows'

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
