import { execFile } from 'node:child_process'
import { Agent, request } from 'node:http'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { promisify } from 'node:util'
import { freePort } from '../../scripts/cluster'
import { findPostgres } from '../../scripts/postgres'
import { serve } from '../../scripts/serve'
import { present } from '@/core/present'
import { testCluster } from '../cluster'
import { fillTrade, today } from './fill'

const TOKEN = 'a-token-for-the-bench'
const CLIENTS = [1, 4, 16] as const
const SECONDS = 8
/** So many rounds go before those that are told. */
const WARM = 3

interface Rate {
  readonly perSecond: number
  readonly median: number
  readonly p95: number
}

const rateOf = (took: number[], seconds: number): Rate => {
  const sorted = took.sort((a, b) => a - b)
  const at = (share: number) => sorted[Math.floor(sorted.length * share)] ?? 0
  return { perSecond: sorted.length / seconds, median: at(0.5), p95: at(0.95) }
}

const agent = new Agent({ keepAlive: true })

/** Takes money, with as little computing of our own as it takes: it is done on the same cores. */
const takeOnce = (port: number, customerId: number, key: string): Promise<void> =>
  new Promise((done, broke) => {
    const body = JSON.stringify({ customerId, method: 'cash', amount: '5.00', for: 'account' })
    const headers = {
      authorization: `Bearer ${TOKEN}`,
      'content-type': 'application/json',
      'content-length': Buffer.byteLength(body),
      'idempotency-key': key,
    }
    const sent = request(
      { agent, host: '127.0.0.1', port, path: '/api/v1/receipts', method: 'POST', headers },
      (res) => {
        res.resume()
        res.on('end', () =>
          res.statusCode === 201 ? done() : broke(new Error(`a receipt answered ${res.statusCode}`)),
        )
      },
    )
    sent.on('error', broke)
    sent.end(body)
  })

/** So many clients take money for so long, each one receipt after the other, of customers in turn. */
const takeMoney = async (port: number, clients: number): Promise<Rate> => {
  const took: number[] = []
  const end = performance.now() + SECONDS * 1000
  const client = async (mine: number) => {
    for (let i = mine; performance.now() < end; i += clients) {
      const began = performance.now()
      await takeOnce(port, 2 + (i % 200), `${clients}-${mine}-${i}-${began}`)
      took.push(performance.now() - began)
    }
  }
  await Promise.all(Array.from({ length: clients }, (_, mine) => client(mine)))
  return rateOf(took, SECONDS)
}

/** The rows of one receipt, put in by the database's own bench: the key, the number, the entry, the receipt, what is held. */
const ROWS = `
\\set customer random(2, 200)
begin;
insert into command (key, fingerprint) values ('bench-' || nextval('bench_key'), 'bench') returning currval('bench_key') as own \\gset
insert into number_series (series, year, last) values ('bench', 2026, 1)
  on conflict (series, year) do update set last = number_series.last + 1 returning last \\gset
insert into entry (on_day, text, source_kind, source_id, customer_id)
  values ('${today}', 'Receipt of the bench', 'receipt', 1, :customer) returning id as entry \\gset
insert into entry_line (entry_id, account_id, on_day, amount)
  values (:entry, (select id from account where role = 'drawer'), '${today}', 500),
         (:entry, (select id from account where role = 'on-account'), '${today}', -500);
insert into receipt (number, customer_id, on_day, method, amount, tendered, rounding, reference, entry_id)
  values ('B-' || :last, :customer, '${today}', 'cash', 500, 500, 0, '', :entry) returning id as receipt \\gset
insert into held_move (customer_id, kind, on_day, amount, why, receipt_id, entry_id)
  values (:customer, 'account', '${today}', 500, 'receipt', :receipt, :entry);
update command set answer = '{}' where key = 'bench-' || :own;
commit;
`

/** What the database's own bench does of the same in a second. */
const rowsPerSecond = async (url: string, clients: number): Promise<number> => {
  const folder = mkdtempSync(join(tmpdir(), 'iron-till-rows-'))
  const file = join(folder, 'rows.sql')
  writeFileSync(file, ROWS)
  const { stdout } = await promisify(execFile)(join(present(findPostgres()), 'pgbench'), [
    ...['-n', '-M', 'prepared', '-c', String(clients), '-j', '2', '-T', String(SECONDS), '-f', file, url],
  ]).finally(() => rmSync(folder, { recursive: true }))
  const said = present(/tps = ([\d.]+)/.exec(stdout))
  return Number(said[1])
}

/** Receipts over HTTP beside the same rows put in by the database's own bench, in one run. */
export const benchReceipts = async (): Promise<void> => {
  const cluster = await testCluster({ onDisk: true })
  try {
    const { databaseUrl, db, close } = await fillTrade(cluster.url, 'receipts', 10_000)
    await db.execute('create sequence bench_key')
    const port = await freePort()
    const server = await serve({ port, databaseUrl, env: { TILL_API_TOKEN: TOKEN, TILL_TODAY: today } })
    // A server runs for days, and a database looks at what it holds within a minute.
    for (let i = 0; i < WARM; i++) await takeMoney(port, 4)
    await db.execute('analyze')
    await close()
    const rates = new Map<number, Rate>()
    for (const clients of CLIENTS) {
      const rate = await takeMoney(port, clients)
      rates.set(clients, rate)
      const rows = await rowsPerSecond(databaseUrl, clients)
      console.log(
        `${String(clients).padStart(2)} clients: ${rate.perSecond.toFixed(0)} receipts a second, ${rows.toFixed(0)} of their rows alone (${((rate.perSecond / rows) * 100).toFixed(0)} %); median ${rate.median.toFixed(1)} ms, p95 ${rate.p95.toFixed(1)} ms`,
      )
    }
    const [one, many] = [present(rates.get(1)), present(rates.get(16))]
    console.log(`the p95 of 16 clients is ${(many.p95 / one.median).toFixed(1)} times the median of one`)
    server.kill()
  } finally {
    await cluster.remove()
  }
}
