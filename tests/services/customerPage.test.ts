import { beforeAll, describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import { findBusiness, type Business } from '@/data/queries/business'
import { findSales } from '@/data/queries/sales'
import { billSale } from '@/services/billing/billSale'
import { changeSettings } from '@/services/access/changeSettings'
import { acceptOffer, previewChoice, refuseOffer } from '@/services/customerPage/answerOffer'
import { findPage } from '@/services/customerPage/openPage'
import { beginPagePayment } from '@/services/customerPage/payOnPage'
import { mayRead, readPage } from '@/services/customerPage/readPage'
import { takeReceipt } from '@/services/money/takeReceipt'
import { settleCardPayment } from '@/services/money/cardPayment'
import { changeCustomer } from '@/services/people/keepCustomer'
import { giveLink, readLinks, withdrawOneLink, withdrawSaleLinks } from '@/services/post/links'
import { writeLetter } from '@/services/post/writeLetter'
import { declineSale } from '@/services/sales/closeSale'
import { changeSale } from '@/services/sales/changeSale'
import { agreeSale } from '@/services/sales/agreeSale'
import { offerSale } from '@/services/sales/offerSale'
import { startSale } from '@/services/sales/startSale'
import { saleView } from '@/model/sale/saleView'
import { manyHands, openTestShop, type TestShop } from './shop'

beforeAll(manyHands)

let s: TestShop
let business: Business
beforeAll(async () => {
  s = await openTestShop()
  business = (await findBusiness(s.db))!
  await s.run(changeCustomer, { customerId: s.customer, email: 'hazel@mail.example' })
})
const sale = async (lines: object[] = [{ goodsId: s.rosin, quantity: '2' }]) =>
  (await s.answer(startSale, { customerId: s.customer, title: 'Rosin', lines: lines as never })).id
const tokenOf = (address: string) => address.split('/c/')[1]!

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

  test('what was changed since it was sent is neither shown nor answered, until it is sent again', async () => {
    const { saleId, token, page } = await offered()
    const view = async () => (await saleView(s.db, saleId, business, s.today))!
    const shown = () => readPage(s.db, page, business, s.today)
    const { lines } = await view()
    const as = (unitPrice: string) =>
      lines.map((l) => ({
        lineId: l.id,
        ...(l.goodsId === null ? {} : { goodsId: l.goodsId }),
        description: l.description,
        quantity: l.quantity,
        choice: l.choice,
        choiceGroup: l.choiceGroup,
        chosen: l.chosen,
        unitPrice: l.description === 'Finer' ? unitPrice : l.unitPrice,
      }))
    // Somebody has the page open while the owner asks for a thousand more.
    await s.run(changeSale, { saleId, lines: as('3000.00') })
    for (const answer of [
      () => s.refusal(acceptOffer, { token, version: 1, chosen: [lines[1]!.id], name: 'Hazel' }),
      () => s.refusal(refuseOffer, { token, version: 1, name: 'Hazel' }),
      () => s.refusal(previewChoice, { token, chosen: [lines[1]!.id] }),
    ])
      expect(await answer()).toBe('offer-reworked')
    const hidden = await shown()
    expect(hidden).toMatchObject({ sale: null, notShown: 'revised', papers: [] })
    expect(JSON.stringify(hidden)).not.toContain('3000')
    expect(await mayRead(s.db, page, 'estimate', saleId, 'USD')).toBe(false)
    expect((await view()).next).toMatchObject([{ action: 'offer', why: expect.stringContaining('Changed since') }])
    expect(await s.refusal(writeLetter, { paper: 'estimate', paperId: saleId })).toBe('estimate-reworked')
    // As it was sent again, by changing it back or by sending it.
    await s.run(changeSale, { saleId, lines: as('2000.00') })
    expect(await shown()).toMatchObject({ notShown: null, sale: { version: 1 }, papers: [{ kind: 'estimate' }] })
    await s.run(changeSale, { saleId, lines: as('3000.00') })
    await s.run(offerSale, { saleId, validUntil: '2026-03-31' })
    expect(await shown()).toMatchObject({ notShown: null, sale: { version: 2 } })
    // The whole is dearer too where nothing is said of its lines.
    await s.run(changeSale, { saleId, discountPercent: '10' })
    expect((await shown()).notShown).toBe('revised')
    await s.run(offerSale, { saleId, validUntil: '2026-03-31' })
    await s.run(refuseOffer, { token, version: 3, name: 'Hazel' })
    const [closed] = await findSales(s.db, [saleId], 'USD')
    expect(closed).toMatchObject({ closedAs: 'declined', closedReason: 'said no on their page' })
    // One that was being changed when it was called off is not being changed any more.
    const other = await offered()
    await s.run(changeSale, { saleId: other.saleId, discountPercent: '5' })
    await s.run(declineSale, { saleId: other.saleId, reason: 'Elsewhere' })
    const over = await readPage(s.db, other.page, business, s.today)
    expect(over).toMatchObject({ sale: null, notShown: 'over', papers: [] })
  })

  test('a link to what was never sent says that it is being prepared', async () => {
    const saleId = await sale()
    const { address } = await s.answer(giveLink, { saleId })
    const page = (await findPage(s.db, tokenOf(address), s.today))!
    expect(await readPage(s.db, page, business, s.today)).toMatchObject({
      sale: null,
      notShown: 'prepared',
      papers: [],
    })
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

test('eight windows that pay the same debt at once ask the card once', async () => {
  const saleId = await sale()
  await s.run(agreeSale, { saleId })
  const { open } = await s.answer(billSale, { saleId, what: 'remaining', issue: true })
  const token = tokenOf((await s.answer(giveLink, { saleId })).address)
  const begun = await Promise.all(
    Array.from({ length: 8 }, (_, i) =>
      beginPagePayment.answer(s.shop, { token, what: 'open', amount: open }, `window ${i} of sale ${saleId}`),
    ),
  )
  expect(begun.map((b) => (b.ok ? 'begun' : b.error.code)).sort()).toEqual([
    'begun',
    ...Array.from({ length: 7 }, () => 'nothing-to-pay'),
  ])
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
  test('shows what they come for and what is open, however many sales came after it, and says that more is older', async () => {
    const open = await billedSale()
    await s.run(changeSettings, { linksOpenAll: true })
    const saleId = await sale()
    await s.run(offerSale, { saleId, validUntil: '2026-03-31' })
    const look = async () => {
      const token = tokenOf((await s.answer(giveLink, { saleId })).address)
      return readPage(s.db, (await findPage(s.db, token, s.today))!, business, s.today)
    }
    expect(await look()).toMatchObject({ notShown: null, older: false })
    for (let n = 0; n < 31; n++) await sale()
    const later = await look()
    expect(later).toMatchObject({ notShown: null, sale: { id: saleId }, older: true })
    expect(later.papers).toContainEqual(expect.objectContaining({ kind: 'invoice', id: open.invoice.id }))
    expect(later.papers).toContainEqual(expect.objectContaining({ kind: 'estimate', id: saleId }))
    await s.run(changeSettings, { linksOpenAll: false })
  })
  test('shows each of many payments of a sale that is paid off, the first as well', async () => {
    const { page } = await billedSale()
    const [due] = (await readPage(s.db, page, business, s.today)).owes.dues
    // 27.06 is owed: 51 payments come to 25.50.
    const payment = {
      customerId: s.customer,
      amount: '0.50',
      method: 'cash' as const,
      for: [{ dueId: due!.id, amount: '0.50' }],
    }
    const first = await s.run(takeReceipt, payment)
    for (let n = 1; n < 51; n++) await s.run(takeReceipt, payment)
    const { papers, owes } = await readPage(s.db, page, business, s.today)
    expect(owes.total).toBe('1.56')
    expect(papers.filter((p) => p.kind === 'receipt')).toHaveLength(51)
    expect(await mayRead(s.db, page, 'receipt', first, 'USD')).toBe(true)
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
