import { formatQuantity } from '@/core/money'
import { readSaleFacts, readWhereItLies } from '@/model/paper/saleFacts'
import type { Paper } from './paper'
import type { Asked } from '@/model/where'
import { basics } from './paperOfSale'
import { paperWords } from '@/core/formats'
import { present } from '@/core/present'

/** What has to be gathered for a sale, where it lies, and how much of it is there. No prices. */
export const pickListOf = async (asked: Asked, saleId: number): Promise<Paper | null> => {
  const facts = await readSaleFacts(asked, saleId)
  if (!facts) return null
  const { story } = facts
  const { sale } = story
  const base = basics(facts)
  // The list is for ourselves.
  const t = paperWords('en')
  const { goods, parts, shelves } = await readWhereItLies(asked, story)
  const lies = (id: number) => {
    const of = shelves.filter((x) => x.goodsId === id && x.quantity.gt(0))
    return {
      onShelf: of.map((x) => formatQuantity(x.quantity)).join(' + ') || '0',
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
      [t('date'), t.day(asked.today)],
      ...(sale.wantedBy ? [[t('wantedBy'), t.day(sale.wantedBy)] as const] : []),
    ],
    above: '',
    rows,
    sums: [],
    note: sale.deliverNote,
    conditions: '',
  }
}
