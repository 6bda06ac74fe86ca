import type { WebDriver } from 'selenium-webdriver'
import { expect } from 'vitest'
import { PASSPHRASE, type Till, handsOn, closeBrowser, openBrowser, openTill } from './till'

/** Three customers, nothing sold: the money of a sale from its agreement on. */
export let till: Till
export let driver: WebDriver
export let i: ReturnType<typeof handsOn>
export const openDesk = async (): Promise<void> => {
  till = await openTill('promises')
  await till.request('POST', '/setup', {
    name: 'Tern Strings',
    currency: 'USD',
    openingDate: '2026-01-01',
    passphrase: PASSPHRASE,
    taxCodes: [{ code: 'STD', name: 'Sales tax', components: [{ name: 'Tax', rate: '0.0825' }] }],
  })
  for (const name of ['Orla Vance', 'Ines Marlowe', 'Piers Hallow'])
    await till.request('POST', '/customers', { name, email: `${name.split(' ')[0]!.toLowerCase()}@mail.example` })
  driver = await openBrowser()
  i = handsOn(driver, till.base)
  await i.signIn()
}
export const closeDesk = async (): Promise<void> => {
  await closeBrowser(driver)
  await till?.close()
}

export const get = async (path: string) => (await till.request('GET', path)).body

export const ORLA = 2

/** An agreed sale of one thing, as over the phone. */
export const agreed = async (unitPrice: string, title = 'A restored cello'): Promise<number> =>
  (
    await till.request('POST', '/sales', {
      customerId: ORLA,
      agreed: true,
      title,
      lines: [{ description: title, quantity: '1', unitPrice }],
    })
  ).body.id

export const handOverAndBill = async (): Promise<void> => {
  await i.click('Hand over')
  await i.see('Work or charge: mark what is done')
  await i.doIt()
  await i.see('Handed over to')
  await i.gone()
  await i.click('Invoice')
  await i.doIt()
  await i.see('issued')
  await i.gone()
}

/** Takes what is proposed for a sale, by transfer. */
export const take = async (saleId: number, amount: string): Promise<void> => {
  await i.go(`/money-in?customer=${ORLA}&sale=${saleId}`)
  await i.see('After this payment')
  await i.type('Amount', amount)
  await i.doIt()
  await i.see('Applied to')
}

export const tiesAgree = async (): Promise<void> => {
  const { ties } = await get('/books/ties')
  expect(ties.filter((t: { difference: string }) => t.difference !== '0.00')).toEqual([])
}
