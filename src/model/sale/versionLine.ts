import { z } from 'zod'
import { money, toDecimalString, type Decimal } from '@/core/money'
import type { SaleLineRow } from '@/data/queries/saleLine'
import { worthOf } from './worth'

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

/** Lines of a sale as a version keeps them, each with the quantity that counts in it. */
export const versionLines = (
  lines: readonly SaleLineRow[],
  quantityOf: (line: SaleLineRow) => Decimal,
  currency: string,
): VersionLine[] =>
  lines.map((l) => ({
    lineId: l.id,
    description: l.description,
    note: l.note,
    quantity: quantityOf(l).toString(),
    unitPrice: l.unitPrice.toString(),
    discountPercent: l.discountPercent.toString(),
    taxCode: l.taxCode,
    kind: l.kind,
    choice: l.choice,
    choiceGroup: l.choiceGroup,
    chosen: l.chosen,
    discountAmount: toDecimalString(money(l.discountAmount, currency)),
    // Before what is off the whole, which the version keeps apart.
    net: toDecimalString(worthOf({ ...l, wholeLess: 0n }, quantityOf(l), currency)),
  }))
