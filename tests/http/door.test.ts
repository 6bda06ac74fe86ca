import { request as open } from 'node:http'
import { connect, type Socket } from 'node:net'
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

/** Something that is begun to be sent to a place for strangers, and does not come to its end. */
const sendSlowly = () => {
  const asking = open(`${till.base}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', 'content-length': '1000', origin: till.base },
    agent: false,
  })
  const told = new Promise<number>((done) => {
    asking.on('error', () => done(0))
    asking.on('response', (answer) => {
      answer.resume()
      done(answer.statusCode ?? 0)
    })
  })
  asking.write('{')
  return { told, end: () => asking.destroy() }
}

describe('whoever sends little, or nothing', () => {
  test('takes no place of those who ask for something', async () => {
    const slow = Array.from({ length: 8 }, sendSlowly)
    // What they began is there before the next one asks.
    expect((await fetch(`${till.base}/api/health`)).status).toBe(200)
    expect((await fetch(`${till.base}/sign-in`)).status).toBe(200)
    expect(await slow[0]!.told).toBe(408)
    for (const { end } of slow) end()
  })

  test('makes room for who comes later, however many there are', async () => {
    const port = Number(new URL(till.base).port)
    const silent = await Promise.all(
      Array.from(
        { length: 1_100 },
        () =>
          new Promise<Socket>((done, broke) => {
            const socket = connect(port, '127.0.0.1', () => done(socket)).on('error', broke)
          }),
      ),
    )
    const status = await new Promise((done) => {
      open(`${till.base}/api/v1/customers`, { headers: OWNER, agent: false }, (answer) => done(answer.statusCode))
        .on('error', (broken) => done(broken.message))
        .end()
    })
    expect(status).toBe(200)
    for (const socket of silent) socket.destroy()
  })

  test('keeps its connection for longer than a proxy or a browser does: who asks next is not cut off in the middle of it', async () => {
    const { headers } = await fetch(`${till.base}/sign-in`)
    expect(Number(/timeout=(\d+)/.exec(headers.get('keep-alive') ?? '')?.[1])).toBeGreaterThan(60)
  })
})

describe('whoever only says to be the owner', () => {
  test('waits with the strangers, and keeps nobody of the house waiting', async () => {
    expect((await till.request('GET', '/customers')).status).toBe(200)
    let [answered, going] = [0, true]
    const crowd = Array.from({ length: 40 }, async (_, hand) => {
      const told = new Set<number>()
      for (let n = 0; going; n++) {
        const cookie = `till_session=made-up-${hand}-${n}`
        told.add((await fetch(`${till.base}/today`, { headers: { cookie }, redirect: 'manual' })).status)
        answered++
      }
      return [...told]
    })
    for (const began = answered; answered < began + 40;) await new Promise((next) => setTimeout(next, 20))
    // One after the other, each knocks when all of them are waiting.
    const passed: number[] = []
    for (let n = 0; n < 10; n++) {
      const before = answered
      expect((await till.request('GET', '/customers')).status).toBe(200)
      passed.push(answered - before)
    }
    going = false
    // In one queue, all who knocked before would be answered before.
    expect(passed.reduce((a, b) => a + b) / passed.length).toBeLessThan(14)
    // Whoever found no place in time was told so; the others, that they are strangers.
    expect((await Promise.all(crowd)).flat().filter((status) => status !== 307 && status !== 503)).toEqual([])
  })
})

describe('a call of the interface', () => {
  test('is refused before its body has come, where whoever sends it may not', async () => {
    const status = await new Promise<number>((done, broke) => {
      const asking = open(`${till.base}/api/v1/customers`, {
        method: 'POST',
        headers: {
          authorization: 'Bearer made-up',
          'content-type': 'application/json',
          'content-length': '1000000',
        },
      })
      asking.on('error', broke)
      asking.on('response', (answer) => {
        asking.destroy()
        done(answer.statusCode ?? 0)
      })
      asking.write('{')
    })
    expect(status).toBe(401)
  })

  test('is packed where it is long and whoever asks takes it so', async () => {
    for (let i = 0; i < 60; i++) await till.request('POST', '/customers', { name: `Packed ${i} ${'x'.repeat(150)}` })
    const ask = (path: string, packing: string) =>
      fetch(`${till.base}/api/v1${path}`, { headers: { ...OWNER, 'accept-encoding': packing } })
    const [packed, plain, short] = await Promise.all([
      ask('/customers?limit=60', 'gzip'),
      ask('/customers?limit=60', 'identity'),
      ask('/customers?limit=1', 'gzip'),
    ])
    expect([packed, plain, short].map((a) => a.headers.get('content-encoding'))).toEqual(['gzip', null, null])
    expect(packed.headers.get('vary')).toBe('accept-encoding')
    expect(await packed.json()).toEqual(await plain.json())
    expect(((await short.json()) as { items: unknown[] }).items).toHaveLength(1)
  })

  test('may be sent in pieces of no told length', async () => {
    const body = new ReadableStream({
      start: (to) => {
        for (const piece of ['{"name":"In ', 'pieces"}']) to.enqueue(new TextEncoder().encode(piece))
        to.close()
      },
    })
    const sent = { method: 'POST', headers: { ...OWNER, 'content-type': 'application/json' }, body, duplex: 'half' }
    expect((await fetch(`${till.base}/api/v1/customers`, sent)).status).toBe(201)
  })

  test.each([
    ['HEAD', '/customers', 405],
    ['OPTIONS', '/customers', 405],
    ['GET', '/openapi.json', 200],
    ['GET', '/nowhere', 404],
    ['PUT', '/customers', 405],
  ])('%s %s is answered as well', async (method, path, status) => {
    expect((await fetch(`${till.base}/api/v1${path}`, { method, headers: OWNER })).status).toBe(status)
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
