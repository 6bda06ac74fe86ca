import { By } from 'selenium-webdriver'
import { generateSync } from 'otplib'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { PASSPHRASE } from './till'
import { closeDesk, driver, i, openEmptyDesk, till } from './emptyDesk'

beforeAll(async () => {
  await openEmptyDesk('codes')
  await till.request('POST', '/setup', { name: 'Tern Strings', currency: 'USD', passphrase: PASSPHRASE })
  await i.signIn()
})
afterAll(closeDesk)

const focused = (): Promise<string | null> =>
  driver.executeScript(
    'return document.querySelector(`label[for="${document.activeElement.id}"]`)?.textContent ?? null',
  )

test('signing in takes a code of the owner’s app from when one was shown, by keys alone', async () => {
  await i.go('/settings/access')
  await i.type('Your passphrase', PASSPHRASE)
  await i.click('Set up one-time codes')
  await i.see('Scan this with your authenticator app')
  const secret = (await driver.findElement(By.css('img + p code')).getText()).replaceAll(' ', '')
  const now = Math.floor(Date.now() / 1000)
  await i.type('Code', '000000')
  await i.click('Turn on')
  await i.see('Wrong code.')
  await i.type('Code', generateSync({ secret, epoch: now }))
  await i.click('Turn on')
  await i.see('Signing in takes a code as well')
  await i.see('Spare codes left: 8.')
  await i.click('Sign out')
  await i.see('Tern Strings')
  await i.type('Passphrase', PASSPHRASE)
  await i.click('Sign in')
  await i.see('Enter the code your authenticator app shows.')
  expect(await focused()).toBe('Code')
  // What was typed is there still; the code that was shown counts no more, the next one does.
  await i.press(generateSync({ secret, epoch: now }))
  await i.click('Sign in')
  await i.see('Wrong code.')
  await i.type('Code', generateSync({ secret, epoch: now + 30 }))
  await i.click('Sign in')
  await i.see('First steps')
})
