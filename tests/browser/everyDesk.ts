import axe from 'axe-core'
import type { WebDriver } from 'selenium-webdriver'
import type { Driver } from 'selenium-webdriver/chrome'
import { expect } from 'vitest'
import { complaintsOf } from '../../scripts/browser'
import { ofx } from '../files/statements'
import { OUT_OF_PLACE, UNREADABLE_ON_PHONE } from './outOfPlace'
import { handsOn, openBrowser, openTill, PASSPHRASE, setSize, type Till } from './till'

export let till: Till
export let driver: WebDriver
let own = '/'
const long =
  'Worshipful Company of Streichinstrumentenbaumeisterhandwerkergenossenschaftsangehörigen of Outer Islands, Junior Section'
/** Something is ordered of somebody, comes, is billed and paid. */
const buySome = async (r: Till['request'], goodsId: number): Promise<void> => {
  const { id: supplierId } = (await r('POST', '/suppliers', { name: long })).body
  const order = (
    await r('POST', '/purchase-orders', { supplierId, lines: [{ goodsId, quantity: '2', unitCost: '90' }] })
  ).body
  const lines = [{ lineId: order.lines[0].id, quantity: '2' }]
  const came = (await r('POST', '/goods-received', { purchaseOrderId: order.id, lines })).body
  const bill = { supplierId, theirNumber: 'B-1', lines: [{ receivedLineId: came.lines[0].id }] }
  const { id: billId } = (await r('POST', '/bills', bill)).body
  await r('POST', '/supplier-payments', {
    supplierId,
    from: 'bank',
    amount: '180.00',
    for: [{ billId, amount: '180.00' }],
  })
  await r('POST', '/purchase-orders', { supplierId, lines: [{ goodsId, quantity: '3', unitCost: '91' }] })
}
/** Goods of one number each, and of one batch. */
const keepPieces = async (r: Till['request']): Promise<void> => {
  const violin = { code: 'V1', name: `Violin for ${long}`, kind: 'stock', price: '900.00', track: 'serial' }
  const { id: violinId } = (await r('POST', '/goods', violin)).body
  const rosin = { code: 'R1', name: `Rosin for ${long}`, kind: 'stock', price: '12.00', track: 'lot' }
  const { id: rosinId } = (await r('POST', '/goods', rosin)).body
  const lot = { code: 'A-7', expires: '2027-01-31' }
  await r('POST', '/stock-counts', {
    lines: [
      { goodsId: violinId, serials: ['FS-103'], unitCost: '400' },
      { goodsId: rosinId, lot, counted: '5', unitCost: '4' },
    ],
  })
}
/** A business with one of everything, and names as long as they come. */
export const openFullDesk = async (name: string): Promise<void> => {
  till = await openTill(name)
  const r = till.request
  await r('POST', '/setup', {
    name: 'Everyone',
    currency: 'USD',
    // Figures of these tours have a comma: one that nobody wrote for the business has a point.
    locale: 'de-DE',
    openingDate: '2026-01-01',
    passphrase: PASSPHRASE,
  })
  const customer = (await r('POST', '/customers', { name: long, terms: { net: 0 } })).body
  const goods = (await r('POST', '/goods', { code: 'G1', name: `Case for ${long}`, kind: 'stock', price: '185.00' }))
    .body
  await r('POST', '/stock-counts', {
    on: '2026-01-02',
    lines: [{ goodsId: goods.id, counted: '9', unitCost: '90.00' }],
  })
  const lines = [
    { goodsId: goods.id, quantity: '2' },
    { description: 'Work', quantity: '1', unitPrice: '72.00' },
  ]
  const sale = (await r('POST', '/sales', { customerId: customer.id, lines, on: '2026-01-02' })).body
  await r('POST', `/sales/${sale.id}/agree`, { on: '2026-01-03' })
  await r('POST', `/sales/${sale.id}/handovers`, { on: '2026-01-04' })
  await r('POST', `/sales/${sale.id}/invoices`, { on: '2026-01-05', what: 'remaining', issue: true })
  await r('POST', '/receipts', {
    on: '2026-01-06',
    customerId: customer.id,
    method: 'cash',
    amount: '100.00',
  })
  await r('POST', '/receipts', {
    on: '2026-01-06',
    customerId: customer.id,
    method: 'card',
    amount: '50.00',
    for: 'account',
  })
  const choices = [
    { kind: 'heading', description: long },
    { goodsId: goods.id, quantity: '1', choice: 'alternative', choiceGroup: 'Cases' },
    { description: 'Another', quantity: '1', unitPrice: '1.00', choice: 'alternative', choiceGroup: 'Cases' },
    { kind: 'text', description: long },
  ]
  const offered = (await r('POST', '/sales', { customerId: customer.id, lines: choices, discountPercent: '5' })).body
  await r('POST', `/sales/${offered.id}/offer`, {})
  await r('POST', `/sales/${offered.id}/change`, { lines: [...lines, ...choices] })
  await r('POST', `/sales/${offered.id}/offer`, {})
  await r('PATCH', '/customers/2', { email: 'long@mail.example', tags: ['cases'] })
  await r('POST', '/post', { paper: 'estimate', paperId: offered.id })
  await r('POST', `/sales/${offered.id}/repeats`, { every: 'month', firstOn: '2026-03-20', makes: 'offer' })
  await buySome(r, goods.id)
  await r(
    'POST',
    `/sales/${(await r('POST', '/sales', { customerId: customer.id, agreed: true, lines })).body.id}/picks`,
    {},
  )
  await keepPieces(r)
  const { id: bankAccountId } = (await r('POST', '/bank/accounts', { name: long.slice(0, 80) })).body
  const file = { 'content-type': 'application/octet-stream' }
  await r('POST', `/bank/statements?bankAccountId=${bankAccountId}&name=march.ofx`, ofx(), file)
  await r('POST', '/tax-returns', { from: '2026-01-01', through: '2026-02-28' })
  await r('PATCH', '/settings', { shopfrontOpen: true })
  await r('PATCH', `/goods/${goods.id}`, { onShopfront: true })
  own = new URL((await r('POST', `/sales/${offered.id}/links`, {})).body.address).pathname
  driver = await openBrowser()
  // What looks for barriers is there on every page.
  await (driver as Driver).sendDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', { source: axe.source })
  const i = handsOn(driver, till.base)
  await i.signIn()
  await i.go('/shop')
  await i.click(`Add to basket: Case for ${long}`)
  await i.see('Your name')
}
export const closeFullDesk = async (): Promise<void> => {
  // Its pages come with what looks for barriers: no other file goes on with it.
  await driver?.quit()
  await till?.close()
}

const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']

/** What depends on the width alone. */
const BY_WIDTH = ['target-size', 'scrollable-region-focusable']

/**
 * Marks what is read in colours that were not looked at yet in this tour, at this width: its own, its size and weight, and whatever lies
 * behind it. A row of a list has those of the row before, and each page the frame of the others; judging them again took half of axe's time.
 */
const MARK_NEW_LOOKS = `
  const looked = new Set(JSON.parse(sessionStorage.getItem('looked') ?? '[]'))
  const grounds = new Map([[null, innerWidth + '']])
  const groundOf = (e) => {
    if (!grounds.has(e)) {
      const { backgroundColor, backgroundImage, opacity, position, zIndex } = getComputedStyle(e)
      const plain = backgroundColor === 'rgba(0, 0, 0, 0)' && backgroundImage === 'none' && opacity === '1' && position === 'static'
      const around = groundOf(e.parentElement)
      grounds.set(e, plain ? around : [around, backgroundColor, backgroundImage, opacity, position, zIndex].join())
    }
    return grounds.get(e)
  }
  for (const e of document.body.querySelectorAll('*')) {
    const isRead = e.matches('input, select, textarea') || [...e.childNodes].some((n) => n.nodeType === 3 && n.data.trim() !== '')
    if (!isRead || !e.checkVisibility()) continue
    const { color, fontSize, fontWeight, textShadow } = getComputedStyle(e)
    const look = [groundOf(e), color, fontSize, fontWeight, textShadow, e.matches(':disabled, [aria-disabled=true]')].join()
    e.toggleAttribute('data-new-look', !looked.has(look))
    looked.add(look)
  }
  sessionStorage.setItem('looked', JSON.stringify([...looked]))
  axe.configure({ rules: [{ id: 'color-contrast', selector: '[data-new-look]' }] })`

/** Everything axe finds in the page, or in a part of it: each rule with the first places it is broken at. */
export const barriers = (part = 'html', rules: readonly string[] = TAGS): Promise<string[]> =>
  driver.executeAsyncScript(
    `const [part, rules, done] = arguments
     ${rules === TAGS ? MARK_NEW_LOOKS : ''}
     axe.run(part, { runOnly: rules, resultTypes: ['violations'] }).then(
       ({ violations }) => done(violations.map((v) => v.id + ': ' + v.nodes.slice(0, 3).map((n) => n.target.join(' ')).join(' | '))),
       (broken) => done([String(broken)]),
     )`,
    part,
    rules,
  )
/** The page is drawn as it is now: two frames later everything has its place. */
const drawn = () =>
  driver.executeAsyncScript(
    'const done = arguments[0]; document.fonts.ready.then(() => requestAnimationFrame(() => requestAnimationFrame(() => done())))',
  )
/** Lines below what is seen have their place only once somebody comes there: here they have it at once. */
const LAY_OUT_ALL = `
  const all = new CSSStyleSheet()
  all.replaceSync('* { content-visibility: visible !important }')
  document.adoptedStyleSheets = [...document.adoptedStyleSheets, all]`
const outOfPlace = () => driver.executeScript<string[]>(OUT_OF_PLACE)

/** Every amount on the page as large as a good year's, in a currency of small units. */
const GREAT = `
  const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
  while (texts.nextNode())
    if (!texts.currentNode.parentElement.closest('script, style'))
      texts.currentNode.data = texts.currentNode.data.replace(/\\b\\d[\\d.]*,\\d\\d\\b(?!%)/g, '12.345.678,90')`

/** Figures that are not written as the business writes them. */
const WRITTEN_OTHERWISE = `
  const figures = /(?<![\\w.,:\\/-])(?<!UBL |OpenAPI )\\d+\\.\\d{1,2}(?![\\d.])|\\d,\\d{3}\\.\\d/g
  const texts = document.createTreeWalker(document.querySelector('[role=dialog]') ?? document.body, NodeFilter.SHOW_TEXT)
  const found = []
  while (texts.nextNode())
    if (!texts.currentNode.parentElement.closest('script, style, pre, code')) found.push(...(texts.currentNode.data.match(figures) ?? []))
  for (const field of document.querySelectorAll('input[inputmode=decimal]')) found.push(...(field.value.match(figures) ?? []))
  return found`
const writtenOtherwise = () => driver.executeScript<string[]>(WRITTEN_OTHERWISE)

/** What is wrong with the panel a page opens with, as wide as the window is. */
export const panelLooksRight = async (path: string): Promise<string[]> => {
  await handsOn(driver, till.base).go(path)
  const panels = 'return document.querySelectorAll("[role=dialog]").length'
  await driver.wait(async () => (await driver.executeScript(panels)) === 1, 8000, 'not one panel')
  await drawn()
  return [
    ...(await complaintsOf(driver)),
    ...(await barriers('[role=dialog]', [...BY_WIDTH, 'label', 'button-name'])),
    ...(await outOfPlace()),
    ...(await writtenOtherwise()),
  ]
}

/** Phones, tablets, a desk, and what is left of it by zooming in: twice as large, and four times, as narrow as the smallest phone. */
const SIZES = [
  [320, 844],
  [390, 844],
  [640, 400],
  [768, 844],
  [1024, 844],
  [1280, 844],
] as const

/**
 * What a phone shows is what the desk shows, where each page is asked everything: names, colours, how it is built. That takes half of
 * a tour. On a phone only these pages are asked everything, which have what phones alone have; the others, what depends on the width.
 */
const WHOLE_ON_PHONE = ['/today', '/sales', '/sales/1', '/sales/new', '/shop', 'own page']

/** A view has no barrier that axe can find, one heading, and nothing over the side: zoomed too, and on a phone. */
export const looksRight = async (path: string): Promise<void> => {
  await handsOn(driver, till.base).go(path === 'own page' ? own : path)
  await driver.wait(
    async () => (await driver.executeScript('return document.querySelectorAll("h1").length')) === 1,
    8000,
    'not one heading',
  )
  await driver.executeScript(LAY_OUT_ALL)
  await drawn()
  expect(await driver.executeScript('return document.querySelector("h1").textContent')).not.toBe('Page not found')
  expect(await complaintsOf(driver)).toEqual([])
  expect(await barriers()).toEqual([])
  expect(await writtenOtherwise()).toEqual([])
  expect(await outOfPlace()).toEqual([])
  expect(await driver.executeScript('return document.querySelectorAll("main .btn-do").length')).toBeLessThanOrEqual(1)
  await driver.executeScript(GREAT)
  try {
    for (const [width, height] of SIZES) {
      await setSize(driver, width, height)
      await drawn()
      expect([width, await outOfPlace()]).toEqual([width, []])
      if (width !== 390) continue
      expect(await barriers('html', WHOLE_ON_PHONE.includes(path) ? TAGS : BY_WIDTH)).toEqual([])
      expect(await driver.executeScript<string[]>(UNREADABLE_ON_PHONE)).toEqual([])
    }
  } finally {
    await setSize(driver, 1280, 800)
  }
}
