import { z } from 'zod'
import { insertVersion } from '@/data/queries/sales'
import type { Day } from '@/core/day'
import type { RefreshedSale } from './refreshSale'
import { countedQuantity } from '../read/stories'
import type { Work } from '../command'

/** A line as a version keeps it. */
export const versionLine = z.object({
  lineId: z.number(),
  description: z.string(),
  note: z.string(),
  quantity: z.string(),
  unitPrice: z.string(),
  discountPercent: z.string(),
  taxCode: z.string(),
  net: z.string().optional(),
})
export type VersionLine = z.infer<typeof versionLine>

/** Keeps what was offered or agreed as it was at this moment. */
export const keepVersion = async (
  w: Work,
  { sale, lines, totals }: RefreshedSale,
  version: { readonly kind: 'offered' | 'agreed' | 'changed'; readonly on: Day; readonly validUntil?: Day },
): Promise<void> => {
  await insertVersion(w.tx, {
    saleId: sale.id,
    kind: version.kind,
    onDay: version.on,
    validUntil: version.validUntil ?? null,
    gross: totals.gross.minor,
    lines: lines.map((l): VersionLine => ({
      lineId: l.id,
      description: l.description,
      note: l.note,
      quantity: countedQuantity(sale, l).toString(),
      unitPrice: l.unitPrice.toString(),
      discountPercent: l.discountPercent.toString(),
      taxCode: l.taxCode,
    })),
  })
}
