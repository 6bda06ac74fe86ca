import { afterEach, describe, expect, test } from 'vitest'
import { EN_US, localeOf, writeAs } from '@/core/locale'
import { readLess, sayLess } from '@/ui/sale/less'
import { readPasted } from '@/ui/sale/pasted'

afterEach(() => writeAs(EN_US))

describe('figures of a line are read as the region writes them', () => {
  test.each([
    ['en-US', '2.5%', { percent: '2.5', amount: '0' }],
    ['en-US', '1,250.00', { percent: '0', amount: '1250.00' }],
    ['en-US', '2,5%', null],
    ['de-DE', '2,5 %', { percent: '2.5', amount: '0' }],
    ['de-DE', '10%+1.250,40', { percent: '10', amount: '1250.40' }],
    ['de-DE', 'viel', null],
  ])('%s: %s off', (tag, typed, read) => {
    writeAs(localeOf(tag))
    expect(readLess(typed)).toEqual(read)
  })

  test.each(['en-US', 'de-DE', 'es-ES', 'de-CH', 'en-IN'])(
    '%s: what is saved is the same when it is opened and saved again',
    (tag) => {
      writeAs(localeOf(tag))
      for (const [percent, amount] of [
        ['2.5', '0.00'],
        ['0', '6.00'],
        ['12.25', '1250.5'],
        // Of a currency with three places: no thousands.
        ['0', '1.250'],
      ] as const) {
        const read = readLess(sayLess(percent, amount))!
        expect([Number(read.percent), Number(read.amount)]).toEqual([Number(percent), Number(amount)])
      }
    },
  )

  test.each([
    ['en-US', '2\tRosin\t12.50', '12.50'],
    ['en-US', '2\tViolin\t1,250.00', '1250.00'],
    ['de-DE', '2\tKolophonium\t12,50', '12.50'],
    ['de-DE', '2\tGeige\t1.250,00', '1250.00'],
  ])('%s: %s is pasted', (tag, row, price) => {
    writeAs(localeOf(tag))
    expect(readPasted(row, 'STD')).toMatchObject([{ quantity: '2', unitPrice: price }])
  })
})
