import { beforeAll, describe, expect, test } from 'vitest'
import { sql } from 'drizzle-orm'
import { sendPost } from '@/clockwork/postman'
import { day, type Day } from '@/core/day'
import { findBusiness, type Business } from '@/data/queries/business'
import { listHeld } from '@/data/queries/held'
import { listMailbox } from '@/data/queries/mailbox'
import { listPost } from '@/data/queries/post'
import { changeSettings } from '@/services/access/changeSettings'
import { acceptOffer } from '@/services/customerPage/answerOffer'
import { copySale } from '@/services/sales/copySale'
import { offerSale } from '@/services/sales/offerSale'
import { cancelSale } from '@/services/sales/closeSale'
import { changeSale } from '@/services/sales/changeSale'
import { settleCardPayment } from '@/services/money/cardPayment'
import { changeGoods } from '@/services/goods/keepGoods'
import { addPriceLevel, addTaxArea } from '@/services/goods/priceLevels'
import { addCustomer, changeCustomer } from '@/services/people/keepCustomer'
import { orderBasket, putInBasket, tellBasket } from '@/services/shopfront/basket'
import { saleView } from '@/model/sale/saleView'
import { openTestShop, type TestShop } from './shop'

let s: TestShop
let business: Business
beforeAll(async () => {
  s = await openTestShop()
  business = (await findBusiness(s.db))!
  await s.run(changeCustomer, { customerId: s.customer, email: 'hazel@mail.example' })
})
const house = () => ({ db: s.db, business, today: s.today })

describe('the shopfront', () => {
  test('is closed until wanted; a basket is seen from both sides and becomes an order without retyping', async () => {
    const secret = 'a-secret-of-one-browser'
    expect(await s.refusal(putInBasket, { secret, goodsId: s.rosin, quantity: '1' })).toBe('shopfront-closed')
    await s.run(changeSettings, { shopfrontOpen: true })
    expect(await s.refusal(putInBasket, { secret, goodsId: s.rosin, quantity: '1' })).toBe('not-found') // not marked for it
    await s.run(changeGoods, { goodsId: s.rosin, onShopfront: true })
    const basket = await s.answer(putInBasket, { secret, goodsId: s.rosin, quantity: '2' })
    expect(basket).toMatchObject({ turn: 1, totals: { gross: '27.06' } })
    const byOwner = await s.answer(putInBasket, { basketId: basket.id, goodsId: s.rosin, quantity: '3' })
    // 37.50 + 3.09375 → 3.09
    expect(byOwner).toMatchObject({ turn: 2, totals: { gross: '40.59' } })
    expect(await s.refusal(orderBasket, { secret, turn: 1 })).toBe('basket-moved')
    expect(await s.refusal(orderBasket, { secret, turn: 2 })).toBe('invalid')
    const told = await s.answer(tellBasket, {
      secret,
      name: 'Zeno Quill',
      email: 'zeno@mail.example',
      deliverTo: '3 Bell Street',
    })
    const ordered = await s.answer(orderBasket, { secret, turn: told.turn, pay: 'card' })
    const view = async () => (await saleView(s.db, ordered.saleId, (await findBusiness(s.db))!, s.today))!
    // Until it is paid it is an offer that sets nothing aside.
    expect(await view()).toMatchObject({
      stands: 'offered',
      channel: 'shopfront',
      deliverTo: '3 Bell Street',
      totals: { gross: '40.59' },
      lines: [{ setAside: '0' }],
      next: [{ action: 'confirm-order' }],
    })
    await s.answer(settleCardPayment, { reference: ordered.reference!, approved: true })
    expect(await view()).toMatchObject({
      stands: 'agreed',
      money: { held: '40.59' },
      lines: [{ setAside: '3' }],
    })
    expect(await s.refusal(orderBasket, { secret, turn: told.turn })).toBe('basket-gone')
    expect(await s.ties()).toEqual([])
  })
})

describe('a stranger at the shopfront', () => {
  const basketOf = async (secret: string, facts: object, goodsId: number) => {
    await s.answer(putInBasket, { secret, goodsId, quantity: '2' })
    return s.answer(tellBasket, { secret, ...facts })
  }
  test('who types a known customer’s address gets their name on nothing: list price, paid first, a link to the address on file', async () => {
    await s.run(addPriceLevel, { code: 'DEALER', name: 'Dealers', percentOff: '50' })
    const known = await s.run(addCustomer, {
      name: 'Orla Finch',
      email: 'orla@mail.example',
      priceLevel: 'DEALER',
      terms: { net: 60 },
      addresses: [{ kind: 'deliver-to', text: '9 Secret Lane' }],
    })
    await s.run(changeSettings, { shopfrontOpen: true })
    await s.run(changeGoods, { goodsId: s.rosin, onShopfront: true })
    const basket = await basketOf(
      'a-secret-of-a-stranger',
      { name: 'Somebody Else', email: 'ORLA@mail.example' },
      s.rosin,
    )
    const ordered = await s.answer(orderBasket, { secret: 'a-secret-of-a-stranger', turn: basket.turn })
    const sale = (await saleView(s.db, ordered.saleId, business, s.today))!
    // 2 × 12.50 at list, not half of it; 25.00 + 2.06 tax
    expect(sale).toMatchObject({
      customerId: known,
      stands: 'offered',
      totals: { gross: '27.06' },
      billTo: 'Somebody Else',
      arrangement: { kind: 'deposit', percent: '100' },
    })
    expect(JSON.stringify(sale)).not.toContain('Secret Lane')
    const [waiting] = await listPost(s.db, { saleId: ordered.saleId }, { limit: 1 })
    expect(waiting).toMatchObject({ recipient: 'orla@mail.example', state: 'waiting' })
    await sendPost(house(), waiting!.id)
    const [mail] = await listMailbox(s.db, 1)
    const token = /\/c\/([\w-]+)/.exec(mail!.body)![1]!
    await s.run(acceptOffer, { token, version: 1, chosen: [], name: 'Orla Finch' })
    expect((await saleView(s.db, ordered.saleId, business, s.today))!.stands).toBe('agreed')
    expect((await listPost(s.db, { id: waiting!.id }, { limit: 1 }))[0]!.body).not.toContain(token)
  })
  test('an order the owner changed waits for their yes, also where the card pays what it came to before', async () => {
    const secret = 'a-secret-of-somebody-new'
    const basket = await basketOf(secret, { name: 'Ida Moss', email: 'ida@mail.example' }, s.rosin)
    const ordered = await s.answer(orderBasket, { secret, turn: basket.turn, pay: 'card' })
    await s.run(changeSale, { saleId: ordered.saleId, lines: [{ goodsId: s.rosin, quantity: '9' }] })
    await s.answer(settleCardPayment, { reference: ordered.reference!, approved: true })
    expect(await saleView(s.db, ordered.saleId, business, s.today)).toMatchObject({
      stands: 'offered',
      money: { held: '27.06' },
      next: [{ action: 'confirm-order' }],
    })
    // Written again by the owner, it is an estimate like any other.
    const again = await s.answer(copySale, { saleId: ordered.saleId })
    await s.run(offerSale, { saleId: again.id })
    expect(await saleView(s.db, again.id, business, s.today)).toMatchObject({ channel: 'phone', next: [] })
  })
  test('who pays an order that is called off meanwhile has their money on account', async () => {
    const secret = 'a-secret-of-who-comes-late'
    const basket = await basketOf(secret, { name: 'Lena Late', email: 'lena@mail.example' }, s.rosin)
    const { saleId, reference } = await s.answer(orderBasket, { secret, turn: basket.turn, pay: 'card' })
    await s.run(cancelSale, { saleId, reason: 'Sold out' })
    expect(await s.answer(settleCardPayment, { reference: reference!, approved: true })).toMatchObject({
      amount: '27.06',
    })
    const { customerId } = (await saleView(s.db, saleId, business, s.today))!
    expect(await listHeld(s.db, { customerId }, 'USD')).toMatchObject([{ kind: 'account', amount: { minor: 2706n } }])
    expect(await s.ties()).toEqual([])
  })
  test('pays what they saw, and looks again where a price changed since', async () => {
    const secret = 'a-secret-of-who-looks-twice'
    await s.run(addTaxArea, { code: 'OUT', name: 'Out of state', taxCode: 'ZERO' })
    await s.run(addCustomer, {
      name: 'Far Away',
      email: 'far@mail.example',
      addresses: [{ kind: 'deliver-to', text: '1 Far Road', taxArea: 'OUT' }],
    })
    const { turn, totals } = await basketOf(secret, { name: 'Far Away', email: 'far@mail.example' }, s.rosin)
    const order = { secret, turn, total: totals.gross, pay: 'card' as const }
    await s.run(changeGoods, { goodsId: s.rosin, price: '99.00' })
    expect(await s.refusal(orderBasket, order)).toBe('basket-moved')
    await s.run(changeGoods, { goodsId: s.rosin, price: '12.50' })
    // Taxed as the shopfront said, also where the one whose address it is would be taxed otherwise.
    const { saleId } = await s.answer(orderBasket, order)
    expect(await saleView(s.db, saleId, business, s.today)).toMatchObject({ totals: { gross: totals.gross } })
  })
  test('so many orders from one address, and no more', async () => {
    const orderOnce = async (n: number) => {
      const secret = `a-secret-of-a-flood-${n}`
      const basket = await basketOf(secret, { name: 'Flood', email: 'flood@mail.example' }, s.rosin)
      return s.refusal(orderBasket, { secret, turn: basket.turn })
    }
    const outcomes: string[] = []
    for (let n = 0; n < 5; n++) outcomes.push(await orderOnce(n))
    expect(outcomes).toEqual(['not refused', 'not refused', 'not refused', 'shop-full', 'shop-full'])
  })
  test('baskets nobody ordered are forgotten after 30 days, and no more than 500 are begun on a day', async () => {
    const begin = (n: string, on: Day) =>
      putInBasket.answer(
        { ...s.shop, today: on },
        { secret: `a-basket-of-${n}`, goodsId: s.rosin, quantity: '1' },
        null,
      )
    const begun = async (on: Day): Promise<number> =>
      Number(
        (await s.db.execute<{ n: number }>(sql`select count(*)::int as n from basket where started_on = ${on}`))[0]!.n,
      )
    await begin('old', day('2026-06-01'))
    await s.db.execute(sql`update basket set touched_at = now() - interval '31 days' where started_on = '2026-06-01'`)
    expect(await begun(day('2026-06-01'))).toBe(1)
    await begin('thirty-days-later', day('2026-07-01'))
    expect(await begun(day('2026-06-01'))).toBe(1)
    await begin('a-day-after-that', day('2026-07-02'))
    expect(await begun(day('2026-06-01'))).toBe(0)
    await s.db.execute(
      sql`insert into basket (token_hash, started_on) select 'flood ' || n, '2026-07-02' from generate_series(2, 500) n`,
    )
    expect(await begin('one-too-many', day('2026-07-02'))).toMatchObject({
      ok: false,
      error: { code: 'shop-full' },
    })
    // Whoever has one goes on with it.
    expect(await begin('a-day-after-that', day('2026-07-02'))).toMatchObject({ ok: true })
  })
})
