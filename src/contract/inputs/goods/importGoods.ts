import { z } from 'zod'

export const importGoodsInput = z.object({
  /** A CSV or XLSX file. */
  base64: z
    .string({ error: 'The file in base64.' })
    .min(1, 'The file is empty.')
    .max(6_000_000, 'A file has at most 4 MB.'),
  /** `look` writes nothing; `all` writes only when every row is good; `good` leaves the bad rows out. */
  mode: z.enum(['look', 'all', 'good'], { error: 'Say look, all or good.' }).default('look'),
})
