import { setTimeout as sleep } from 'node:timers/promises'
import { afterEach, beforeEach, expect, test } from 'vitest'
import { sentence } from '@/contract/sentences'
import { listAccounts } from '@/data/queries/accounts'
import { deleteTaxCodes } from '@/data/queries/taxCodes'
import { readPlainTaxCodes } from '@/model/books/taxCodes'
import { addTaxCode, addTaxRate, changeTaxCode, dropTaxCode } from '@/services/books/addTaxCode'
import { startSale } from '@/services/sales/startSale'
import { openTestShop, type TestShop } from './shop'

let s: TestShop
beforeEach(async () => {
  s = await openTestShop()
  s.moveTo('2026-03-20')
})
afterEach(() => s.close())

test('a code or a rate that was a mistake goes while nothing uses it', async () => {
  const codes = async () => (await readPlainTaxCodes(s.db, s.today)).map((c) => [c.code, c.rates.map((r) => r.from)])
  const first = await codes()
  const accounts = async () => (await listAccounts(s.db)).filter((a) => !a.hidden).map((a) => a.name)
  const before = await accounts()
  // 82 % instead of 8.2, of a component of its own.
  const wrong = await s.run(addTaxCode, { code: 'LOC', name: 'Local', components: [{ name: 'Local', rate: '0.82' }] })
  const from = await s.run(addTaxRate, {
    taxCodeId: wrong,
    from: '2026-04-01',
    components: [{ name: 'More', rate: '0.9' }],
  })
  expect(await codes()).toEqual([...first, ['LOC', [null, '2026-04-01']]])
  await s.run(dropTaxCode, { taxCodeId: from })
  expect(await codes()).toEqual([...first, ['LOC', [null]]])
  await s.run(dropTaxCode, { taxCodeId: wrong })
  expect(await codes()).toEqual(first)
  expect(await accounts()).toEqual(before)
  expect(await s.refusal(dropTaxCode, { taxCodeId: wrong })).toBe('not-found')
  const why = async (taxCodeId: number) => {
    const done = await dropTaxCode.run(s.shop, { taxCodeId })
    return done.ok ? null : sentence(done.error)
  }
  // Without it customers who are exempt would be taxed.
  const exempt = (await readPlainTaxCodes(s.db, s.today)).find((c) => c.treatment === 'exempt')!
  expect(await why(exempt.id)).toContain('EXEMPT is the tax code of customers who are exempt, so it stays.')
  // Its first rate is what goods have; another one is used by what is written at it.
  const later = await s.run(addTaxRate, {
    taxCodeId: 1,
    from: '2026-03-10',
    components: [{ name: 'Tax', rate: '0.1' }],
  })
  expect(await why(1)).toContain('An item uses it: STD stays.')
  await s.run(startSale, { customerId: s.customer, lines: [{ description: 'Peg', quantity: '1', unitPrice: '4.00' }] })
  expect(await why(later)).toContain('A sale uses it: The rate of STD from 10 Mar 2026 stays.')
})

test('one that is deleted while a sale takes it is told so', async () => {
  const other = await s.run(addTaxCode, { code: 'LOC', name: 'Local', components: [{ name: 'Local', rate: '0.02' }] })
  let written: Promise<string | null> | undefined
  await s.db.transaction(async (tx) => {
    await deleteTaxCodes(tx, [other])
    written = s.refusal(startSale, {
      customerId: s.customer,
      lines: [{ description: 'Peg', quantity: '1', unitPrice: '4.00', taxCode: 'LOC' }],
    })
    await sleep(300)
  })
  expect(await written).toBe('invalid')
})

test('a code is called by other words at all its rates; components that are called alike are refused', async () => {
  const taxCodeId = await s.run(addTaxCode, {
    code: 'LOC',
    name: 'Local',
    components: [
      { name: 'Local', rate: '0.01' },
      { name: 'Habour', rate: '0.02' },
    ],
  })
  const components = [
    { name: 'Local', rate: '0.015' },
    { name: 'Habour', rate: '0.02' },
  ]
  const rateId = await s.run(addTaxRate, { taxCodeId, from: '2026-04-01', components })
  const names = async () => {
    const code = (await readPlainTaxCodes(s.db, s.today)).find((c) => c.code === 'LOC')!
    return [code.name, code.reason, ...code.rates.map((r) => r.components.map((k) => `${k.name} ${k.rate}`).join(', '))]
  }
  const before = await names()
  const why = async (input: object) => {
    const done = await changeTaxCode.run(s.shop, { taxCodeId, components: [], ...input })
    return done.ok ? null : sentence(done.error)
  }
  expect(await why({ components: [{ name: 'County', to: 'Port' }] })).toContain('LOC has no component County.')
  expect(await why({ name: 'Habour' })).toContain('Two components cannot both be called Habour.')
  expect(await names()).toEqual(before)

  await s.run(changeTaxCode, { taxCodeId, name: 'City', components: [{ name: 'Habour', to: 'Harbour' }] })
  const renamed = ['City 0.01, Harbour 0.02', 'City 0.015, Harbour 0.02']
  expect(await names()).toEqual(['City', '', ...renamed])
  // By the row of a later rate it is the same code; a component that has a name of its own stays.
  await s.run(changeTaxCode, { taxCodeId: rateId, components: [{ name: 'City', to: 'Town' }], reason: 'By the city' })
  expect(await names()).toEqual(['City', 'By the city', ...renamed.map((r) => r.replace('City', 'Town'))])
  // A rate of a later day finds the accounts of its components by the names they have now.
  const accounts = (await listAccounts(s.db)).length
  await s.run(addTaxRate, { taxCodeId, from: '2026-05-01', components: [{ name: 'Harbour', rate: '0.03' }] })
  expect((await listAccounts(s.db)).length).toBe(accounts)
  expect(await s.refusal(changeTaxCode, { taxCodeId: 9999, name: 'None' })).toBe('not-found')
})
