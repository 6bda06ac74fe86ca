import { formatDigits } from '@/core/locale'
import { formatQuantity } from '@/core/money'
import { readPickFacts, readRound, type PickRowOnPaper } from '@/model/paper/pickFacts'
import type { Paper, PaperRow } from './paper'
import type { Asked } from '@/model/where'
import { basics } from './paperOfSale'
import { paperWords } from '@/core/formats'

// The list is for ourselves.
const t = paperWords('en')

/** Something to take, with room to write how many were found. */
const pickRow = (r: PickRowOnPaper): PaperRow => {
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
}

/** What has to be gathered for all pick lists that are not picked yet, in one walk from place to place; null where there is nothing. */
export const roundOf = async (asked: Asked): Promise<Paper | null> => {
  const rows = await readRound(asked)
  if (rows.length === 0) return null
  return {
    kind: 'pick-list',
    language: 'en',
    to: { name: '', address: '' },
    deliverTo: null,
    name: t('pick-list'),
    number: asked.today,
    facts: [[t('date'), t.day(asked.today)]],
    above: '',
    rows: rows.map(pickRow),
    sums: [],
    note: '',
    conditions: '',
  }
}

/** What has to be gathered for a sale, place by place, with room to write what was really picked. No prices. */
export const pickListOf = async (asked: Asked, saleId: number): Promise<Paper | null> => {
  const facts = await readPickFacts(asked, saleId)
  if (!facts) return null
  const { story, rows, number } = facts
  const { sale } = story
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
    rows: rows.map(pickRow),
    sums: [],
    note: sale.deliverNote,
    conditions: '',
  }
}
