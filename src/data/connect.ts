import { present } from '@/core/present'
import { drizzle, type PostgresJsDatabase, type PostgresJsTransaction } from 'drizzle-orm/postgres-js'
import type { ExtractTablesWithRelations } from 'drizzle-orm'
import { connect, type Socket } from 'node:net'
import postgres from 'postgres'
import * as schema from './schema'

type Schema = typeof schema
export type Database = PostgresJsDatabase<Schema>
export type Transaction = PostgresJsTransaction<Schema, ExtractTablesWithRelations<Schema>>
/** What queries take: a connection, or the transaction they belong to. */
export type Db = Database | Transaction

/**
 * A socket that sends each small packet at once. Without this the client's writes wait for the server's delayed
 * acknowledgement: 40 ms now and then, for statements that take less than one. It is handed over while it connects: the
 * client listens for its failure itself, and would lose the connection's place for ever if we failed before it did.
 */
export const promptSocket = ({ host, port }: { host: string[]; port: number[] }): Socket =>
  connect({ host: host[0], port: present(port[0]), noDelay: true })

interface Client {
  unsafe: (query: string, params?: unknown[], options?: object) => unknown
  begin: (...args: unknown[]) => unknown
}

/** How a statement begins whose best plan depends on what it is asked with. */
export const PLANNED_ANEW = '/* planned anew */'

/**
 * Drizzle sends every statement as an unnamed one: parsed, described and planned each time. Named, the server keeps its
 * plan on the connection, and a statement takes one round trip instead of two.
 */
const preparing = <C extends object>(client: C): C => {
  const raw = client as unknown as Client
  const { unsafe, begin } = raw
  raw.unsafe = (query, params, options) =>
    unsafe.call(raw, query, params, { ...options, prepare: !query.startsWith(PLANNED_ANEW) })
  if (begin) {
    raw.begin = (...args) => {
      const work = args.pop() as (tx: object) => unknown
      return begin.call(raw, ...args, (tx: object) => work(preparing(tx)))
    }
  }
  return client
}

/** In milliseconds: how long one statement may run, wait for a lock, or a transaction stand idle. */
const LIMITS = {
  statement_timeout: 20_000,
  lock_timeout: 12_000,
  idle_in_transaction_session_timeout: 20_000,
}

interface Options {
  /** Not to wait for the disk at each commit: for filling a new database, which is simply made again after a power cut. */
  readonly hasty?: boolean
  /** For work on whole tables: no limit on how long a statement runs. */
  readonly patient?: boolean
}

const open = (url: string, { hasty = false, patient = false }: Options = {}) => {
  const options = {
    max: 10,
    onnotice: () => {},
    connect_timeout: 5,
    backoff: () => 0.2,
    connection: {
      application_name: 'iron-till',
      ...(hasty ? { synchronous_commit: 'off' } : patient ? {} : LIMITS),
    },
    socket: promptSocket,
  }
  const client = preparing(postgres(url, options))
  return { db: drizzle(client, { schema, casing: 'snake_case' }), close: () => client.end({ timeout: 5 }) }
}
export const openDatabase = open

const held = globalThis as { ironTillDatabase?: ReturnType<typeof open> }

/** The one connection pool of the server process, to the database named in DATABASE_URL. */
export const database = (): Database => {
  const url = process.env.DATABASE_URL
  if (!url) throw new Error('DATABASE_URL is not set; start the program with bin/start')
  held.ironTillDatabase ??= open(url)
  return held.ironTillDatabase.db
}
