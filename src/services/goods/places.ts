import { addPlaceInput, changePlaceInput, dropPlaceInput } from '@/contract/inputs/goods/places'
import { found, refuse, refuseAt, refuseUsed } from '@/contract/refuse'
import { present } from '@/core/present'
import {
  clearUsualPlace,
  deletePlace,
  findPlaceUse,
  insertPlace,
  listPlaces,
  updatePlace,
  type PlaceRow,
} from '@/data/queries/stock'
import { defineCommand } from '../command'

/** The place of an id, of all there are; the usual one, which stands first, where none is named. `path` is its field. */
export const placeNamed = (places: readonly PlaceRow[], placeId: number | undefined, path: string): PlaceRow => {
  if (placeId === undefined) return present(places[0])
  return (
    places.find((p) => p.id === placeId) ??
    refuseAt(path, `There is no such place. There are ${places.map((p) => p.name).join(', ')}.`)
  )
}

/** Refuses a code or a name that another place has. */
const mustBeFree = (
  others: readonly PlaceRow[],
  { code, name }: { readonly code?: string; readonly name?: string },
) => {
  const same = (a: string, b: string | undefined): boolean => a.toLowerCase() === b?.toLowerCase()
  if (code && others.some((p) => same(p.code, code))) refuse({ code: 'taken', what: 'code', value: code })
  if (name && others.some((p) => same(p.name, name))) refuse({ code: 'taken', what: 'name', value: name })
}

/** Another place where goods lie: a bench, a window, a van. */
export const addPlace = defineCommand('add-place', addPlaceInput, async (w, { code, name, usual = false }) => {
  mustBeFree(await listPlaces(w.tx), { code, name })
  if (usual) await clearUsualPlace(w.tx)
  const id = await insertPlace(w.tx, { code, name, usual })
  return { id, answer: async () => ({ id, code, name, usual }) }
})

/** Another code or name for a place, or the usual one from now on. What lies there stays. */
export const changePlace = defineCommand(
  'change-place',
  changePlaceInput,
  async (w, { placeId, code, name, usual }) => {
    const places = await listPlaces(w.tx)
    const before = found(
      places.find((p) => p.id === placeId),
      'place',
      placeId,
    )
    mustBeFree(
      places.filter((p) => p !== before),
      { code, name },
    )
    if (usual) await clearUsualPlace(w.tx)
    const now = { ...before, code: code ?? before.code, name: name ?? before.name, usual: usual ?? before.usual }
    await updatePlace(w.tx, placeId, { code: now.code, name: now.name, usual: now.usual })
    return { id: placeId, answer: async () => now }
  },
)

/** A place that was a mistake: it goes while nothing ever lay there. The one that is the default stays. */
export const dropPlace = defineCommand('drop-place', dropPlaceInput, async (w, { placeId }) => {
  const gone = found(
    (await listPlaces(w.tx)).find((p) => p.id === placeId),
    'place',
    placeId,
  )
  if (gone.usual) refuseAt('placeId', `${gone.name} is the default place. Make another one the default first.`)
  refuseUsed('placeId', gone.name, await findPlaceUse(w.tx, placeId))
  await deletePlace(w.tx, placeId)
  return { id: placeId, answer: async () => ({}) }
})
