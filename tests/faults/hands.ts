import { expect } from 'vitest'
import { addCustomer, ask, eventually, pause, type Answered } from './till'

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
 * is told a number, then goes on. The port is asked for each time, since the program may come back at another one.
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
      for (let tries = 0; working && tries < TRIES; tries++) {
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
  const atWork = (what: string, more = 20): Promise<void> => {
    const before = acknowledged.length
    return eventually(what, () => acknowledged.length >= before + more)
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
      const ties = () => ask(port, 'GET', '/api/v1/books/ties')
      await eventually('pages are read again', async () => (await ties()).status === 200, 2_000)
      const file = await ask(port, 'GET', '/api/v1/export/receipts.csv')
      expect(file.status).toBe(200)
      const kept = String(file.body)
      expect(acknowledged.filter(({ number }) => !kept.includes(number))).toEqual([])
      // No number twice; and of what nobody was told, at most what each hand had asked for last.
      expect(new Set(acknowledged.map(({ number }) => number)).size).toBe(acknowledged.length)
      const lines = kept.split('\n').filter((line) => line.includes(name))
      expect(lines.length).toBeLessThanOrEqual(acknowledged.length + count)
      for (const { key, number } of [acknowledged[0]!, acknowledged.at(-1)!])
        expect((await receive(port, customerId, key)).body.number).toBe(number)
      const told = (await ties()).body.ties as readonly { difference: string }[]
      expect(told.length).toBeGreaterThan(5)
      expect(told.filter(({ difference }) => Number(difference) !== 0)).toEqual([])
    },
  }
}
