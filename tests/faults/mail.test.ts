import { createServer } from 'node:net'
import { SMTPServer } from 'smtp-server'
import { describe, expect, test } from 'vitest'
import { freePort } from '../../scripts/cluster'
import { addCustomer, ask, dropHome, eventually, makeHomeFolder, open, pause, setUp } from './till'

describe('a mail server that drips', () => {
  /**
   * Greets, and answers who greets back with one more line every half second, and never the last one. It waits for them:
   * lines that come with the greeting are taken for a part of it.
   */
  const drip = () =>
    createServer((socket) => {
      socket.on('error', () => {})
      socket.write('220 slow.example\r\n')
      socket.once('data', () => {
        const more = setInterval(() => socket.write('250-SOMETHING\r\n'), 500)
        socket.once('close', () => clearInterval(more))
      })
    })

  test('holds neither the owner nor the letter, which goes once when the server is well again', async () => {
    const home = makeHomeFolder()
    const till = await open(home)
    const call = (method: string, path: string, body?: unknown) => ask(till.port, method, `/api/v1${path}`, body)
    await setUp(till.port)
    const mailPort = await freePort()
    const slow = drip().listen(mailPort, '127.0.0.1')
    await call('PATCH', '/settings', { smtpUrl: `smtp://127.0.0.1:${mailPort}`, email: 'shop@mail.example' })
    const customer = await call('POST', '/customers', { name: 'Ines', email: 'ines@mail.example' })
    const sale = await call('POST', '/sales', {
      customerId: customer.body.id,
      lines: [{ description: 'Rehair', quantity: '1', unitPrice: '60.00' }],
    })
    const now = async () => (await call('GET', '/post')).body.items[0]
    const givenUp = async () => /too slow/.test((await now()).problem)
    const letter = await call('POST', '/post', { paper: 'estimate', paperId: sale.body.id })
    expect([letter.status, await givenUp()]).toEqual([201, false])

    // Who sends waits a while for what becomes of it, and not until that server is given up; nobody else waits as long.
    const waited = [letter.ms]
    const sending = call('POST', `/post/${letter.body.id}/send`)
    for (let i = 0; i < 5; i++) {
      const [added, health] = await Promise.all([
        addCustomer(till.port, `Meanwhile ${i}`),
        ask(till.port, 'GET', '/api/health'),
      ])
      expect([added.status, health.status]).toEqual([201, 200])
      waited.push(added.ms, health.ms)
      await pause(200)
    }
    const told = await sending
    expect([told.status, told.body.state, await givenUp()]).toEqual([200, 'waiting', false])
    expect(Math.max(...waited)).toBeLessThan(told.ms)
    await eventually('it was given up for this time', givenUp, 45_000)
    expect(await now()).toMatchObject({ state: 'waiting', tries: 1 })

    slow.close()
    const got: string[] = []
    const well = new SMTPServer({
      authOptional: true,
      disabledCommands: ['STARTTLS'],
      onData: (stream, session, done) => {
        stream.on('end', () => done()).resume()
        got.push(session.envelope.rcptTo[0]!.address)
      },
    })
    await new Promise<void>((ready) => well.listen(mailPort, '127.0.0.1', () => ready()))
    expect((await call('POST', `/post/${letter.body.id}/send`)).body.state).toBe('sent')
    expect(got).toEqual(['ines@mail.example'])
    well.close(() => {})
    till.process.kill('SIGTERM')
    expect(await till.ended).toBe(0)
    dropHome(home)
  })
})
