import { money, toDecimalString } from '@/core/money'
import type { Day } from '@/core/day'
import type { RefreshedSale } from './refreshSale'
import type { Work } from '../command'
import type { VersionLine } from '@/model/sale/versionLine'
import { insertVersion } from '@/data/queries/saleVersion'
import { countedQuantity, worthOf } from '@/model/sale/worth'

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
