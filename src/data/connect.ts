import { drizzle, type PostgresJsDatabase } from 'drizzle-orm/postgres-js'
import postgres from 'postgres'
import { databaseError } from './databaseError'
import { socketsTo } from './socket'

/** Tables are named where they are read: neither a connection nor a transaction carries all of them. */
export type Database = PostgresJsDatabase
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0]
/** What queries take: a connection, or the transaction they belong to. */
export type Db = Database | Transaction

interface Client {
  unsafe: (query: string, params?: unknown[], options?: object) => Promise<unknown>
  begin: (...args: unknown[]) => unknown
}

/** How a statement begins whose best plan depends on what it is asked with. */
export const PLANNED_ANEW = '/* planned anew */'

/**
 * Drizzle sends every statement as an unnamed one: parsed, described and planned each time. Named, the server keeps its
 * plan on the connection, and a statement takes one round trip instead of two.
 */
const preparing = <C extends object>(client: C, within?: Within): C => {
  const raw = client as unknown as Client
  const { unsafe, begin } = raw
  raw.unsafe = (query, params, options) => {
    if (within?.over) throw new Error('a statement came after its transaction had ended')
    const prepare = !query.startsWith(PLANNED_ANEW)
    // What asks with nothing would be sent as text, and planned each time.
    const asked = unsafe.call(raw, query, params, {
      ...options,
      prepare,
      ...(/^select /.test(query) ? { simple: false } : {}),
    })
    if (within) asked.catch((problem: unknown) => (within.broke ??= problem))
    return asked
  }
  if (begin) {
    raw.begin = (...args) => {
      const work = args.pop() as (tx: object) => unknown
      return begin.call(raw, ...args, untilOver(work))
    }
  }
  return client
}

/** A transaction under way, or over: what broke in it first. */
interface Within {
  over: boolean
  broke?: unknown
}

/** What every statement is told after one of its transaction broke. */
const BROKEN_BEFORE = '25P02'

/**
 * Statements of a transaction are sent side by side where none waits for another's answer. One that breaks ends it: whoever
 * comes later must not go on, on a connection that is somebody else's by then. What is thrown is what broke first, whichever of the
 * statements was waited for: the others are only told that something did.
 */
const untilOver = (work: (tx: object) => unknown) => async (tx: object) => {
  const within: Within = { over: false }
  try {
    return await work(preparing(tx, within))
  } catch (problem) {
    throw databaseError(problem)?.code === BROKEN_BEFORE ? (within.broke ?? problem) : problem
  } finally {
    within.over = true
  }
}

/** Sends a statement before anything else that is asked from now on: on Drizzle's way one may overtake another. */
export const sendAtOnce = (tx: Transaction, query: string, params: readonly unknown[]): Promise<unknown> => {
  const client: Client = Reflect.get(tx._.session, 'client')
  return client.unsafe(query, [...params])
}

/** In milliseconds: how long one statement may run, wait for a lock, or a transaction stand idle. */
const LIMITS = {
  statement_timeout: 20_000,
  lock_timeout: 12_000,
  idle_in_transaction_session_timeout: 20_000,
}

interface Options {
  /** Not to wait for the disk at each commit: for filling a new database, which is made anew after a power cut. */
  readonly hasty?: boolean
  /** For work on whole tables: no limit on how long a statement runs. */
  readonly patient?: boolean
}

/** So many connections the program opens at most, where nothing else is said. */
export const CONNECTIONS = 10
let connections: { readonly max: number; readonly idle_timeout?: number } = { max: CONNECTIONS }
/** From now on this thread opens so many connections at most, and lets go of those that stand idle: it is one of several. */
export const connectAtMost = (count: number): void => {
  connections = { max: count, idle_timeout: 20 }
}

const open = (url: string, { hasty = false, patient = false }: Options = {}) => {
  const options = {
    ...connections,
    onnotice: () => {},
    connect_timeout: 5,
    backoff: () => 0.2,
    connection: {
      application_name: 'iron-till',
      ...(hasty ? { synchronous_commit: 'off' } : patient ? {} : LIMITS),
    },
    ...socketsTo(url),
  }
  const client = preparing(postgres(url, options))
  return { db: drizzle(client, { casing: 'snake_case' }), close: () => client.end({ timeout: 5 }) }
}
export const openDatabase = open

interface Held {
  ironTillDatabase?: ReturnType<typeof open>
  ironTillReplica?: ReturnType<typeof open>
}
const held = globalThis as Held

/** The one connection pool of the server process, to the database named in DATABASE_URL. */
export const database = (): Database => {
  const url = process.env.DATABASE_URL
  if (!url) throw new Error('DATABASE_URL is not set; start the program with bin/start')
  held.ironTillDatabase ??= open(url)
  return held.ironTillDatabase.db
}

/** The replica named in DATABASE_READ_URL, or null where there is none. */
export const replica = (): Database | null => {
  const url = process.env.DATABASE_READ_URL
  if (!url) return null
  held.ironTillReplica ??= open(url)
  return held.ironTillReplica.db
}
