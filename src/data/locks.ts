import postgres from 'postgres'
import { sendAtOnce, type Transaction } from './connect'
import { socketsTo } from './socket'

/** Any numbers, the same everywhere: what only one of all servers of a business does at a time. */
const LOCKS = {
  /** Writing: held until the transaction ends. */
  pen: 7_230_114,
  /** What happens by itself: held by the server that does it as long as it lives. */
  clock: 7_230_115,
  /** Comparing a passphrase. */
  door: 7_230_116,
  /** Bringing tables up to date, and filling them the first time. */
  tables: 7_230_117,
} as const
export type LockName = keyof typeof LOCKS

/**
 * Takes a lock for the rest of a transaction, waiting for whoever holds it. It is on its way when this returns: what the transaction
 * asks from then on, without waiting for it, is answered when the lock is held.
 */
export const takeLock = (tx: Transaction, name: LockName): Promise<unknown> =>
  sendAtOnce(tx, 'select pg_advisory_xact_lock($1)', [LOCKS[name]])

/** A connection of its own, for a lock that lasts longer than a transaction. */
const connectionFor = (url: string, connection: Record<string, number> = {}) => {
  const options = {
    max: 1,
    onnotice: () => {},
    connect_timeout: 5,
    backoff: () => 0.2,
    connection: { application_name: 'iron-till lock', ...connection },
    ...socketsTo(url),
  }
  return postgres(url, options)
}

/** Does work while no other program does its own under the same lock; `waits` is told where another one does. */
export const alone = async <T>(url: string, name: LockName, waits: () => void, work: () => Promise<T>): Promise<T> => {
  const client = connectionFor(url)
  try {
    const [row] = await client<{ mine: boolean }[]>`select pg_try_advisory_lock(${LOCKS[name]}) as mine`
    if (!row?.mine) {
      waits()
      await client`select pg_advisory_lock(${LOCKS[name]})`
    }
    return await work()
  } finally {
    await client.end({ timeout: 5 })
  }
}

/**
 * In seconds and milliseconds: how soon a server that is gone, cut off or stands still loses what it held. It asks every
 * few seconds whether it still holds it.
 */
const LOSES = {
  tcp_keepalives_idle: 10,
  tcp_keepalives_interval: 5,
  tcp_keepalives_count: 3,
  idle_session_timeout: 30_000,
}

/** A lock that the first server to ask keeps as long as its connection lives. Where that breaks, another one may get it. */
export const keptLock = (url: string, name: LockName): { isMine(): Promise<boolean>; close(): Promise<void> } => {
  const client = connectionFor(url, LOSES)
  return {
    isMine: async () => {
      const [row] = await client<{ mine: boolean }[]>`
        select coalesce(
          (select true from pg_locks where locktype = 'advisory' and pid = pg_backend_pid() and objid = ${LOCKS[name]} and granted),
          pg_try_advisory_lock(${LOCKS[name]})) as mine`
      return row?.mine === true
    },
    close: () => client.end({ timeout: 5 }),
  }
}
