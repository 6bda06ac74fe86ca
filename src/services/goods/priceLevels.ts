import { ZERO } from '@/core/money'
import {
  addPriceLevelInput,
  changePriceLevelInput,
  addTaxAreaInput,
  changeTaxAreaInput,
  dropPriceLevelInput,
  dropTaxAreaInput,
} from '@/contract/inputs/goods/priceLevels'
import {
  deletePriceLevel,
  deleteTaxArea,
  findPriceLevelUse,
  findTaxAreaUse,
  insertPriceLevel,
  insertTaxArea,
  listPriceLevels,
  listTaxAreas,
  updatePriceLevel,
  updateTaxArea,
} from '@/data/queries/prices'
import { taxCodeNamed } from '../books/taxCodeNamed'
import { defineCommand } from '../command'
import { found, refuse, refuseUsed } from '@/contract/refuse'

/** A price level: what some customers pay. */
export const addPriceLevel = defineCommand(
  'add-price-level',
  addPriceLevelInput,
  async (w, { code, name, percentOff, pricesIncludeTax }) => {
    if ((await listPriceLevels(w.tx)).some((l) => l.code.toLowerCase() === code.toLowerCase()))
      refuse({ code: 'taken', what: 'code', value: code })
    const levelId = await insertPriceLevel(w.tx, {
      code,
      name,
      percentOff: percentOff ?? ZERO,
      pricesIncludeTax: pricesIncludeTax ?? null,
    })
    return { id: levelId, answer: async () => ({ id: levelId, code, name }) }
  },
)

/** Changes a price level from now on. */
export const changePriceLevel = defineCommand(
  'change-price-level',
  changePriceLevelInput,
  async (w, { levelId, name, percentOff, pricesIncludeTax }) => {
    const before = found(
      (await listPriceLevels(w.tx)).find((l) => l.id === levelId),
      'price level',
      levelId,
    )
    await updatePriceLevel(w.tx, levelId, {
      name: name ?? before.name,
      percentOff: percentOff ?? before.percentOff,
      pricesIncludeTax: pricesIncludeTax === undefined ? before.pricesIncludeTax : pricesIncludeTax,
    })
    return {
      id: levelId,
      answer: async () => ({ id: levelId, code: before.code, name: name ?? before.name }),
    }
  },
)

/** A price level that was a mistake: it goes while nothing uses it. */
export const dropPriceLevel = defineCommand('drop-price-level', dropPriceLevelInput, async (w, { levelId }) => {
  const level = found(
    (await listPriceLevels(w.tx)).find((l) => l.id === levelId),
    'price list',
    levelId,
  )
  refuseUsed('levelId', level.name, await findPriceLevelUse(w.tx, level))
  await deletePriceLevel(w.tx, levelId)
  return { id: levelId, answer: async () => ({}) }
})

/** A tax area: where goods that are taxed take another tax code. */
export const addTaxArea = defineCommand('add-tax-area', addTaxAreaInput, async (w, { code, name, taxCode }) => {
  if ((await listTaxAreas(w.tx)).some((a) => a.code.toLowerCase() === code.toLowerCase()))
    refuse({ code: 'taken', what: 'code', value: code })
  const named = taxCodeNamed(await w.taxCodes(), taxCode, 'taxCode')
  const areaId = await insertTaxArea(w.tx, { code, name, taxCodeId: named.id })
  return { id: areaId, answer: async () => ({ id: areaId, code, name, taxCode: named.code }) }
})

/** Another name or tax code for a tax area, for what is written from now on. */
export const changeTaxArea = defineCommand(
  'change-tax-area',
  changeTaxAreaInput,
  async (w, { areaId, name, taxCode }) => {
    const before = found(
      (await listTaxAreas(w.tx)).find((a) => a.id === areaId),
      'tax region',
      areaId,
    )
    const named = taxCode === undefined ? null : taxCodeNamed(await w.taxCodes(), taxCode, 'taxCode')
    await updateTaxArea(w.tx, areaId, { name: name ?? before.name, taxCodeId: named?.id ?? before.taxCodeId })
    return {
      id: areaId,
      answer: async () => ({
        id: areaId,
        code: before.code,
        name: name ?? before.name,
        taxCode: named?.code ?? before.taxCode,
      }),
    }
  },
)

/** A tax area that was a mistake: it goes while no address is in it. */
export const dropTaxArea = defineCommand('drop-tax-area', dropTaxAreaInput, async (w, { areaId }) => {
  const area = found(
    (await listTaxAreas(w.tx)).find((a) => a.id === areaId),
    'tax region',
    areaId,
  )
  refuseUsed('areaId', area.name, await findTaxAreaUse(w.tx, area.code))
  await deleteTaxArea(w.tx, areaId)
  return { id: areaId, answer: async () => ({}) }
})
