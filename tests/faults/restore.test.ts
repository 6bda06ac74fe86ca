import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { By, until } from 'selenium-webdriver'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { openBrowser } from '../../scripts/browser'
import { ask, dropHome, makeHomeFolder, open, TOKEN } from './till'

/** A place with a business in it, and an empty one; both started as bin/start does. */
const homes = [makeHomeFolder(), makeHomeFolder()] as const
let from: Awaited<ReturnType<typeof open>>
let to: Awaited<ReturnType<typeof open>>
let backup: Uint8Array<ArrayBuffer>
let customers: unknown
beforeAll(async () => {
  from = await open(homes[0])
  await ask(from.port, 'POST', '/api/v1/setup', { name: 'Moved', currency: 'USD', passphrase: 'a long passphrase' })
  for (const name of ['Hazel Adair', 'Orla Quinn']) await ask(from.port, 'POST', '/api/v1/customers', { name })
  customers = (await ask(from.port, 'GET', '/api/v1/customers')).body
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
