import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { startHands } from './hands'
import { ask, dropHome, eventually, makeHomeFolder, open, postmaster, runs, setUp } from './till'

const home = makeHomeFolder()
let till: Awaited<ReturnType<typeof open>>
beforeAll(async () => {
  till = await open(home)
  await setUp(till.port)
})
afterAll(() => {
  till.process.kill('SIGKILL')
  dropHome(home)
})

/** Which process is the application. */
const serverPid = (): number => JSON.parse(readFileSync(join(home, 'running.json'), 'utf8')).server.pid
const killed = () => till.said().split('ended by itself').length - 1
const isUp = async () => (await ask(till.port, 'GET', '/api/health')).status === 200

test('an application that ends by itself is started again; nothing acknowledged is lost or doubled', async () => {
  const [first, database] = [serverPid(), postmaster(home)]
  const hands = await startHands(() => till.port, 'While it is killed')
  await hands.atWork('money is taken')
  process.kill(first, 'SIGKILL')
  await hands.atWork('money is taken again')
  expect(till.said()).toContain('The application ended by itself (killed).')
  await eventually('it is said', () => till.said().includes('The application is back.'))
  expect([serverPid() === first, postmaster(home)]).toEqual([false, database])
  // Whose request was cut off has no answer; nobody answers until it is back.
  await hands.end([0, 503])
})

test('one that ends again and again is not started for ever: all is closed, and said why', async () => {
  const database = postmaster(home)
  for (let n = killed(); n < 4; n++) {
    await eventually('it answers', isUp)
    await eventually('it is another', () => runs(serverPid()))
    process.kill(serverPid(), 'SIGKILL')
    await eventually('it is noticed', () => killed() > n)
  }
  expect(await till.ended).toBe(1)
  expect(till.said()).toContain(`The log says why: ${join(home, 'log/till.log')}`)
  expect(runs(database)).toBe(false)
})
