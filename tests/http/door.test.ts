import { request as open } from 'node:http'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { openTill, PASSPHRASE, TODAY, TOKEN, type Till } from '../browser/till'

let till: Till
beforeAll(async () => {
  till = await openTill('door')
  await till.request('POST', '/setup', { name: 'Door', currency: 'USD', passphrase: PASSPHRASE })
})
afterAll(() => till.close())

const OWNER = { authorization: `Bearer ${TOKEN}` }
const send = (path: string, body: string, headers: Record<string, string> = {}) =>
  fetch(`${till.base}${path}`, { method: 'POST', body, headers: { 'content-type': 'application/json', ...headers } })

describe('a body that is too large', () => {
  test('is refused in a sentence that arrives, however many come at once', async () => {
    const large = JSON.stringify({ name: 'x'.repeat(7_000_000) })
    const answers = await Promise.all(Array.from({ length: 12 }, () => send('/api/v1/customers', large, OWNER)))
    for (const answer of answers) {
      expect(answer.status).toBe(413)
      expect(((await answer.json()) as { detail: string }).detail).toBe(
        'The request is larger than 6 MB. Send it in parts.',
      )
    }
    expect((await till.request('GET', '/customers')).body.items.map((c: { name: string }) => c.name)).not.toContain('x')
  })

  test('is refused sooner to whoever is not signed in', async () => {
    const answer = await send('/api/c/made-up/accept', JSON.stringify({ name: 'x'.repeat(20_000) }))
    expect(answer.status).toBe(413)
    expect(((await answer.json()) as { detail: string }).detail).toContain('16 kB')
  })

  test('that never ends is cut off after a moment, and holds nobody else up', async () => {
    const began = performance.now()
    const ended = await new Promise<{ status: number; after: number }>((done) => {
      let status = 0
      const asking = open(`${till.base}/api/v1/customers`, {
        method: 'POST',
        headers: { ...OWNER, 'content-type': 'application/json', 'content-length': '100000000' },
      })
      const drip = setInterval(() => asking.write('x'), 50)
      asking.on('response', (answer) => {
        status = answer.statusCode ?? 0
        answer.resume()
      })
      asking.on('error', () => {})
      asking.on('close', () => {
        clearInterval(drip)
        done({ status, after: performance.now() - began })
      })
      asking.write('{')
    })
    expect(ended.status).toBe(413)
    expect((await fetch(`${till.base}/api/health`)).status).toBe(200)
  })
})

describe('what comes to the door', () => {
  test('whoever watches over it is told that all is well, and nothing of the business', async () => {
    const told = await fetch(`${till.base}/api/health?again`)
    expect(told.headers.get('cache-control')).toBe('no-store')
    expect(await told.json()).toEqual({
      status: 'ok',
      database: 'ok',
      version: expect.stringMatching(/^\d+\.\d+\.\d+$/),
      businessDate: TODAY,
    })
    const [head, written] = await Promise.all(
      ['HEAD', 'POST'].map((method) => fetch(`${till.base}/api/health`, { method })),
    )
    expect([head!.status, await head!.text(), written!.status]).toEqual([200, '', 405])
  })

  test.each(['/api/health', '/sign-in', '/api/v1/customers', '/_next/static/nothing.js', '/%E0%A4%A', '/nowhere'])(
    '%s is not framed, guessed at, or told to others',
    async (path) => {
      const { headers } = await fetch(`${till.base}${path}`)
      expect(Object.fromEntries(headers)).toMatchObject({
        'x-content-type-options': 'nosniff',
        'x-frame-options': 'DENY',
        'referrer-policy': 'same-origin',
        'permissions-policy': 'camera=(), microphone=(), geolocation=()',
        'cross-origin-opener-policy': 'same-origin',
      })
    },
  )

  test('a paper may be looked at in a frame of our own pages', async () => {
    const { headers } = await fetch(`${till.base}/api/v1/export/invoices/1.pdf`, { headers: OWNER })
    expect(headers.get('x-frame-options')).toBe('SAMEORIGIN')
  })

  test.each([
    ['an address that is no text', 'GET', '/%E0%A4%A', 400],
    ['an address that is too long', 'GET', `/today?x=${'y'.repeat(9_000)}`, 414],
    ['a page that is written to', 'POST', '/today', 405],
  ])('%s is told so', async (_, method, path, status) => {
    const answer = await fetch(`${till.base}${path}`, { method })
    expect(answer.status).toBe(status)
    expect(answer.headers.get('content-type')).toContain('problem+json')
    expect(((await answer.json()) as { detail: string }).detail).toMatch(/^[A-Z].*\.$/)
  })

  test('from another site’s name is refused', async () => {
    const { port } = new URL(till.base)
    const status = await new Promise<number>((done, broke) => {
      open({ host: '127.0.0.1', port, path: '/today', headers: { host: 'elsewhere.example' } }, (answer) => {
        answer.resume()
        done(answer.statusCode ?? 0)
      })
        .on('error', broke)
        .end()
    })
    expect(status).toBeGreaterThanOrEqual(400)
    expect(status).toBeLessThan(500)
  })
})
