import { present } from '@/core/present'
import { z } from 'zod'
import { layoutSpec, PAPER_BLOCKS, PAPER_COLUMNS, PAPERS, type LayoutSpec } from '@/core/formats'
import { clearUsual, deleteLayout, findLayout, insertLayout, listLayouts, updateLayout } from '@/data/queries/layouts'
import { defineCommand, type Work } from '../command'
import { id, needed, text } from '../input/fields'
import { found, refuse } from '../refuse'

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

const makeUsual = async (w: Work, layoutId: number, paper: string, usual: boolean | undefined): Promise<void> => {
  if (usual === undefined) return
  if (usual) await clearUsual(w.tx, paper)
  await updateLayout(w.tx, layoutId, { usual })
}

/** A layout of the owner's own for a paper. */
export const addLayout = defineCommand(
  'add-layout',
  z.object({
    paper: paperKind,
    name: needed(60, 'A name'),
    usual: z.boolean().optional(),
    spec: layoutInput,
  }),
  async (w, { paper, name, usual, spec }) => {
    if ((await listLayouts(w.tx, paper)).some((l) => l.name.toLowerCase() === name.toLowerCase()))
      refuse({ code: 'taken', what: 'name', value: name })
    const layoutId = await insertLayout(w.tx, { paper, name, spec: layoutSpec(paper, spec) })
    await makeUsual(w, layoutId, paper, usual)
    return { id: layoutId, answer: async () => present(await findLayout(w.tx, layoutId)) }
  },
)

/** Changes a layout. Papers that went out stay as they went: they are kept with their letters. */
export const changeLayout = defineCommand(
  'change-layout',
  z.object({ layoutId: id, usual: z.boolean().optional(), spec: layoutInput.optional() }),
  async (w, { layoutId, usual, spec }) => {
    const before = found(await findLayout(w.tx, layoutId), 'layout', layoutId)
    const paper = paperKind.parse(before.paper)
    if (spec) await updateLayout(w.tx, layoutId, { spec: layoutSpec(paper, spec) })
    await makeUsual(w, layoutId, paper, usual)
    return { id: layoutId, answer: async () => present(await findLayout(w.tx, layoutId)) }
  },
)

export const dropLayout = defineCommand('drop-layout', z.object({ layoutId: id }), async (w, { layoutId }) => {
  found(await findLayout(w.tx, layoutId), 'layout', layoutId)
  await deleteLayout(w.tx, layoutId)
  return { id: layoutId, answer: async () => ({ id: layoutId }) }
})
