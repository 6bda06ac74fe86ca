import type { WebDriver } from 'selenium-webdriver'
import { PASSPHRASE, type Till, handsOn, closeBrowser, openBrowser, openTill } from './till'

/** Goods on the shelf and on the shopfront, and a school with prices of its own. */
export let till: Till
export let driver: WebDriver
export let i: ReturnType<typeof handsOn>
export const openDesk = async (): Promise<void> => {
  till = await openTill('front')
  const r = till.request
  await r('POST', '/setup', {
    name: 'Tern Strings',
    currency: 'USD',
    openingDate: '2026-01-01',
    passphrase: PASSPHRASE,
    taxCodes: [{ code: 'STD', name: 'Sales tax', components: [{ name: 'Tax', rate: '0.0825' }] }],
  })
  await r('POST', '/price-levels', { code: 'SCHOOL', name: 'Schools', percentOff: '10' })
  await r('POST', '/customers', { name: 'Alder Street', email: 'alder@mail.example', priceLevel: 'SCHOOL' })
  await r('POST', '/goods', {
    code: 'CASE',
    name: 'Fitted case',
    kind: 'stock',
    price: '185.00',
    onShopfront: true,
  })
  await r('POST', '/goods', {
    code: 'ROS',
    name: 'Rosin',
    kind: 'stock',
    price: '12.50',
    onShopfront: true,
    barcode: '21001',
    prices: [{ fromQuantity: '10', price: '11.00' }],
  })
  await r('POST', '/goods', { code: 'BOW', name: 'Bow', kind: 'stock', price: '229.00' })
  await r('POST', '/stock-counts', {
    lines: [
      { goodsId: 1, counted: '3', unitCost: '90.00' },
      { goodsId: 2, counted: '40', unitCost: '6.00' },
      { goodsId: 3, counted: '2', unitCost: '120.00' },
    ],
  })
  driver = await openBrowser()
  i = handsOn(driver, till.base)
  await i.signIn()
}
export const closeDesk = async (): Promise<void> => {
  await closeBrowser(driver)
  await till?.close()
}

export const get = async (path: string) => (await till.request('GET', path)).body

/** The sale that was written last. */
export const newest = async () => {
  const [sale] = (await get('/sales?limit=1')).items
  return get(`/sales/${sale.id}`)
}
