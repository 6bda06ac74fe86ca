import { randomUUID } from 'node:crypto'
import { expect } from 'vitest'
import { OPERATIONS } from '@/api/operations'
import type { Command } from '@/services/command'
import { History } from '../services/history/history'
import { TOKEN } from '../browser/till'

/** How a command is called over HTTP, by its name. Some have no call: the clockwork does them. */
const CALLS = new Map(OPERATIONS.flatMap((o) => (o.command && !o.file ? [[o.command, o] as const] : [])))

/** A call as it goes over the wire; null where the command has none, or what its path needs is not there. */
const callOf = (name: string, input: unknown): { method: string; path: string; body: unknown } | null => {
  const call = CALLS.get(name)
  if (!call) return null
  const given = input as Readonly<Record<string, unknown>>
  const inPath = Object.entries(call.fromPath ?? {})
  if (inPath.some(([field]) => given[field] === undefined)) return null
  const path = inPath.reduce(
    (p, [field, part]) => p.replace(`{${part}}`, encodeURIComponent(String(given[field]))),
    call.path,
  )
  const named = new Set(inPath.map(([field]) => field))
  const body = Object.fromEntries(Object.entries(given).filter(([field]) => !named.has(field)))
  return { method: call.method, path, body: call.bodyAs ? body[call.bodyAs] : body }
}

interface Answered {
  readonly status: number
  readonly text: string
}

const ask = async (port: number, { method, path, body }: NonNullable<ReturnType<typeof callOf>>, key: string) => {
  const response = await fetch(`http://127.0.0.1:${port}/api/v1${path}`, {
    method,
    headers: {
      authorization: `Bearer ${TOKEN}`,
      'content-type': 'application/json',
      // What is only looked at, or is not a POST, takes no key.
      ...(method === 'POST' ? { 'idempotency-key': key } : {}),
    },
    body: JSON.stringify(body),
  })
  return { status: response.status, text: await response.text() }
}

const outcomeOf = ({ status, text }: Answered): string =>
  status < 400 ? 'done' : ((JSON.parse(text) as { type: string }).type.split(':').at(-1) ?? String(status))

/** A hand of the owner at one of several servers: its commands go over HTTP, each to another server; some to two at once. */
export class Hand extends History {
  ports: readonly number[] = []
  sent = 0
  twice = 0

  override async attempt<I, A>(command: Command<I, A>, input: I): Promise<string> {
    const call = callOf(command.name, input)
    const outcome = call ? await this.#send(call) : await this.#here(command, input)
    if (outcome === 'done') this.done++
    else this.refused.set(outcome, (this.refused.get(outcome) ?? 0) + 1)
    return outcome
  }

  async #send(call: NonNullable<ReturnType<typeof callOf>>): Promise<string> {
    const [port, other] = [this.ports[this.sent % 3]!, this.ports[(this.sent + 1) % 3]!]
    this.sent++
    const key = randomUUID()
    const again = call.method === 'POST' && this.sent % 7 === 0
    const answers = await Promise.all([ask(port, call, key), ...(again ? [ask(other, call, key)] : [])])
    for (const { status, text } of answers)
      if (status >= 500) throw new Error(`${call.method} ${call.path}: ${status} ${text}`)
    const [first, second] = answers
    const done = answers.find(({ status }) => status < 400)
    if (done && second) {
      this.twice++
      // It happens once, and both tell the same. One that was refused before another hand reopened the books, say, is told when it asks again.
      for (const other of [first!, second].filter(({ status }) => status === done.status))
        expect(JSON.parse(other.text)).toEqual(JSON.parse(done.text))
      const told = await ask(port, call, key)
      expect([told.status, JSON.parse(told.text)]).toEqual([done.status, JSON.parse(done.text)])
    }
    return outcomeOf(done ?? first!)
  }

  async #here<I, A>(command: Command<I, A>, input: I): Promise<string> {
    const result = await command.run({ db: this.shop.db, today: this.today }, input)
    return result.ok ? 'done' : result.error.code
  }
}
