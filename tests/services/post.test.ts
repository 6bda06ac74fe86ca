import { beforeAll, describe, expect, test } from 'vitest'
import { SMTPServer } from 'smtp-server'
import { simpleParser, type ParsedMail } from 'mailparser'
import { sql } from 'drizzle-orm'
import { sendPost } from '@/clockwork/postman'
import { tick } from '@/clockwork/tick'
import { day, type Day } from '@/core/day'
import { findBusiness, type Business } from '@/data/queries/business'
import { listMailbox } from '@/data/queries/mailbox'
import { listPost } from '@/data/queries/post'
import { billSale } from '@/services/billing/billSale'
import { changeSettings } from '@/services/access/changeSettings'
import { acceptOffer, previewChoice, refuseOffer } from '@/services/customerPage/answerOffer'
import { findPage } from '@/services/customerPage/openPage'
import { beginPagePayment } from '@/services/customerPage/payOnPage'
import { mayRead, readPage } from '@/services/customerPage/readPage'
import { settleCardPayment } from '@/services/money/cardPayment'
import { changeGoods } from '@/services/goods/keepGoods'
import { importGoods } from '@/services/goods/importGoods'
import { dropFile, keepFile } from '@/services/files/keepFile'
import { addPriceLevel } from '@/services/goods/priceLevels'
import { addCustomer, changeCustomer } from '@/services/people/keepCustomer'
import { giveLink, readLinks, withdrawOneLink, withdrawSaleLinks } from '@/services/post/links'
import { dropLetter, keepLetterTemplate, readDraftLetter, writeLetter } from '@/services/post/writeLetter'
import { orderBasket, putInBasket, tellBasket } from '@/services/shopfront/basket'
import { changeSale } from '@/services/sales/changeSale'
import { agreeSale } from '@/services/sales/agreeSale'
import { offerSale } from '@/services/sales/offerSale'
import { startSale } from '@/services/sales/startSale'
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
const letter = async (id: number) => (await listPost(s.db, { id }, { limit: 1 }))[0]!
const sale = async (lines: object[] = [{ goodsId: s.rosin, quantity: '2' }]) =>
  (await s.answer(startSale, { customerId: s.customer, title: 'Rosin', lines: lines as never })).id
const tokenOf = (address: string) => address.split('/c/')[1]!

describe('Post', () => {
  test('fills in whom, about what and in which words; the PDF goes along; the link opens their page', async () => {
    const saleId = await sale()
    await s.run(offerSale, { saleId, validUntil: '2026-03-31' })
    const draft = (await readDraftLetter(s.db, 'estimate', saleId, business, s.today))!
    // 25.00 + 2.0625 → 27.06
    expect(draft).toMatchObject({
      to: 'hazel@mail.example',
      subject: expect.stringMatching(/^Our estimate \d+ for Rosin$/),
    })
    expect(draft.body).toContain('27.06 USD, good through 31 Mar 2026')
    const id = await s.run(writeLetter, {
      paper: 'estimate',
      paperId: saleId,
      subject: draft.subject,
      body: draft.body,
    })
    expect(await letter(id)).toMatchObject({ state: 'waiting' })
    expect(await sendPost(house(), id)).toBe(1)
    expect(await letter(id)).toMatchObject({ state: 'sent', tries: 1, sentOn: s.today })
    const [mail] = await listMailbox(s.db, 1)
    expect(mail).toMatchObject({ recipient: 'hazel@mail.example', attachments: [`estimate-${saleId}.pdf`] })
    const token = /\/c\/([\w-]+)/.exec(mail!.body)![1]!
    expect(await findPage(s.db, token, s.today)).toMatchObject({ customerId: s.customer, saleId })
    expect(
      (await saleView(s.db, saleId, business, s.today))!.trail.some((t) => t.text.startsWith('Mailed: Our estimate')),
    ).toBe(true)
    expect(await s.refusal(dropLetter, { postId: id })).toBe('letter-gone')
    await expect(s.db.execute(sql`update post set body = 'else' where id = ${id}`)).rejects.toThrow()
  })

  test('what fails is tried again and arrives once; what bounces says so', async () => {
    const saleId = await sale()
    const [busy, bounce] = [
      await s.run(writeLetter, { paper: 'estimate', paperId: saleId, to: 'a@busy.example' }),
      await s.run(writeLetter, { paper: 'estimate', paperId: saleId, to: 'a@bounce.example' }),
    ]
    await sendPost(house())
    expect(await letter(busy)).toMatchObject({
      state: 'waiting',
      tries: 1,
      problem: expect.stringContaining('busy'),
    })
    expect(await letter(bounce)).toMatchObject({
      state: 'bounced',
      problem: expect.stringContaining('Nobody'),
    })
    expect(await sendPost(house())).toBe(0) // not before its time
    await sendPost(house(), busy)
    await sendPost(house(), busy)
    expect(await letter(busy)).toMatchObject({ state: 'sent', tries: 2 })
    expect((await listMailbox(s.db, 50)).filter((m) => m.recipient === 'a@busy.example')).toHaveLength(1)
  })

  test('a letter taken by one postman is not taken by another', async () => {
    const saleId = await sale()
    await s.run(writeLetter, { paper: 'estimate', paperId: saleId })
    const tried = await Promise.all([sendPost(house()), sendPost(house()), sendPost(house())])
    expect(tried.reduce((a, b) => a + b)).toBe(1)
  })

  test('goes to a real mail server when one is set, again after it failed, under one message id', async () => {
    const got: ParsedMail[] = []
    let failures = 1
    const server = new SMTPServer({
      authOptional: true,
      disabledCommands: ['STARTTLS'],
      onData: (stream, _session, done) => {
        void simpleParser(stream).then((mail) => {
          if (failures-- > 0) return done(Object.assign(new Error('come back later'), { responseCode: 451 }))
          got.push(mail)
          done()
        })
      },
    })
    await new Promise<void>((ready) => server.listen(0, '127.0.0.1', () => ready()))
    const { port } = server.server.address() as { port: number }
    await s.run(changeSettings, { smtpUrl: `smtp://127.0.0.1:${port}`, email: 'shop@mail.example' })
    const own = { ...house(), business: (await findBusiness(s.db))! }
    const id = await s.run(writeLetter, { paper: 'statement', paperId: s.customer })
    await sendPost(own, id)
    expect(await letter(id)).toMatchObject({ state: 'waiting', tries: 1 })
    await sendPost(own, id)
    expect(await letter(id)).toMatchObject({ state: 'sent' })
    await new Promise<void>((closed) => server.close(() => closed()))
    await s.run(changeSettings, { smtpUrl: '' })
    expect(got).toHaveLength(1)
    expect(got[0]).toMatchObject({
      subject: 'Your statement',
      messageId: `<${(await letter(id)).messageId}>`,
    })
    expect(got[0]!.from!.text).toBe('shop@mail.example')
    expect(got[0]!.attachments[0]).toMatchObject({ contentType: 'application/pdf' })
  })

  test('the owner’s own wording holds, and nobody is written to without an address', async () => {
    await s.run(keepLetterTemplate, {
      paper: 'invoice',
      language: 'en',
      subject: 'Bill {number}',
      body: 'Pay {amount}, {name}.',
    })
    const saleId = await sale()
    await s.run(agreeSale, { saleId })
    const invoice = await s.answer(billSale, { saleId, what: 'remaining' })
    expect(await s.refusal(writeLetter, { paper: 'invoice', paperId: invoice.id })).toBe('not-found') // a draft
    const issued = await s.answer(billSale, { saleId, what: 'remaining', issue: true })
    expect(await readDraftLetter(s.db, 'invoice', issued.id, business, s.today)).toMatchObject({
      subject: `Bill ${issued.number}`,
      body: 'Pay 27.06 USD, Hazel Adair.',
    })
    await s.run(changeCustomer, { customerId: s.customer, email: '' })
    expect(await s.refusal(writeLetter, { paper: 'invoice', paperId: issued.id })).toBe('no-address')
    await s.run(changeCustomer, { customerId: s.customer, email: 'hazel@mail.example' })
  })
})

describe('the customer’s page', () => {
  const offered = async () => {
    const saleId = await sale([
      { goodsId: s.violin, quantity: '1', choice: 'alternative', choiceGroup: 'V' },
      { description: 'Finer', quantity: '1', unitPrice: '2000.00', choice: 'alternative', choiceGroup: 'V' },
      { goodsId: s.rosin, quantity: '2', choice: 'optional' },
    ])
    await s.run(offerSale, { saleId, validUntil: '2026-03-31' })
    const token = tokenOf((await s.answer(giveLink, { saleId })).address)
    return { saleId, token, page: (await findPage(s.db, token, s.today))! }
  }

  test('shows what is theirs, never cost or margin, and takes their choice and their yes', async () => {
    const { saleId, token, page } = await offered()
    const shown = await readPage(s.db, page, business, s.today)
    expect(JSON.stringify(shown)).not.toMatch(/cost|margin|available|onHand/i)
    const [, finer, rosin] = shown.sale!.lines
    // 2,025.00; tax 167.0625 → 167.06
    expect(await s.answer(previewChoice, { token, chosen: [finer!.id, rosin!.id] })).toEqual({
      net: '2025.00',
      tax: '167.06',
      gross: '2192.06',
    })
    // nothing was saved by looking
    expect((await saleView(s.db, saleId, business, s.today))!.totals.net).toBe('1000.00')
    expect(
      await s.refusal(acceptOffer, { token, version: 1, chosen: shown.sale!.lines.map((l) => l.id), name: 'H' }),
    ).toBe('two-of-one-choice')
    await s.run(acceptOffer, { token, version: 1, chosen: [finer!.id], name: 'Hazel', note: 'Soon, please' })
    expect(await saleView(s.db, saleId, business, s.today)).toMatchObject({
      stands: 'agreed',
      yesBy: 'Hazel',
      yesHow: 'on their page: Soon, please',
      totals: { net: '2000.00' },
    })
    expect(await s.refusal(acceptOffer, { token, version: 1, chosen: [], name: 'H' })).toBe('not-offered')
  })

  test('a newer estimate must be read first; a lapsed one asks for renewal; a withdrawn link is closed', async () => {
    const { saleId, token } = await offered()
    await s.run(changeSale, { saleId, lines: [{ goodsId: s.rosin, quantity: '1' }] })
    await s.run(offerSale, { saleId, validUntil: '2026-03-31' })
    expect(await s.refusal(acceptOffer, { token, version: 1, chosen: [], name: 'H' })).toBe('newer-offer')
    const later = await acceptOffer.answer(
      { db: s.db, today: day('2026-04-01') },
      { token, version: 2, chosen: [], name: 'H' },
      null,
    )
    expect(later).toMatchObject({ ok: false, error: { code: 'offer-lapsed' } })
    await s.run(refuseOffer, { token, version: 2, name: 'Hazel', reason: 'Too dear' })
    expect(await saleView(s.db, saleId, business, s.today)).toMatchObject({ stands: 'declined' })
    await s.run(withdrawSaleLinks, { saleId })
    expect(await s.refusal(acceptOffer, { token, version: 2, chosen: [], name: 'H' })).toBe('link-closed')
    expect(await findPage(s.db, 'not-a-real-secret-of-anybody', s.today)).toBeNull()
  })

  test('opens only their own papers', async () => {
    const { page, saleId } = await offered()
    const other = { ...page, customerId: page.customerId + 1 }
    expect(await mayRead(s.db, page, 'estimate', saleId, 'USD')).toBe(true)
    expect(await mayRead(s.db, other, 'estimate', saleId, 'USD')).toBe(false)
    expect(await mayRead(s.db, page, 'pick-list', saleId, 'USD')).toBe(false)
    expect(await mayRead(s.db, page, 'confirmation', saleId, 'USD')).toBe(false)
  })

  test('a card that answers twice makes one receipt; more than is open is not taken', async () => {
    const { saleId, token } = await offered()
    await s.run(agreeSale, { saleId })
    await s.run(billSale, { saleId, what: 'remaining', issue: true })
    const open = (await readPage(s.db, (await findPage(s.db, token, s.today))!, business, s.today)).owes.total
    expect(await s.refusal(beginPagePayment, { token, what: 'open', amount: '99999.00' })).toBe('more-than-to-pay')
    expect(await s.refusal(beginPagePayment, { token, what: 'deposit', amount: '1.00' })).toBe('nothing-to-pay')
    const { reference } = await s.answer(beginPagePayment, { token, what: 'open', amount: open })
    const answers = await Promise.all(
      [1, 2].map(() => settleCardPayment.answer(s.shop, { reference, approved: true }, null)),
    )
    const numbers = answers.map((a) => (a.ok ? a.value?.number : 'refused'))
    expect(numbers[0]).toBe(numbers[1])
    expect(await s.refusal(beginPagePayment, { token, what: 'open', amount: '1.00' })).toBe('nothing-to-pay')
    expect(await s.ties()).toEqual([])
  })
})

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

describe('a link', () => {
  const billedSale = async () => {
    const saleId = await sale()
    await s.run(agreeSale, { saleId })
    const invoice = await s.answer(billSale, { saleId, what: 'remaining', issue: true })
    const address = (await s.answer(giveLink, { saleId })).address
    return {
      saleId,
      invoice,
      token: tokenOf(address),
      page: (await findPage(s.db, tokenOf(address), s.today))!,
    }
  }
  test('opens its own sale alone, unless the owner chose that it opens everything', async () => {
    const [one, other] = [await billedSale(), await billedSale()]
    expect(await mayRead(s.db, one.page, 'invoice', one.invoice.id, 'USD')).toBe(true)
    expect(await mayRead(s.db, one.page, 'invoice', other.invoice.id, 'USD')).toBe(false)
    expect(await mayRead(s.db, one.page, 'statement', s.customer, 'USD')).toBe(false)
    const shown = await readPage(s.db, one.page, business, s.today)
    expect(shown.owes.total).toBe(one.invoice.open)
    expect(shown.papers.map((p) => p.id)).not.toContain(other.invoice.id)
    await s.run(changeSettings, { linksOpenAll: true })
    const all = await billedSale()
    expect(await mayRead(s.db, all.page, 'invoice', other.invoice.id, 'USD')).toBe(true)
    await s.run(changeSettings, { linksOpenAll: false })
  })
  test('ends on a day, and each can be turned off', async () => {
    const { token } = await billedSale()
    expect(await findPage(s.db, token, day('2026-08-28'))).not.toBeNull()
    expect(await findPage(s.db, token, day('2026-08-29'))).toBeNull()
    const [newest] = await readLinks(s.db, s.customer, s.today)
    await s.run(withdrawOneLink, { linkId: newest!.id })
    expect(await findPage(s.db, token, s.today)).toBeNull()
  })
  test('three payments at once pay a debt once', async () => {
    const { token, invoice } = await billedSale()
    const begun = await Promise.all(
      [1, 2, 3].map(() => beginPagePayment.answer(s.shop, { token, what: 'open', amount: invoice.open }, null)),
    )
    expect(begun.map((b) => (b.ok ? 'begun' : b.error.code)).sort()).toEqual([
      'begun',
      'nothing-to-pay',
      'nothing-to-pay',
    ])
  })
})

describe('files', () => {
  const png = Buffer.from('89504e470d0a1a0a00', 'hex').toString('base64')
  test('the first picture of goods is theirs; what it is, its bytes say', async () => {
    const file = await s.answer(keepFile, {
      ownerKind: 'goods',
      ownerId: s.rosin,
      name: 'rosin.html',
      base64: png,
    })
    expect(file.type).toBe('image/png')
    const page = await s.answer(keepFile, {
      ownerKind: 'goods',
      ownerId: s.rosin,
      name: 'x.png',
      base64: Buffer.from('<script>').toString('base64'),
    })
    expect(page.type).toBe('application/octet-stream')
    expect(
      await s.refusal(keepFile, {
        ownerKind: 'business',
        name: 'mark',
        base64: Buffer.from('GIF89a').toString('base64'),
      }),
    ).toBe('invalid')
    expect(await s.refusal(keepFile, { ownerKind: 'goods', ownerId: 99999, name: 'x', base64: png })).toBe('not-found')
    expect(await s.refusal(keepFile, { ownerKind: 'goods', ownerId: s.rosin, name: 'x', base64: '' })).toBe('invalid')
    await s.run(dropFile, { fileId: file.id })
  })
})

describe('an import', () => {
  const csv = (rows: string[]) =>
    Buffer.from(['Code;Name;Kind;Price;Tags', ...rows].map((r) => r.replaceAll(';', ',')).join('\r\n')).toString(
      'base64',
    )
  test('of 5,000 goods tells its 7 bad rows, writes nothing then, and the rest when asked to', async () => {
    const bad: Readonly<Record<number, string>> = {
      10: ';No code;stock;1.00;', // no code
      500: 'I500;;stock;1.00;', // no name
      1000: 'I1000;Dear;stock;-1.00;', // below zero
      1500: 'I1500;What;piano;1.00;', // no such kind
      2000: 'I7;Twice;stock;1.00;', // a code that stood before
      3000: 'I3000;Price;stock;free;', // not a number
      4999: `${'X'.repeat(41)};Long;stock;1.00;`, // too long
    }
    const rows = Array.from({ length: 5000 }, (_, i) => bad[i] ?? `I${i};Thing ${i};stock;${(i % 90) + 1}.50;a|b`)
    const base64 = csv(rows)
    const looked = await s.answer(importGoods, { base64 })
    expect(looked).toMatchObject({ rows: 5000, added: 4993, changed: 0, written: false })
    // the column names are row 1, so the first thing stands in row 2
    expect(looked.problems.map((p) => p.row)).toEqual([12, 502, 1002, 1502, 2002, 3002, 5001])
    const count = async () =>
      Number((await s.db.execute<{ n: string }>(sql`select count(*) as n from goods where code like 'I%'`))[0]!.n)
    expect(await s.refusal(importGoods, { base64, mode: 'all' })).toBe('rows-wrong')
    expect(await count()).toBe(0)
    expect(await s.answer(importGoods, { base64, mode: 'good' })).toMatchObject({ written: true })
    expect(await count()).toBe(4993)
    const again = await s.answer(importGoods, { base64: csv(['I1;Renamed;stock;2;']), mode: 'all' })
    expect(again).toMatchObject({ added: 0, changed: 1 })
  })

  test('says what is wrong with a file that is none', async () => {
    expect(await s.refusal(importGoods, { base64: Buffer.from([0x50, 0x4b, 3, 4, 9, 9]).toString('base64') })).toBe(
      'invalid',
    )
    expect(await s.refusal(importGoods, { base64: Buffer.from('a,b\n1,2').toString('base64') })).toBe('invalid')
    expect(await s.refusal(importGoods, { base64: Buffer.from([0, 1, 2, 255]).toString('base64') })).toBe('invalid')
  })
})

test('the clockwork makes what is due and posts what goes out by itself', async () => {
  process.env.TILL_TODAY = s.today
  const { startRepeat } = await import('@/services/sales/keepRepeat')
  const saleId = await sale([{ description: 'Rental', quantity: '1', unitPrice: '26.00' }])
  await s.run(startRepeat, { saleId, every: 'month', firstOn: s.today, makes: 'invoice', byItself: true })
  await tick(s.db)
  const [newest] = await listPost(s.db, { customerId: s.customer }, { limit: 1 })
  expect(newest).toMatchObject({ paper: 'invoice', state: 'sent' })
  delete process.env.TILL_TODAY
})
