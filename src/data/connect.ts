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
 * A connected socket that sends each small packet at once. Without this the client's writes wait for the server's delayed
 * acknowledgement: 40 ms now and then, for statements that take less than one.
 */
const promptSocket = ({ host, port }: { host: string[]; port: number[] }): Promise<Socket> =>
  new Promise((resolve, reject) => {
    const socket = connect({ host: host[0], port: port[0]!, noDelay: true })
    socket.once('error', reject)
    socket.once('connect', () => {
      socket.off('error', reject)
      resolve(socket)
    })
  })

interface Client {
  unsafe: (query: string, params?: unknown[], options?: object) => unknown
  begin: (...args: unknown[]) => unknown
}

/**
 * Drizzle sends every statement as an unnamed one: parsed, described and planned each time. Named, the server keeps its
 * plan on the connection, and a statement takes one round trip instead of two.
 */
const preparing = <C extends object>(client: C): C => {
  const raw = client as unknown as Client
  const { unsafe, begin } = raw
  raw.unsafe = (query, params, options) => unsafe.call(raw, query, params, { ...options, prepare: true })
  if (begin) {
    raw.begin = (...args) => {
      const work = args.pop() as (tx: object) => unknown
      return begin.call(raw, ...args, (tx: object) => work(preparing(tx)))
    }
  }
  return client
}

interface Options {
  /** Not to wait for the disk at each commit: for filling a new database, which is simply made again after a power cut. */
  readonly hasty?: boolean
}

const open = (url: string, { hasty = false }: Options = {}) => {
  const options = {
    max: 10,
    onnotice: () => {},
    connection: { application_name: 'iron-till', ...(hasty ? { synchronous_commit: 'off' } : {}) },
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
