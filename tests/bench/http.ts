import type { ChildProcess } from 'node:child_process'
import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { sql } from 'drizzle-orm'
import { freePort } from '../../scripts/cluster'
import { findPostgres } from '../../scripts/postgres'
import { serve } from '../../scripts/serve'
import { present } from '@/core/present'
import type { Database } from '@/data/connect'
import { testCluster } from '../cluster'
import { fillTrade, PASSPHRASE, runFile, today } from './fill'
import { computed, parentOf } from './processes'

/**
 * What an owner's pages cost over HTTP, with the database on the disk: computing of server and database as the kernel counts it, and
 * what was asked of the database. The built application is measured: `npm run build` first.
 */
export const PAGES: Readonly<Record<string, string>> = {
  'a cheap page': '/people/new',
  Today: '/today',
  Sales: '/sales',
  'Sales, searched': '/sales?search=customer+77',
  'Sales, searched, a common word': '/sales?search=sale',
  'a sale': '/sales/500',
  Invoices: '/invoices',
  'Invoices, late': '/invoices?state=late',
  'Invoices, searched': '/invoices?search=customer+77',
  Owed: '/owed',
  'Owed, a year ago': '/owed?asOf=2025-11-25',
  Expected: '/owed/expected',
  Habits: '/owed/habits',
  'Held money': '/owed/held',
  Receipts: '/receipts',
  'a customer': '/people/50',
  People: '/people',
  'Money in': '/money-in?customer=50',
  'the drawer': '/money-in/drawer',
  'to the bank': '/money-in/bank',
  Goods: '/goods',
  Stock: '/goods/stock',
  Bills: '/buying/bills',
  Orders: '/buying',
  Payables: '/buying/payables',
  Proposals: '/buying/proposals',
  Books: '/books',
  'Profit and loss, ten years': '/books?view=profit-and-loss&from=2016-12-01&to=2026-11-25',
  'Cash flow, ten years': '/books?view=cash-flow&from=2016-12-01&to=2026-11-25',
  Tax: '/books?view=tax',
  Ties: '/books?view=ties',
  'Month end': '/books/month',
  'Profit by sale': '/sales/profit',
  'Sales reports': '/sales/reports',
}

const RUNS = 12
/** A server runs for days: what it does often, it has compiled. Freshly started, a page costs up to twice as much. */
export const ROUNDS_BEFORE = 20

interface Cost {
  readonly wall: number
  readonly server: number
  readonly database: number
  readonly sql: number
  readonly statements: number
  readonly bytes: number
}

const signIn = async (base: string): Promise<string> => {
  const answer = await fetch(`${base}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: base },
    body: JSON.stringify({ passphrase: PASSPHRASE }),
  })
  return present(present(answer.headers.get('set-cookie')).split(';')[0])
}

/** A filled business that the application is started on. */
export const fillAll = async (url: string, name: string, sales: number, extension: boolean) => {
  const filled = await fillTrade(url, name, sales)
  await runFile(filled.db, 'stock.sql')
  await runFile(filled.db, 'buying.sql')
  await filled.db.execute(sql`vacuum analyze`)
  if (extension) await filled.db.execute(sql`create extension pg_stat_statements`)
  return filled
}

/** The application on a database filled for it alone; whoever has the token may do everything. */
export const serveFilled = async (url: string, name: string, sales: number, token: string) => {
  const filled = await fillAll(url, name, sales, false)
  await filled.close()
  const port = await freePort()
  const env = { TILL_API_TOKEN: token, TILL_TODAY: today }
  const server = await serve({ port, databaseUrl: filled.databaseUrl, env })
  return { base: `http://127.0.0.1:${port}`, stop: () => server.kill() }
}

interface Filled {
  readonly db: Database
  readonly databaseUrl: string
}

/** Starts the application on a filled database, and answers a way to see what a page costs. */
export const openServer = async ({ db, databaseUrl }: Filled, extension: boolean) => {
  const [backend] = await db.execute<{ pid: number }>(sql`select pg_backend_pid() as pid`)
  const postmaster = parentOf(present(backend).pid)
  const port = await freePort()
  const server: ChildProcess = await serve({ port, databaseUrl, env: { TILL_TODAY: today } })
  const base = `http://127.0.0.1:${port}`
  const cookie = await signIn(base)
  const text = async (path: string): Promise<string> => {
    const answer = await fetch(`${base}${path}`, { headers: { cookie }, redirect: 'manual' })
    if (answer.status !== 200) throw new Error(`${path} answered ${answer.status}`)
    return answer.text()
  }
  const get = async (path: string): Promise<number> => Buffer.byteLength(await text(path))
  const asked = async () => {
    if (!extension) return { calls: 0, ms: 0 }
    const [row] = await db.execute<{ calls: number; ms: number }>(
      sql`select coalesce(sum(calls), 0)::int as calls, coalesce(sum(total_exec_time), 0) as ms from pg_stat_statements s
            join pg_database d on d.oid = s.dbid where d.datname = current_database() and s.query not like '%pg_stat_statements%'`,
    )
    return present(row)
  }
  const measure = async (path: string): Promise<Cost> => {
    const pid = present(server.pid)
    const before = { server: computed(pid), database: computed(postmaster), ...(await asked()) }
    const took: number[] = []
    let bytes = 0
    for (let i = 0; i < RUNS; i++) {
      const began = performance.now()
      bytes = await get(path)
      took.push(performance.now() - began)
    }
    const after = { server: computed(pid), database: computed(postmaster), ...(await asked()) }
    return {
      wall: present(took.sort((a, b) => a - b)[RUNS / 2]),
      server: (after.server - before.server) / RUNS,
      database: (after.database - before.database) / RUNS,
      sql: (after.ms - before.ms) / RUNS,
      statements: Math.round((after.calls - before.calls) / RUNS),
      bytes,
    }
  }
  return { measure, get, text, close: () => server.kill() }
}

/** By how much of a power a figure grows from one size to another: 0 stays, 1 grows as the trade does. */
const exponent = (small: Cost, large: Cost, times: number): number =>
  Math.log(Math.max(large.server + large.database, 1) / Math.max(small.server + small.database, 1)) / Math.log(times)

const BAR = 60

export const benchHttp = async (args: readonly string[]): Promise<void> => {
  const sizes = args.includes('--quick') ? [1_000, 100_000] : [1_000, 10_000, 100_000]
  const only = args.find((a) => a.startsWith('--page='))?.slice('--page='.length)
  const extension = existsSync(join(present(findPostgres()), '../lib/pg_stat_statements.so'))
  const cluster = await testCluster({
    onDisk: true,
    settings: extension ? ['shared_preload_libraries=pg_stat_statements'] : [],
  })
  const results: Record<string, Record<number, Cost>> = {}
  try {
    for (const sales of sizes) {
      const filled = await fillAll(cluster.url, `trade_${sales}`, sales, extension)
      const shop = await openServer(filled, extension)
      try {
        const pages = Object.entries(PAGES).filter(([name]) => !only || name.includes(only))
        for (let i = 0; i < ROUNDS_BEFORE; i++) for (const [, path] of pages) await shop.get(path)
        for (const [name, path] of pages) (results[name] ??= {})[sales] = await shop.measure(path)
      } finally {
        shop.close()
        await filled.close()
      }
    }
  } finally {
    await cluster.remove()
  }
  if (args.includes('--json')) console.log(JSON.stringify(results))
  else say(results, sizes)
}

const say = (results: Readonly<Record<string, Readonly<Record<number, Cost>>>>, sizes: readonly number[]): void => {
  const [small, large] = [present(sizes[0]), present(sizes.at(-1))]
  const columns = ['computed', 'server', 'database', 'SQL', 'asked', 'kB', 'waited', 'small', 'grows']
  console.log(`${'page'.padEnd(32)}${columns.map((c) => c.padStart(10)).join('')}`)
  for (const [name, of] of Object.entries(results)) {
    const [a, b] = [present(of[small]), present(of[large])]
    const all = b.server + b.database
    const figures = [all, b.server, b.database, b.sql, b.statements, b.bytes / 1000, b.wall, a.server + a.database]
    const line = figures.map((f) => f.toFixed(f >= 100 ? 0 : 1).padStart(10)).join('')
    console.log(
      `${name.padEnd(32)}${line}${exponent(a, b, large / small)
        .toFixed(2)
        .padStart(10)}${all > BAR ? '  over 60 ms' : ''}`,
    )
  }
}
