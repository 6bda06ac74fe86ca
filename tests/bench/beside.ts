import { present } from '@/core/present'
import { testCluster } from '../cluster'
import { serveFilled } from './http'

const TOKEN = 'a-token-for-the-bench'
const READERS = 200
const SECONDS = 8

/** Twenty thousand rows, as many as a file may have. */
const rowsOf = (head: string, row: (i: number) => string): string =>
  JSON.stringify({
    mode: 'all',
    base64: Buffer.from([head, ...Array.from({ length: 20_000 }, (_, i) => row(i))].join('\n')).toString('base64'),
  })

/** Files that are brought in, each by its call. */
const BROUGHT: Readonly<Record<string, readonly [path: string, body: string]>> = {
  'goods from a file': [
    '/goods/import',
    rowsOf('code,name,price', (i) => `BENCH${i},A thing called ${i},${i % 90}.50`),
  ],
  'the same goods once more': [
    '/goods/import',
    rowsOf('code,name,price', (i) => `BENCH${i},A thing called ${i},${i % 80}.50`),
  ],
  'customers from a file': [
    '/customers/import',
    rowsOf('name,email,address', (i) => `Bench ${i},b${i}@bench.example,"${i} Street, Town"`),
  ],
}

/** What takes long, and what somebody else's request waits for it. */
const LONG: Readonly<Record<string, string>> = {
  'all invoices as CSV': '/export/invoices.csv',
  'all invoices as XLSX': '/export/invoices.xlsx',
  'all invoices as JSON': '/export/invoices.json',
  'all sales as CSV': '/export/sales.csv',
  'all receipts as CSV': '/export/receipts.csv',
  'all stock as CSV': '/export/stock.csv',
  'the journal as CSV': '/export/journal.csv',
  'everything as JSON': '/export/everything.json',
  'a month for the accountant': '/export/accountant.zip?from=2025-01-01&to=2025-01-31',
  'an invoice as PDF': '/export/invoices/500.pdf',
}

interface Waits {
  readonly median: number
  readonly p95: number
  readonly longest: number
  readonly count: number
}

const waitsOf = (took: readonly number[]): Waits => {
  const sorted = [...took].sort((a, b) => a - b)
  const at = (share: number) => present(sorted[Math.min(Math.floor(sorted.length * share), sorted.length - 1)])
  return { median: at(0.5), p95: at(0.95), longest: present(sorted.at(-1)), count: sorted.length }
}

const say = (name: string, { median, p95, longest, count }: Waits, more = ''): void =>
  console.log(
    `${name.padEnd(34)}${[median, p95, longest].map((f) => f.toFixed(0).padStart(10)).join('')}${String(count).padStart(10)}${more}`,
  )

/** What a short request waits while another is answered that takes long, and health while two hundred read. */
export const benchBeside = async (args: readonly string[]): Promise<void> => {
  const cluster = await testCluster({ onDisk: true })
  try {
    const sales = args.includes('--quick') ? 10_000 : 100_000
    const { base, stop } = await serveFilled(cluster.url, 'beside', sales, TOKEN)
    const ask = async (path: string, body: string | null = null): Promise<number> => {
      const answer = await fetch(`${base}/api${path}`, {
        method: body === null ? 'GET' : 'POST',
        headers: { authorization: `Bearer ${TOKEN}`, 'content-type': 'application/json' },
        body,
      })
      let bytes = 0
      for await (const part of answer.body ?? []) bytes += (part as Uint8Array).length
      if (answer.status !== 200) throw new Error(`${path} answered ${answer.status}`)
      return bytes
    }
    /** How long each of a row of requests took, until something is over. */
    const watch = async (path: string, until: Promise<unknown>): Promise<Waits> => {
      let over = false
      const done = until.finally(() => (over = true))
      const took: number[] = []
      while (!over) {
        const began = performance.now()
        await ask(path)
        took.push(performance.now() - began)
        await new Promise((r) => setTimeout(r, 5))
      }
      await done
      return waitsOf(took)
    }
    const sleep = (ms: number) => new Promise<void>((r) => setTimeout(r, ms))
    console.log('what a short request waits            median       p95   longest     asked')
    for (let i = 0; i < 200; i++) await ask('/v1/customers/50')
    say('alone', await watch('/v1/customers/50', sleep(3_000)))
    const long = [
      ...Object.entries(LONG).map(([name, path]) => [name, path] as const),
      ...Object.entries(BROUGHT).map(([name, [path, body]]) => [name, path, body] as const),
    ]
    for (const [name, path, body] of long) {
      const began = performance.now()
      const bytes = ask(`/v1${path}`, body)
      const waits = await watch('/v1/customers/50', bytes)
      say(
        `beside ${name}`,
        waits,
        `  ${((await bytes) / 1e6).toFixed(1)} MB in ${((performance.now() - began) / 1000).toFixed(1)} s`,
      )
    }
    say('health, alone', await watch('/health', sleep(2_000)))
    const end = performance.now() + SECONDS * 1_000
    const reader = async () => {
      while (performance.now() < end) await ask('/v1/receivables').catch(() => 0)
    }
    const readers = Promise.all(Array.from({ length: READERS }, reader))
    say(`health, beside ${READERS} readers`, await watch('/health', readers))
    stop()
  } finally {
    await cluster.remove()
  }
}
