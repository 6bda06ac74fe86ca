import { readHandoverFacts } from '@/model/paper/saleFacts'
import { readPartsSaid } from '@/model/paper/partsSaid'
import { readPiecesSaid } from '@/model/paper/piecesSaid'
import type { Paper } from './paper'
import type { Asked } from '@/model/where'
import { basics, noteOf } from './paperOfSale'
import { paperWords } from '@/core/formats'
import { zeroMoney, formatQuantity } from '@/core/money'
import { type Standing, saleRows } from './saleRows'

/** What went with a handover, for whoever unpacks it. No prices. */
export const packingSlipOf = async (asked: Asked, handoverId: number): Promise<Paper | null> => {
  const facts = await readHandoverFacts(asked, handoverId)
  if (!facts) return null
  const { handover, story } = facts
  const base = basics(facts)
  const t = paperWords(base.language)
  const { lines } = story
  const none = zeroMoney(asked.business.currency)
  const piecesOf = await readPiecesSaid(asked.db, {
    saleId: story.sale.id,
    language: base.language,
    currency: asked.business.currency,
  })
  const partsOf = await readPartsSaid(asked.db, handoverId, asked.business.currency)
  const standing = handover.lines.flatMap((h): Standing[] => {
    const line = lines.find((l) => l.id === h.saleLineId)
    return line
      ? [
          {
            line,
            note: [
              noteOf(line, story.sale.deliverTo, t),
              line.kind === 'kit' ? partsOf(line.id) : '',
              piecesOf({ lineId: line.id, handoverId }),
              line.toHandOver.gt(0) ? `${t('toFollow')}: ${formatQuantity(line.toHandOver)}` : '',
            ]
              .filter(Boolean)
              .join('\n'),
            cells: { code: line.code ?? '', quantity: formatQuantity(h.quantity) },
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
      [t('date'), t.day(handover.on)],
      [t('order'), String(story.sale.number)],
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
    note: t('check'),
    conditions: '',
  }
}
