import { present } from '@/core/present'
import { z } from 'zod'
import { err, ok, type Result } from '@/core/result'
import type { Day } from '@/core/day'
import type { Database } from '@/data/connect'
import { findBusiness, type Business } from '@/data/queries/business'
import { parse, type Command, type Till } from '@/services/command'
import type { Failure } from '@/contract/failure'
import { id as idField } from '@/contract/fields'
import { Refusal } from '@/contract/refuse'
import { viewOfEntry } from '@/model/books/entryView'

/** A call as it arrives: parts of the path, the query, the body and the key. */
export interface Call {
  readonly till: Till
  readonly params: Readonly<Record<string, string>>
  readonly query: Readonly<Record<string, string>>
  readonly body: unknown
  readonly key: string | null
}

export interface Answer {
  readonly status: number
  readonly body: unknown
}

/** A line of the table that is the HTTP interface: what it answers to, what it takes, and what it does. */
export interface Operation {
  readonly method: 'GET' | 'POST' | 'PATCH' | 'DELETE'
  /** `/sales/{id}/agree` */
  readonly path: string
  readonly summary: string
  /** The command it runs, where it changes something. */
  readonly command?: string
  /** What it answers with when it is carried out; 200 where nothing is said. */
  readonly status?: number
  readonly body?: z.ZodType
  /** Fields of the body's schema that come from the path, and from which part of it: `{ saleId: 'id' }`. */
  readonly fromPath?: Readonly<Record<string, string>>
  /** Where the whole body is one field of the command's input. */
  readonly bodyAs?: string
  readonly query?: z.ZodType
  /** What it takes is a file as it is, of this type or one of these, and not JSON. */
  readonly file?: string
  /** How long it may take, in milliseconds, where it is long work. */
  readonly within?: number
  readonly run: (call: Call) => Promise<Result<Answer, Failure>>
}

interface CommandOptions extends Pick<Operation, 'bodyAs'> {
  /** Which input field each part of the path fills: `{ saleId: 'id' }`. */
  readonly path?: Operation['fromPath']
  readonly status?: number
  readonly method?: 'POST' | 'PATCH' | 'DELETE'
}

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
const bodyProblem: Failure = {
  code: 'invalid',
  errors: [{ path: '', message: 'The body must be a JSON object.' }],
}

/** What is refused of a body that is one field of a command's input is told by its place in the body. */
const pathsIn =
  (bodyAs: string | undefined) =>
  (failure: Failure): Failure =>
    bodyAs === undefined || failure.code !== 'invalid'
      ? failure
      : {
          ...failure,
          errors: failure.errors.map((e) => ({
            ...e,
            path: e.path === bodyAs ? '' : e.path.startsWith(`${bodyAs}.`) ? e.path.slice(bodyAs.length + 1) : e.path,
          })),
        }

/** A call that changes something: the command does it all. With `?preview=true` it is done and taken back, and told. */
export const change = <I, A>(
  path: string,
  summary: string,
  command: Command<I, A>,
  options: CommandOptions = {},
): Operation => ({
  method: options.method ?? 'POST',
  path,
  summary,
  command: command.name,
  status: options.status,
  body: command.schema,
  fromPath: options.path,
  bodyAs: options.bodyAs,
  run: async ({ till, params, query, body, key }) => {
    const given = body === undefined ? {} : body
    if (!isRecord(given)) return err(bodyProblem)
    const inBody = pathsIn(options.bodyAs)
    const named = Object.fromEntries(Object.entries(options.path ?? {}).map(([field, part]) => [field, params[part]]))
    const input = options.bodyAs ? { ...named, [options.bodyAs]: given } : { ...given, ...named }
    if (query.preview === 'true') {
      const seen = await command.preview(till, input)
      return seen.ok
        ? ok({
            status: 200,
            body: { answer: seen.value.answer, entries: seen.value.entries.map(viewOfEntry) },
          })
        : err(inBody(seen.error))
    }
    const answer = await command.answer(till, input, key)
    return answer.ok ? ok({ status: options.status ?? 200, body: answer.value }) : err(inBody(answer.error))
  },
})

interface Reading<Q> {
  readonly db: Database
  readonly business: Business
  readonly today: Day
  readonly query: Q
  readonly id: number
  /** What stands in the path, by its name there. */
  readonly named: (part: string) => string
}

/** What stands in a path is read as a whole: what a path itself is made of comes encoded. */
const plain = (part: string): string =>
  part.replace(/%(2F|3F|23|26|2B|2C|3A|3B|3D|40|24)/gi, (code) => decodeURIComponent(code))

/** A call that only reads. Nothing found (null) is a 404 of `what`. */
export const read = <Q, A>(
  path: string,
  summary: string,
  query: z.ZodType<Q, unknown>,
  run: (r: Reading<Q>) => Promise<A | null>,
  what = 'thing',
): Operation => ({
  method: 'GET',
  path,
  summary,
  query,
  run: async ({ till, params, query: given }) => {
    try {
      const business = await findBusiness(till.db)
      if (!business) return err({ code: 'not-set-up' })
      const parsed = parse(query, given)
      const id = params.id === undefined ? 0 : parse(idField, params.id)
      const answer = await run({
        db: till.db,
        business,
        today: till.today,
        query: parsed,
        id,
        named: (part) => plain(params[part] ?? ''),
      })
      return answer === null
        ? err({ code: 'not-found', what, id: id || Object.values(params).map(plain).join(' ') })
        : ok({ status: 200, body: answer })
    } catch (problem) {
      if (problem instanceof Refusal)
        return problem.failure.code === 'invalid' && params.id !== undefined && !/^\d+$/.test(params.id)
          ? err({ code: 'not-found', what, id: params.id })
          : err(problem.failure)
      throw problem
    }
  },
})

/** A call that looks at a file and saves nothing. */
export const readFile = <Q>(
  path: string,
  summary: string,
  file: string,
  query: z.ZodType<Q, unknown>,
  run: (
    r: Pick<Reading<Q>, 'db' | 'business' | 'today' | 'query'>,
    bytes: Uint8Array,
  ) => Promise<Result<object, Failure>>,
): Operation => ({
  method: 'POST',
  path,
  summary,
  file,
  query,
  run: async ({ till, query: given, body }) => {
    const business = await findBusiness(till.db)
    if (!business) return err({ code: 'not-set-up' })
    const bytes = body instanceof Uint8Array ? body : new Uint8Array()
    try {
      const read = await run({ db: till.db, business, today: till.today, query: parse(query, given) }, bytes)
      return read.ok ? ok({ status: 200, body: read.value }) : read
    } catch (problem) {
      if (problem instanceof Refusal) return err(problem.failure)
      throw problem
    }
  },
})

export const noQuery = z.object({})

/** `?limit=&after=`: how many, and from where on. */
export const page = z.object({
  limit: z.coerce.number().int().min(1, 'At least 1.').max(500, 'At most 500.').default(50),
  after: z.string().max(400).optional(),
})

/** The same for what is short for most: as many as go at once, where nothing is said. */
export const longPage = page.extend({ limit: page.shape.limit.removeDefault().default(500) })

/** A place in a list, as text nobody needs to read. */
export const makeCursor = (value: unknown): string => Buffer.from(JSON.stringify(value)).toString('base64url')

/** Reads a cursor of ours; anything else is refused. */
export const readCursor = <T>(schema: z.ZodType<T>, after: string | undefined): T | undefined => {
  if (after === undefined || after === '') return undefined
  try {
    return schema.parse(JSON.parse(Buffer.from(after, 'base64url').toString('utf8')))
  } catch {
    throw new Refusal({
      code: 'invalid',
      errors: [{ path: 'after', message: 'Use the next cursor of the page before.' }],
    })
  }
}

/** A page of a list, with the cursor of the next one where there may be more. */
export const listOf = <T, V>(rows: readonly T[], limit: number, view: (row: T) => V, cursor: (row: T) => unknown) => ({
  items: rows.map(view),
  next: rows.length === limit && rows.length > 0 ? makeCursor(cursor(present(rows.at(-1)))) : null,
})

/** A call that runs no command of the books. */
export const byItself = (operation: Omit<Operation, 'run'>, run: Operation['run']): Operation => ({
  ...operation,
  run: async (call) => {
    try {
      return await run(call)
    } catch (problem) {
      if (problem instanceof Refusal) return err(problem.failure)
      throw problem
    }
  },
})
