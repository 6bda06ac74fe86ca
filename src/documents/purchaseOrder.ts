import { paperWords } from '@/core/formats'
import { formatMoney, formatPrice, formatQuantity, sumMoney } from '@/core/money'
import { readPurchaseFacts } from '@/model/paper/purchaseFacts'
import type { Asked } from '@/model/where'
import type { Paper } from './paper'

/** What is ordered from a supplier, at what cost, by when, and where it goes. */
export const purchaseOrderOf = async (asked: Asked, orderId: number): Promise<Paper | null> => {
  const facts = await readPurchaseFacts(asked, orderId)
  if (!facts) return null
  const { order, supplier, lines, version, deliverTo } = facts
  const { currency } = asked.business
  const t = paperWords('en')
  return {
    kind: 'purchase-order',
    language: 'en',
    name: t('purchase-order'),
    number: order.number,
    to: supplier,
    deliverTo,
    facts: [
      [t('date'), t.day(order.sentOn ?? order.onDay)],
      ...(order.wantedBy ? [[t('wantedBy'), t.day(order.wantedBy)] as const] : []),
      ...(version > 1 ? [[t('version'), String(version)] as const] : []),
    ],
    above: '',
    rows: lines.map((l) => ({
      as: 'line',
      what: l.description,
      note: '',
      cells: {
        code: l.code,
        quantity: formatQuantity(l.quantity),
        each: formatPrice(l.unitCost, currency),
        sum: formatMoney(l.net),
      },
    })),
    sums: [
      {
        name: `${t('net')}, ${currency}`,
        amount: formatMoney(
          sumMoney(
            lines.map((l) => l.net),
            currency,
          ),
        ),
        total: true,
      },
    ],
    note: order.note,
    conditions: '',
  }
}
