import type { Decimal } from '../money'

const KINDS: Readonly<Record<string, string>> = {
  'stock-count': 'Count',
  'stock-transfer': 'Move',
  'stock-adjustment': 'Adjustment',
  assembly: 'Assembly',
  'goods-received': 'Received',
  'goods-returned': 'Sent back',
  bill: 'Bill',
  'supplier-credit': 'Credit',
  'landed-cost': 'Landed cost',
}

/** What a line of a stock card was, in the words of its document. */
export const sayMove = (paperKind: string, quantity: Decimal): string =>
  paperKind === 'handover' ? (quantity.lt(0) ? 'Handover' : 'Return') : (KINDS[paperKind] ?? '')
