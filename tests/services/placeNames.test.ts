import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { listPlaces } from '@/data/queries/stock'
import { addPlace, changePlace } from '@/services/goods/places'
import { openTestShop, type TestShop } from './shop'

let s: TestShop
let bench: number
beforeAll(async () => {
  s = await openTestShop()
  bench = await s.run(addPlace, { code: 'BENCH', name: 'Bench' })
})
afterAll(() => s.close())

describe('places', () => {
  test('are named once; one of them is the usual one, and stays so until another is', async () => {
    expect(await s.refusal(addPlace, { code: 'bench', name: 'Other' })).toBe('taken')
    expect(await s.refusal(addPlace, { code: 'B2', name: 'bench' })).toBe('taken')
    expect((await listPlaces(s.db)).map((p) => [p.name, p.usual])).toEqual([
      ['Shop', true],
      ['Bench', false],
    ])
    await s.run(changePlace, { placeId: bench, usual: true, name: 'Workbench' })
    expect((await listPlaces(s.db)).map((p) => [p.name, p.usual])).toEqual([
      ['Workbench', true],
      ['Shop', false],
    ])
    expect(await s.refusal(changePlace, { placeId: bench, usual: false })).toBe('invalid')
    expect(await s.refusal(changePlace, { placeId: bench, code: 'shop' })).toBe('taken')
    expect(await s.refusal(changePlace, { placeId: bench, name: 'shop' })).toBe('taken')
    expect(await s.refusal(changePlace, { placeId: 99, name: 'x' })).toBe('not-found')
  })
})
