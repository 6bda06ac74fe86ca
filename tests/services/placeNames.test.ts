import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { sentence } from '@/contract/sentences'
import { listPlaces } from '@/data/queries/stock'
import { moveStock } from '@/services/goods/moveStock'
import { addPlace, changePlace, dropPlace } from '@/services/goods/places'
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

  test('go while nothing ever lay there; the default one stays', async () => {
    const van = await s.run(addPlace, { code: 'VAN', name: 'Van' })
    const [usual] = await listPlaces(s.db)
    expect(await s.refusal(dropPlace, { placeId: usual!.id })).toBe('invalid')
    await s.run(moveStock, {
      from: (await listPlaces(s.db)).find((p) => p.name === 'Shop')!.id,
      to: van,
      lines: [{ goodsId: s.violin, quantity: '1' }],
    })
    const why = async () => {
      const done = await dropPlace.run(s.shop, { placeId: van })
      return done.ok ? null : sentence(done.error)
    }
    expect(await why()).toContain('A movement of stock uses it: Van stays.')
    const slip = await s.run(addPlace, { code: 'SLIP', name: 'Slip' })
    await s.run(dropPlace, { placeId: slip })
    expect((await listPlaces(s.db)).map((p) => p.name)).not.toContain('Slip')
    expect(await s.refusal(dropPlace, { placeId: slip })).toBe('not-found')
  })
})
