import { z } from 'zod'
import { defineCommand } from '@/services/command'
import { id, needed } from '@/contract/fields'
import { deleteSavedView, keepSavedView } from '@/data/queries/savedView'

const input = z.object({
  place: z.enum(['invoices', 'receipts']),
  name: needed(80, 'A name'),
  query: z.string().max(500),
})

/** Keeps a list as it is filtered now, to be found again by name. */
export const keepView = defineCommand('keep-view', input, async (w, view) => {
  const viewId = await keepSavedView(w.tx, view)
  return { id: viewId, answer: async () => ({ id: viewId, ...view }) }
})

export const dropView = defineCommand('drop-view', z.object({ viewId: id }), async (w, { viewId }) => {
  await deleteSavedView(w.tx, viewId)
  return { id: viewId, answer: async () => ({ id: viewId }) }
})
