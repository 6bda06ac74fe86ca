import fc from 'fast-check'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { acceptOfferInput, previewChoiceInput, refuseOfferInput } from '@/contract/inputs/customerPage/answerOffer'
import { beginPagePaymentInput } from '@/contract/inputs/customerPage/payOnPage'
import { orderBasketInput, putInBasketInput, tellBasketInput } from '@/contract/inputs/shopfront/basket'
import { addressesWith } from '../addresses'
import { ask } from '../ask'
import { openTill, PASSPHRASE, type Till } from '../browser/till'
import { jsonOf, sentTo } from '../shapes'

/** What strangers and customers may send without signing in, whatever it is: done or refused with a sentence, and nothing of others. */
let till: Till
let port: number
let theirs: { readonly sale: number; readonly customer: number }
let page: string
let duePage: string

const set = async () => {
  await till.request('POST', '/setup', {
    name: 'Strings',
    currency: 'USD',
    passphrase: PASSPHRASE,
    taxCodes: [{ code: 'STD', name: 'Tax', components: [{ name: 'Tax', rate: '0.08' }] }],
  })
  await till.request('PATCH', '/settings', { shopfrontOpen: true })
  const goods = { code: 'RO', name: 'Rosin', kind: 'stock', price: '12.00', onShopfront: true }
  const { body: rosin } = await till.request('POST', '/goods', goods)
  await till.request('POST', '/stock-counts', {
    on: '2026-01-02',
    lines: [{ goodsId: rosin.id, counted: '500', unitCost: '4.00' }],
  })
  const lines = [
    { goodsId: rosin.id, quantity: '2' },
    { description: 'Case', quantity: '1', unitPrice: '80', choice: 'optional' },
  ]
  const offered = async (name: string) => {
    const { body: customer } = await till.request('POST', '/customers', { name })
    const { body: sale } = await till.request('POST', '/sales', { customerId: customer.id, lines })
    await till.request('POST', `/sales/${sale.id}/offer`, {})
    return { sale: sale.id as number, customer: customer.id as number }
  }
  theirs = await offered('Somebody else')
  const own = await offered('Hazel Adair')
  const { body: link } = await till.request('POST', `/sales/${own.sale}/links`, {})
  page = new URL(link.address, till.base).pathname
  const owed = {
    customerId: own.customer,
    agreed: true,
    lines: [{ description: 'Set-up', quantity: '1', unitPrice: '50' }],
  }
  const { body: sold } = await till.request('POST', '/sales', owed)
  await till.request('POST', `/sales/${sold.id}/invoices`, { what: 'remaining', issue: true })
  const { body: open } = await till.request('POST', `/sales/${sold.id}/links`, {})
  duePage = new URL(open.address, till.base).pathname
}
beforeAll(async () => {
  till = await openTill('strangers')
  port = Number(new URL(till.base).port)
  await set()
})
afterAll(() => till.close())

/** What no text can be made of. */
const NO_TEXT = { toString: 1, valueOf: 1 }
const CARDS = ['4000 0000 0000 0000', '4000 0000 0000 0001', '', NO_TEXT, [NO_TEXT], null, 4]

const ACTIONS = [
  ['/api/shop/lines', putInBasketInput],
  ['/api/shop/basket', tellBasketInput],
  ['/api/shop/order', orderBasketInput],
  ['preview', previewChoiceInput],
  ['accept', acceptOfferInput],
  ['refuse', refuseOfferInput],
  ['pay', beginPagePaymentInput],
] as const

const whatIsTheirs = async () => [
  (await till.request('GET', `/sales/${theirs.sale}`)).body,
  (await till.request('GET', `/customers/${theirs.customer}`)).body,
]

describe('without signing in', () => {
  test(
    'whatever is sent is done or refused with a sentence, and touches nobody else',
    { timeout: 120_000 },
    async () => {
      const before = await whatIsTheirs()
      const cookie = `till_basket=${'b'.repeat(30)}`
      const worse: string[] = []
      for (const [action, schema] of ACTIONS) {
        const path = action.startsWith('/') ? action : `/api${page}/${action}`
        const bodies = fc.tuple(sentTo(jsonOf(schema)), fc.constantFrom<unknown>(...CARDS))
        for (const [sent, card] of fc.sample(bodies, { seed: 20_261_129, numRuns: 40 })) {
          // A page's secret is in its address; whatever the body says of it, or of whom it is for, is not heard.
          const said = typeof sent === 'object' && sent !== null ? { ...sent, token: page.split('/').at(-1) } : {}
          const body = { ...said, basketId: 1, customerId: theirs.customer, saleId: theirs.sale, card }
          const { status, type } = await ask(port, {
            method: 'POST',
            path,
            headers: { origin: till.base, cookie },
            body,
          })
          if (status >= 500 || (status >= 400 && !type.startsWith('application/problem+json')))
            worse.push(`${status} ${path} ${JSON.stringify(body)}`)
        }
      }
      expect(worse).toEqual([])
      expect(await whatIsTheirs()).toEqual(before)
      const { ties } = (await till.request('GET', '/books/ties')).body
      expect(ties.filter((t: { difference: string }) => Number(t.difference) !== 0)).toEqual([])
    },
  )

  test.each(CARDS.slice(1))('a card that is none, or refused, pays nothing: %j', async (card) => {
    const receipts = async () => (await till.request('GET', '/receipts')).body.items
    const before = await receipts()
    const path = `/api${duePage}/pay`
    const body = { what: 'open', amount: '10.00', card }
    const paid = await ask(port, { method: 'POST', path, headers: { origin: till.base }, body })
    expect([paid.status, JSON.parse(paid.text).type]).toEqual([422, 'urn:iron-till:problem:card-refused'])
    expect(await receipts()).toEqual(before)
  })

  test.each(['constructor', '2026-02-30', '99999999999999999999', '%_\\'])(
    'pages open, whatever stands in their address: %s',
    async (value) => {
      const pages = addressesWith([page, '/shop', '/sign-in', '/docs/api', '/c/[token]', '/'], value)
      for (const path of pages) expect((await ask(port, { path })).status, path).toBeLessThan(500)
    },
  )
})
