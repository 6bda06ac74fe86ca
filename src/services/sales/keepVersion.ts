import type { Day } from '@/core/day'
import type { RefreshedSale } from './refreshSale'
import type { Work } from '../command'
import { insertVersion } from '@/data/queries/saleVersion'
import { countedQuantity } from '@/model/sale/worth'
import { versionLines } from '@/model/sale/versionLine'

/** Keeps what was offered or agreed as it was at this moment. */
export const keepVersion = async (
  w: Work,
  { sale, lines, totals }: RefreshedSale,
  version: {
    readonly kind: 'offered' | 'agreed' | 'changed'
    readonly on: Day
    readonly validUntil?: Day
    readonly reason?: string
  },
): Promise<void> => {
  await insertVersion(w.tx, {
    saleId: sale.id,
    kind: version.kind,
    onDay: version.on,
    validUntil: version.validUntil ?? null,
    reason: version.reason ?? '',
    gross: totals.gross.minor,
    less: lines.reduce((sum, l) => sum + (countedQuantity(sale, l).eq(0) ? 0n : l.wholeLess), 0n),
    // An offer keeps what is left to the customer too, counted or not.
    lines: versionLines(lines, (l) => (version.kind === 'offered' ? l.quantity : countedQuantity(sale, l)), w.currency),
  })
}
