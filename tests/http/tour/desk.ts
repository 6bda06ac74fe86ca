import { rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect } from 'vitest'
import { OPERATIONS } from '@/api/operations'
import type { ANSWERS } from '@/contract/answers'
import { openTill, PASSPHRASE, type Till } from '../../browser/till'

export type CallName = keyof typeof ANSWERS

interface With {
  /** What stands for `{id}`, or another name, in the path. */
  readonly id?: number | string
  readonly query?: Readonly<Record<string, string | number>>
  readonly body?: unknown
  /** A file, instead of a body. */
  readonly file?: string
}

/** Where its backups lie; gone with the worker. */
export const BACKUPS = join(tmpdir(), `till-tour-${process.pid}`)
process.once('exit', () => rmSync(BACKUPS, { recursive: true, force: true }))

/** A business that is used over HTTP alone. It knows which calls have done their work, each checked against its schema. */
export const openTour = async () => {
  const till: Till = await openTill('tour', { TILL_BACKUPS: BACKUPS })
  const done = new Set<string>()
  const send = async (name: CallName, { id, query, body, file }: With) => {
    const [method = '', template = ''] = name.split(' ')
    const asked = new URLSearchParams(Object.entries(query ?? {}).map(([k, v]) => [k, String(v)])).toString()
    const path = `${template.replace(/\{\w+\}/, encodeURIComponent(String(id)))}${asked ? `?${asked}` : ''}`
    if (file !== undefined)
      return till.request(method, path, file, { 'content-type': file.startsWith('<') ? 'application/xml' : 'text/csv' })
    return till.request(method, path, method === 'GET' ? undefined : (body ?? {}))
  }
  return {
    till,
    /** Does a call that must succeed with the status the table gives it; what it answered. */
    does: async (name: CallName, what: With = {}) => {
      const answer = await send(name, what)
      const wanted = OPERATIONS.find((o) => `${o.method} ${o.path}` === name)
      expect(answer.status, `${name}: ${JSON.stringify(answer.body)}`).toBe(wanted?.status ?? 200)
      done.add(name)
      return answer.body
    },
    /** Does a call that must be refused; its kind and what is said at which field. */
    refuses: async (name: CallName, what: With = {}) => {
      const answer = await send(name, what)
      expect(answer.status, `${name} was not refused`).toBeGreaterThanOrEqual(400)
      const { type, detail, errors } = answer.body
      return { status: answer.status, kind: String(type).split(':').at(-1), detail, errors: errors ?? [] }
    },
    /** The calls that have not done their work yet. */
    missing: (): string[] =>
      OPERATIONS.map((o) => `${o.method} ${o.path}`)
        .filter((name) => !done.has(name))
        .sort(),
  }
}
export type Tour = Awaited<ReturnType<typeof openTour>>

export { PASSPHRASE }

/** What the parts of the tour hand to each other: the ids of what was made. */
export interface Made {
  customer: number
  second: number
  violin: number
  rosin: number
  work: number
}

/** A sale that is agreed, of one line of work at a price. */
export const agreed = async (
  tour: Tour,
  customerId: number,
  price: string,
  more: Readonly<Record<string, unknown>> = {},
) =>
  tour.does('POST /sales', {
    body: {
      customerId,
      agreed: true,
      lines: [{ description: `Work at ${price}`, quantity: '1', unitPrice: price }],
      ...more,
    },
  })

/** The same, done and invoiced on a day. */
export const invoiced = async (
  tour: Tour,
  customerId: number,
  price: string,
  on: string,
  more: Readonly<Record<string, unknown>> = {},
) => {
  const sale = await agreed(tour, customerId, price, { on, ...more })
  await tour.does('POST /sales/{id}/handovers', { id: sale.id, body: { on } })
  const invoice = await tour.does('POST /sales/{id}/invoices', {
    id: sale.id,
    body: { what: 'handed-over', issue: true, on },
  })
  return { sale, invoice }
}
