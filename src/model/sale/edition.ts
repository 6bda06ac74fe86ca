import type { SaleLineRow } from '@/data/queries/saleLine'
import type { SaleRow } from '@/data/queries/sales'
import { editionIn } from '../edition'
import { versionLines } from './versionLine'

/**
 * What a sale says, in a few letters: others as soon as anything differs that is changed together with its lines, or somebody
 * said yes or no to it. Whoever changes a sale tells which one they had before them.
 */
export const editionOf = (sale: SaleRow, lines: readonly SaleLineRow[]): string =>
  editionIn([
    [sale.agreedOn, sale.closedAs, sale.title, sale.note, sale.noteAbove, sale.rolledUp, sale.billTo],
    [sale.deliverTo, sale.deliverNote, sale.channel, sale.kind, sale.purchaseOrder, sale.wantedBy],
    [sale.discountPercent.toString(), sale.discountAmount.minor.toString()],
    versionLines(lines, (l) => l.quantity, sale.discountAmount.currency),
    lines.map((l) => [l.agreed.toString(), l.deliverTo]),
  ])
