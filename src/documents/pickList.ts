import { formatDigits } from '@/core/locale'
import { formatQuantity } from '@/core/money'
import { readPickFacts } from '@/model/paper/pickFacts'
import type { Paper, PaperRow } from './paper'
import type { Asked } from '@/model/where'
import { basics } from './paperOfSale'
import { paperWords } from '@/core/formats'

/** What has to be gathered for a sale, place by place, with room to write what was really picked. No prices. */
export const pickListOf = async (asked: Asked, saleId: number): Promise<Paper | null> => {
  const facts = await readPickFacts(asked, saleId)
  if (!facts) return null
  const { story, rows, number } = facts
  const { sale } = story
  // The list is for ourselves.
  const t = paperWords('en')
  const lines = rows.map((r): PaperRow => {
    const pieces = [
      r.serials.length > 0 ? `${t('serialNumber')}: ${r.serials.join(', ')}` : '',
      r.lot === null ? '' : `${t('lot')}: ${r.lot}`,
      r.description === r.name ? '' : r.description,
      r.missing ? t('toFollow') : '',
    ]
    return {
      as: 'line',
      what: r.name,
      note: pieces.filter(Boolean).join('\n'),
      cells: {
        code: r.code,
        quantity: formatDigits(r.quantity),
        onShelf: formatQuantity(r.onHand),
        place: r.missing ? '–' : r.place,
        picked: r.missing ? '' : '________',
      },
    }
  })
  return {
    kind: 'pick-list',
    ...basics(facts),
    language: 'en',
    name: t('pick-list'),
    number,
    facts: [
      [t('date'), t.day(asked.today)],
      [t('order'), String(sale.number)],
      ...(sale.wantedBy ? [[t('wantedBy'), t.day(sale.wantedBy)] as const] : []),
    ],
    above: '',
    rows: lines,
    sums: [],
    note: sale.deliverNote,
    conditions: '',
  }
}
