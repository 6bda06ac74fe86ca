import { dropViewInput, keepViewInput } from '@/contract/inputs/views/keepView'
import { defineCommand } from '@/services/command'
import { deleteSavedView, keepSavedView } from '@/data/queries/savedView'

/** Keeps a list as it is filtered now, to be found again by name. */
export const keepView = defineCommand('keep-view', keepViewInput, async (w, view) => {
  const viewId = await keepSavedView(w.tx, view)
  return { id: viewId, answer: async () => ({ id: viewId, ...view }) }
})

export const dropView = defineCommand('drop-view', dropViewInput, async (w, { viewId }) => {
  await deleteSavedView(w.tx, viewId)
  return { id: viewId, answer: async () => ({ id: viewId }) }
})
