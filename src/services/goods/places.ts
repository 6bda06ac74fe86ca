import { addPlaceInput, changePlaceInput } from '@/contract/inputs/goods/places'
import { found, refuse, refuseAt } from '@/contract/refuse'
import { present } from '@/core/present'
import { clearUsualPlace, insertPlace, listPlaces, updatePlace, type PlaceRow } from '@/data/queries/stock'
import { defineCommand } from '../command'

/** The place of an id, of all there are; the usual one, which stands first, where none is named. `path` is its field. */
export const placeNamed = (places: readonly PlaceRow[], placeId: number | undefined, path: string): PlaceRow => {
  if (placeId === undefined) return present(places[0])
  return (
    places.find((p) => p.id === placeId) ??
    refuseAt(path, `There is no such place. There are ${places.map((p) => p.name).join(', ')}.`)
  )
}

/** Another place where goods lie: a bench, a window, a van. */
export const addPlace = defineCommand('add-place', addPlaceInput, async (w, { code, name, usual = false }) => {
  const places = await listPlaces(w.tx)
  if (places.some((p) => p.code.toLowerCase() === code.toLowerCase()))
    refuse({ code: 'taken', what: 'code', value: code })
  if (places.some((p) => p.name.toLowerCase() === name.toLowerCase()))
    refuse({ code: 'taken', what: 'name', value: name })
  if (usual) await clearUsualPlace(w.tx)
  const id = await insertPlace(w.tx, { code, name, usual })
  return { id, answer: async () => ({ id, code, name, usual }) }
})

/** Another name for a place, or the usual one from now on. What lies there stays. */
export const changePlace = defineCommand('change-place', changePlaceInput, async (w, { placeId, name, usual }) => {
  const places = await listPlaces(w.tx)
  const before = found(
    places.find((p) => p.id === placeId),
    'place',
    placeId,
  )
  if (name && places.some((p) => p.id !== placeId && p.name.toLowerCase() === name.toLowerCase()))
    refuse({ code: 'taken', what: 'name', value: name })
  if (usual) await clearUsualPlace(w.tx)
  const now = { ...before, name: name ?? before.name, usual: usual ?? before.usual }
  await updatePlace(w.tx, placeId, { name: now.name, usual: now.usual })
  return { id: placeId, answer: async () => now }
})
