import { z } from 'zod'
import { PAPERS, PAPER_COLUMNS, PAPER_BLOCKS, type LayoutSpec } from '@/core/formats'
import { text } from '@/contract/fields'

export const paperKind = z.enum(PAPERS, { error: `One of ${PAPERS.join(', ')}.` })

/** How a paper looks, as it is kept. */
export const layoutInput = z.object({
  title: text(80).default(''),
  above: text(2000).default(''),
  below: text(2000).default(''),
  columns: z
    .array(z.object({ key: z.enum(PAPER_COLUMNS), name: text(40).default('') }))
    .max(PAPER_COLUMNS.length)
    .refine((all) => new Set(all.map((c) => c.key)).size === all.length, 'Each column stands once.'),
  blocks: z.array(z.enum(PAPER_BLOCKS)).max(PAPER_BLOCKS.length),
  showMark: z.boolean().default(true),
  showNotes: z.boolean().default(true),
  showDeliverTo: z.boolean().default(true),
})

export const readLayoutSpec = (kept: unknown): LayoutSpec => layoutInput.parse(kept)
