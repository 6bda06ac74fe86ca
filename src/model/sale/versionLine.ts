import { z } from 'zod'

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
