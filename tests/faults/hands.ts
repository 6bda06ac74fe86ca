import { expect } from 'vitest'
import { present } from '@/core/present'
import { addCustomer, ask, eventually, pause, persist, type Answered } from './till'

interface Acknowledged {
  readonly key: string
  readonly number: string
}

/** So long a hand waits before it asks again, in milliseconds; and so often it asks for the same. */
const [AGAIN, TRIES] = [100, 600]

const receive = (port: number, customerId: number, key: string): Promise<Answered> =>
  ask(port, 'POST', '/api/v1/receipts', { customerId, method: 'cash', amount: '2.00' }, key)

/**
 * Hands that take money of a customer of this name without a pause while something breaks: each asks under a key of its own until it
 * is told a number, then goes on; also for the last one. The port is asked for each time, since the program may come back at another one.
 */
export const startHands = async (portNow: () => number, name: string, count = 6) => {
  const customer = await addCustomer(portNow(), name)
  expect(customer.status).toBe(201)
  const customerId: number = customer.body.id
  const acknowledged: Acknowledged[] = []
  const refused = new Set<number>()
  let working = true
  const work = async (hand: number): Promise<void> => {
    for (let n = 0; working; n++) {
      const key = `${name}-${hand}-${n}`
      for (let tries = 0; tries < TRIES; tries++) {
        const told = await receive(portNow(), customerId, key)
        if (told.status === 201) {
          acknowledged.push({ key, number: told.body.number })
          break
        }
        refused.add(told.status)
        await pause(AGAIN)
      }
    }
  }
  const all = Array.from({ length: count }, (_, hand) => work(hand))
  /** What was told before and after something broke: asked again under its key, it is told alike. */
  const marked = new Set<Acknowledged>()
  const atWork = async (what: string, more = 20): Promise<void> => {
    const before = acknowledged.length
    await eventually(what, () => acknowledged.length >= before + more)
    for (const at of [before, -1]) marked.add(present(acknowledged.at(at)))
  }
  return {
    /** Waits until so many more are acknowledged. */
    atWork,
    /** Lets every hand finish, and holds what they were told against what is there. */
    end: async (mayBeTold: readonly number[]): Promise<void> => {
      working = false
      await Promise.all(all)
      expect([...refused].filter((status) => !mayBeTold.includes(status))).toEqual([])
      const port = portNow()
      // A connection that broke may be found out by whoever uses it next.
      const readAgain = async (path: string): Promise<Answered> => {
        const told = await persist(() => ask(port, 'GET', path))
        expect([told.status, told.status === 200 || told.body]).toEqual([200, true])
        return told
      }
      const file = await readAgain('/api/v1/export/receipts.csv')
      const kept = String(file.body)
        .split('\n')
        .filter((line) => line.includes(name))
        .map((line) => /R-\d+-\d+/.exec(line)?.[0])
      // Every one that was told is there once, and no other: each hand was told of its last one, too.
      expect(kept.sort()).toEqual(acknowledged.map(({ number }) => number).sort())
      for (const { key, number } of marked)
        expect((await persist(() => receive(port, customerId, key))).body.number).toBe(number)
      const told = (await readAgain('/api/v1/books/ties')).body.ties as readonly { difference: string }[]
      expect(told.length).toBeGreaterThan(5)
      expect(told.filter(({ difference }) => Number(difference) !== 0)).toEqual([])
    },
  }
}
