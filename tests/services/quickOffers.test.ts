import { afterEach, beforeAll, describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import { EN_US, localeOf, writeAs } from '@/core/locale'
import { findBusiness, type Business } from '@/data/queries/business'
import type { QuickOffer } from '@/contract/quickOffer'
import { readQuickOffers } from '@/model/quickline/quickOffers'
import { billSale } from '@/services/billing/billSale'
import { addGoods } from '@/services/goods/keepGoods'
import { addCustomer, changeCustomer } from '@/services/people/keepCustomer'
import { handOver } from '@/services/sales/handOver'
import { remind } from '@/services/chase/remind'
import { offerSale } from '@/services/sales/offerSale'
import { startSale } from '@/services/sales/startSale'
import { openTestShop, type TestShop } from './shop'

let s: TestShop
let business: Business
let owed: number
let draft: number
beforeAll(async () => {
  s = await openTestShop()
  business = (await findBusiness(s.db))!
  await s.run(changeCustomer, { customerId: s.customer, email: 'hazel@mail.example' })
  await s.run(addCustomer, { name: 'Hazlitt & Sons' })
  const sale = await s.answer(startSale, {
    customerId: s.customer,
    title: 'Bridge and soundpost',
    agreed: true,
    on: '2026-01-10',
    arrangement: { kind: 'terms', net: 10 },
    lines: [{ description: 'Bridge', quantity: '1', unitPrice: '100.00' }],
  })
  await s.run(handOver, { saleId: sale.id, on: '2026-01-10' })
  await s.run(billSale, { saleId: sale.id, what: 'handed-over', issue: true, on: '2026-01-10' })
  owed = sale.number
  draft = (
    await s.answer(startSale, {
      customerId: s.customer,
      title: 'A new bow',
      lines: [{ goodsId: s.rosin, quantity: '2' }],
    })
  ).number
})

const offers = (typed: string): Promise<QuickOffer[]> =>
  readQuickOffers({ db: s.db, business, today: day('2026-03-01') }, typed)
const texts = async (typed: string): Promise<string[]> => (await offers(typed)).map((o) => o.text)

describe('money typed into the quick line', () => {
  test('says what it would pay, oldest first, before it is taken', async () => {
    // 100.00 and 8.25 %: 108.25 is owed.
    const [first] = await offers('take 120 cash from hazel adair')
    expect(first).toMatchObject({
      text: 'Take 120.00 cash from Hazel Adair',
      note: expect.stringMatching(/^108\.25 on invoice \S+, 11\.75 held on account$/),
      send: { path: '/receipts', body: { customerId: s.customer, method: 'cash', amount: '120', for: 'oldest' } },
    })
  })

  test('offers everybody who could be meant', async () => {
    expect(await texts('take 5 from haz')).toEqual([
      'Take 5.00 cash from Hazel Adair',
      'Take 5.00 cash from Hazlitt & Sons',
    ])
  })

  test.each([
    ['take 5 from nobody', 'Nobody is called “nobody”.', '/people/new?name=nobody'],
    ['take 0.001 from hazel', '0.001 is not an amount in USD.', undefined],
  ])('%s: %s', async (typed, text, go) => {
    const [first] = await offers(typed)
    expect(first).toMatchObject({ text })
    expect(first?.go).toBe(go)
    expect(first?.send).toBeUndefined()
  })

  test('does sums', async () => {
    expect((await texts('take 12*4 card from hazel adair'))[0]).toBe('Take 48.00 card from Hazel Adair')
  })
})

describe('sales typed into the quick line', () => {
  test('are written down or agreed with their lines', async () => {
    const [estimate] = await offers('estimate hazel adair: 2 rosin, 1 set-up')
    expect(estimate).toMatchObject({
      text: 'New estimate for Hazel Adair',
      note: '2 Rosin, 1 Set-up',
      send: {
        path: '/sales',
        body: {
          customerId: s.customer,
          lines: [
            { goodsId: s.rosin, quantity: '2' },
            { goodsId: s.setUp, quantity: '1' },
          ],
        },
      },
    })
    expect(estimate!.send!.body).not.toHaveProperty('agreed')
    const [order] = await offers('order hazel adair: violin')
    expect(order!.send!.body).toMatchObject({ agreed: true, lines: [{ goodsId: s.violin, quantity: '1' }] })
  })

  test('take a number for how many, but where something is called so with it', async () => {
    const { id: strings } = await s.answer(addGoods, { code: 'SG', name: 'String guitar', kind: 'charge', price: '40' })
    const linesOf = async (typed: string) => (await offers(typed))[0]?.send?.body
    expect(await linesOf('order Adair: 12 string guitar')).toMatchObject({
      lines: [{ goodsId: strings, quantity: '12' }],
    })
    const { id: twelve } = await s.answer(addGoods, {
      code: '12S',
      name: '12 string guitar',
      kind: 'charge',
      price: '900',
    })
    expect(await linesOf('order Adair: 12 String Guitar, 2 12 string guitar')).toMatchObject({
      lines: [
        { goodsId: twelve, quantity: '1' },
        { goodsId: twelve, quantity: '2' },
      ],
    })
  })

  test('of what there is not are not written', async () => {
    expect(await texts('estimate hazel adair: 2 xylophone, 1 rosin')).toEqual(['Nothing is called “xylophone”.'])
    expect(await texts('estimate zz: 2 rosin')).toEqual(['Nobody is called “zz”.'])
  })

  test.each([
    ['offer', '/offer', {}],
    ['agree', '/agree', {}],
    ['hand over', '/handovers', {}],
    ['bill', '/invoices', { what: 'handed-over', issue: true }],
    ['copy', '/copy', {}],
  ])('%s does it with the sale of that number, and says which that is', async (verb, call, body) => {
    const [first, second] = await offers(`${verb} ${draft}`)
    expect(first!.send).toMatchObject({ path: expect.stringMatching(new RegExp(`^/sales/\\d+${call}$`)), body })
    expect(first!.note).toBe('Hazel Adair: A new bow, 27.06, draft')
    expect(second).toMatchObject({ text: `Open sale ${draft}`, go: expect.stringMatching(/^\/sales\/\d+$/) })
  })

  test('are declined for a reason', async () => {
    expect(await offers(`decline ${draft}`)).toMatchObject([{ fill: `decline ${draft}: ` }])
    const [first] = await offers(`decline ${draft}: too dear`)
    expect(first!.send).toMatchObject({ body: { reason: 'too dear' } })
  })

  test('are mailed as what they are', async () => {
    // What was never sent is sent first: its customer could not answer it.
    expect(await offers(`mail ${draft}`)).toMatchObject([{ fill: `send ${draft}` }])
    const sent = await s.answer(startSale, { customerId: s.customer, lines: [{ goodsId: s.rosin, quantity: '1' }] })
    await s.run(offerSale, { saleId: sent.id })
    expect((await texts(`email ${sent.number}`))[0]).toBe(`Email the estimate of sale ${sent.number}`)
    expect((await texts(`mail ${owed}`))[0]).toBe(`Email the order confirmation of sale ${owed}`)
  })

  test('there are none of say so', async () => {
    expect(await texts('agree 999999')).toEqual(['There is no sale 999999.'])
  })
})

describe('people typed into the quick line', () => {
  test('are added, after who is like them', async () => {
    const found = await offers('customer Hazel Adaire hazel@mail.example')
    expect(found[0]).toMatchObject({ text: 'Hazel Adair is there already', go: `/people/${s.customer}` })
    expect(found.at(-1)!.send).toMatchObject({
      path: '/customers',
      body: { name: 'Hazel Adaire', email: 'hazel@mail.example' },
    })
  })

  test('are reminded where something is late', async () => {
    expect(await offers('remind hazel')).toMatchObject([
      {
        text: 'Send a reminder to Hazel Adair',
        note: '108.25 is late; hazel@mail.example',
        send: { path: `/customers/${s.customer}/reminders`, body: {} },
      },
    ])
    // It counts as every other: not again in its stage's time.
    await s.run(remind, { customerId: s.customer })
    expect(await offers('remind hazel')).toMatchObject([
      { text: 'Hazel Adair was reminded lately', note: expect.stringMatching(/^again from /) },
    ])
    expect(await texts('remind hazlitt')).toEqual(['Nobody called “hazlitt” is late.'])
  })
})

describe('anything else typed', () => {
  test('is found: places, people, sales, goods', async () => {
    expect(await texts('boo')).toContain('Go to Books')
    expect(await offers("month's")).toContainEqual(expect.objectContaining({ go: '/books/month' }))
    expect(await offers('buy')).toContainEqual(expect.objectContaining({ text: 'Go to Buying', go: '/buying' }))
    expect(await offers('hazel')).toContainEqual(expect.objectContaining({ text: 'Hazel Adair', note: 'owes 108.25' }))
    expect(await texts('new bow')).toContain(`Sale ${draft}: A new bow`)
    expect(await offers('rosin')).toContainEqual(expect.objectContaining({ text: 'Rosin', note: 'RO' }))
  })

  test('begins a verb, which is completed', async () => {
    expect(await offers('est')).toContainEqual(expect.objectContaining({ text: 'estimate …', fill: 'estimate ' }))
    expect((await offers('e')).filter((o) => o.fill)).toEqual([])
  })

  test('and changes nothing by being looked at', async () => {
    const before = await readQuickOffers({ db: s.db, business, today: day('2026-03-01') }, 'hazel')
    await offers('take 5 from hazel')
    expect(await offers('hazel')).toEqual(before)
  })
})

describe('where the business writes 1,5', () => {
  afterEach(() => writeAs(EN_US))
  test('counts are said and filled in as they are typed there', async () => {
    writeAs(localeOf('de-DE'))
    const found = await offers('order hazel adair: 1,5 violin, 1.000 ro')
    expect(found[0]).toMatchObject({
      note: '1,5 Violin, 1.000 Rosin',
      send: {
        body: {
          lines: [
            { goodsId: s.violin, quantity: '1.5' },
            { goodsId: s.rosin, quantity: '1000' },
          ],
        },
      },
    })
  })
})
