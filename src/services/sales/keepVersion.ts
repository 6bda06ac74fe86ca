import { z } from 'zod'
import { money, toDecimalString } from '@/core/money'
import { insertVersion } from '@/data/queries/sales'
import type { Day } from '@/core/day'
import type { RefreshedSale } from './refreshSale'
import { countedQuantity, worthOf } from '../read/stories'
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
  kind: z.string().default('stock'),
  choice: z.string().default('none'),
  choiceGroup: z.string().default(''),
  chosen: z.boolean().default(true),
  discountAmount: z.string().default('0'),
  net: z.string().default(''),
})
export type VersionLine = z.output<typeof versionLine>

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
    less: lines.reduce((sum, l) => sum + (countedQuantity(sale, l).isZero() ? 0n : l.wholeLess), 0n),
    lines: lines.map((l): VersionLine => ({
      lineId: l.id,
      description: l.description,
      note: l.note,
      // An offer keeps what is left to the customer too, counted or not.
      quantity: (version.kind === 'offered' ? l.quantity : countedQuantity(sale, l)).toString(),
      unitPrice: l.unitPrice.toString(),
      discountPercent: l.discountPercent.toString(),
      taxCode: l.taxCode,
      kind: l.kind,
      choice: l.choice,
      choiceGroup: l.choiceGroup,
      chosen: l.chosen,
      discountAmount: toDecimalString(money(l.discountAmount, w.currency)),
      // Before what is off the whole, which the version keeps apart.
      net: toDecimalString(
        worthOf(
          { ...l, wholeLess: 0n },
          version.kind === 'offered' ? l.quantity : countedQuantity(sale, l),
          w.currency,
        ),
      ),
    })),
  })
}
