import { addLayoutInput, changeLayoutInput, dropLayoutInput } from '@/contract/inputs/papers/keepLayout'
import { present } from '@/core/present'
import { layoutSpec } from '@/core/formats'
import { clearUsual, deleteLayout, findLayout, insertLayout, listLayouts, updateLayout } from '@/data/queries/layouts'
import { defineCommand, type Work } from '../command'
import { found, refuse } from '@/contract/refuse'
import { paperKind } from '@/contract/layout'

const makeUsual = async (w: Work, layoutId: number, paper: string, usual: boolean | undefined): Promise<void> => {
  if (usual === undefined) return
  if (usual) await clearUsual(w.tx, paper)
  await updateLayout(w.tx, layoutId, { usual })
}

/** A layout of the owner's own for a paper. */
export const addLayout = defineCommand('add-layout', addLayoutInput, async (w, { paper, name, usual, spec }) => {
  if ((await listLayouts(w.tx, paper)).some((l) => l.name.toLowerCase() === name.toLowerCase()))
    refuse({ code: 'taken', what: 'name', value: name })
  const layoutId = await insertLayout(w.tx, { paper, name, spec: layoutSpec(paper, spec) })
  await makeUsual(w, layoutId, paper, usual)
  return { id: layoutId, answer: async () => present(await findLayout(w.tx, layoutId)) }
})

/** Changes a layout. Papers that went out stay as they went: they are kept with their letters. */
export const changeLayout = defineCommand('change-layout', changeLayoutInput, async (w, { layoutId, usual, spec }) => {
  const before = found(await findLayout(w.tx, layoutId), 'layout', layoutId)
  const paper = paperKind.parse(before.paper)
  if (spec) await updateLayout(w.tx, layoutId, { spec: layoutSpec(paper, spec) })
  await makeUsual(w, layoutId, paper, usual)
  return { id: layoutId, answer: async () => present(await findLayout(w.tx, layoutId)) }
})

export const dropLayout = defineCommand('drop-layout', dropLayoutInput, async (w, { layoutId }) => {
  found(await findLayout(w.tx, layoutId), 'layout', layoutId)
  await deleteLayout(w.tx, layoutId)
  return { id: layoutId, answer: async () => ({ id: layoutId }) }
})
