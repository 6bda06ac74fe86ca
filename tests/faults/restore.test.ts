import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { generateSync } from 'otplib'
import { By, until } from 'selenium-webdriver'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { openBrowser } from '../../scripts/browser'
import { ask, dropHome, makeHomeFolder, open, PASSPHRASE, signIn, TOKEN } from './till'

/** A place with a business in it, and an empty one; both started as bin/start does. */
const homes = [makeHomeFolder(), makeHomeFolder()] as const
let from: Awaited<ReturnType<typeof open>>
let to: Awaited<ReturnType<typeof open>>
let backup: Uint8Array<ArrayBuffer>
let customers: unknown
beforeAll(async () => {
  from = await open(homes[0])
  await ask(from.port, 'POST', '/api/v1/setup', { name: 'Moved', currency: 'USD', passphrase: PASSPHRASE })
  for (const name of ['Hazel Adair', 'Orla Quinn']) await ask(from.port, 'POST', '/api/v1/customers', { name })
  customers = (await ask(from.port, 'GET', '/api/v1/customers')).body
  const codes = '/api/v1/settings/one-time-codes'
  const { secret } = (await ask(from.port, 'POST', codes, { passphrase: PASSPHRASE })).body
  expect((await ask(from.port, 'POST', `${codes}/confirm`, { code: generateSync({ secret }) })).status).toBe(200)
  const taken = await fetch(`http://127.0.0.1:${from.port}/api/v1/export/backup`, {
    headers: { authorization: `Bearer ${TOKEN}` },
  })
  backup = new Uint8Array(await taken.arrayBuffer())
  to = await open(homes[1])
}, 240_000)
afterAll(async () => {
  for (const one of [from, to]) {
    one?.process.kill('SIGTERM')
    await one?.ended
  }
  homes.forEach(dropHome)
})

const send = async (body: Uint8Array<ArrayBuffer>, headers: Record<string, string> = {}) => {
  const origin = `http://127.0.0.1:${to.port}`
  const sent = await fetch(`${origin}/api/first-run/restore`, { method: 'POST', body, headers: { origin, ...headers } })
  return { status: sent.status, body: (await sent.json()) as { detail?: string; rows?: number; business?: string } }
}
const firstRun = () => ask(to.port, 'GET', '/api/first-run')

test('a backup is restored from the first page, whole or not at all, and only into an empty place', async () => {
  expect((await firstRun()).body).toEqual({ there: false, said: '' })
  // From another page, from elsewhere, damaged, cut off, and something else.
  expect((await send(backup, { origin: 'https://elsewhere.example' })).status).toBe(403)
  expect((await send(backup, { 'x-forwarded-for': '203.0.113.9' })).status).toBe(403)
  const damaged = backup.slice()
  const middle = Math.floor(damaged.length / 2)
  damaged[middle] = damaged[middle]! ^ 1
  for (const bad of [damaged, backup.slice(0, -40), new TextEncoder().encode('no backup at all')]) {
    const refused = await send(bad)
    expect(refused.status).toBe(422)
    expect(refused.body.detail).toMatch(/\w{4,}.*\.$/)
  }
  expect((await firstRun()).body).toEqual({ there: false, said: '' })

  // By hand: the file is chosen on the first page, which leads to the door when all of it is there.
  const path = join(homes[1], 'moved.backup')
  writeFileSync(path, backup)
  const driver = await openBrowser()
  try {
    await driver.get(`http://127.0.0.1:${to.port}/set-up`)
    await driver.findElement(By.css('summary')).click()
    await driver.findElement(By.css('input[type=file]')).sendKeys(path)
    await driver.findElement(By.xpath('//button[normalize-space()="Restore"]')).click()
    await driver.wait(until.urlContains('/sign-in'), 60_000, 'never came to the door')
  } finally {
    await driver.quit()
  }
  expect((await firstRun()).body).toEqual({ there: true, said: '' })
  expect((await ask(to.port, 'GET', '/api/v1/customers')).body).toEqual(customers)
  // It goes on from there, with its own rights over its tables.
  expect((await ask(to.port, 'POST', '/api/v1/customers', { name: 'Ida Fern' })).status).toBe(201)
  expect(to.said()).toMatch(/Restored \d+ rows of “Moved”/)
  const again = await send(backup)
  expect([again.status, again.body.detail]).toEqual([409, 'There is a business here already, and it was not touched.'])
  expect((await ask(to.port, 'GET', '/api/v1/customers')).body.items).toHaveLength(3)
})

test('codes that were sealed elsewhere are off in the new place, and in the old one when a start is told to forget them', async () => {
  expect(to.said()).toContain('One-time codes were sealed in the place it comes from, and are off.')
  expect((await signIn(to.port)).status).toBe(200)
  expect((await signIn(from.port)).status).toBe(401)
  from.process.kill('SIGTERM')
  await from.ended
  from = await open(homes[0], { TILL_FORGET_CODES: '1' })
  expect(from.said()).toContain('One-time codes are off, as TILL_FORGET_CODES asks')
  expect((await signIn(from.port)).status).toBe(200)
})
