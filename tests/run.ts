import { spawn } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { build } from '../scripts/build'
import { GIVEN_CLUSTER, templateCluster } from './setUp'

const root = resolve(import.meta.dirname, '..')
const bin = (name: string): string => join(root, 'node_modules/.bin', name)

interface Outcome {
  readonly passed: number
  readonly failed: number
  /** What failed, for a person. */
  readonly says: string
}

interface Ran {
  readonly status: number
  readonly out: string
  readonly said: string
}

/** A program of the project, to its end: what it wrote to its output, and everything it said. */
const run = (name: string, args: readonly string[]): Promise<Ran> =>
  new Promise((done, broke) => {
    const child = spawn(bin(name), args, {
      cwd: root,
      env: { ...process.env, NO_COLOR: '1', NEXT_TELEMETRY_DISABLED: '1' },
      stdio: ['ignore', 'pipe', 'pipe'],
    })
    const out: Buffer[] = []
    const said: Buffer[] = []
    child.stdout.on('data', (part: Buffer) => void (out.push(part), said.push(part)))
    child.stderr.on('data', (part: Buffer) => void said.push(part))
    child.on('error', broke)
    child.on('close', (status) =>
      done({
        status: status ?? 1,
        out: Buffer.concat(out).toString('utf8'),
        said: Buffer.concat(said).toString('utf8').trim(),
      }),
    )
  })

const command = async (name: string, args: readonly string[]): Promise<Outcome> => {
  const { status, said } = await run(name, args)
  return status === 0
    ? { passed: 1, failed: 0, says: '' }
    : { passed: 0, failed: 1, says: said.split('\n').slice(-40).join('\n') }
}

interface Report {
  readonly numPassedTests: number
  readonly numFailedTests: number
  readonly numTotalTests: number
  readonly testResults: readonly {
    readonly name: string
    readonly status: string
    readonly message: string
    readonly assertionResults: readonly {
      readonly status: string
      readonly fullName: string
      readonly failureMessages: readonly string[]
    }[]
  }[]
}

const vitest = async (...projects: readonly string[]): Promise<Outcome> => {
  const folder = mkdtempSync(join(tmpdir(), 'iron-till-report-'))
  const file = join(folder, 'report.json')
  const which = projects.flatMap((name) => ['--project', name])
  const reporters = ['--reporter=json', `--outputFile=${file}`, '--reporter=./tests/sayUnhandled.ts']
  const done = await run('vitest', ['run', ...which, ...reporters])
  if (!existsSync(file)) return { passed: 0, failed: 1, says: done.said.slice(-3000) }
  const report = JSON.parse(readFileSync(file, 'utf8')) as Report
  rmSync(folder, { recursive: true })
  const broken = report.testResults.filter(
    (f) => f.status === 'failed' && f.assertionResults.every((a) => a.status !== 'failed'),
  )
  const says = [
    ...report.testResults.flatMap((f) =>
      f.assertionResults
        .filter((a) => a.status === 'failed')
        .map(
          (a) => `${f.name.slice(root.length + 1)}: ${a.fullName}\n    ${a.failureMessages.join('\n').slice(0, 1500)}`,
        ),
    ),
    ...broken.map((f) => `${f.name.slice(root.length + 1)}: ${f.message}`),
    ...(done.status !== 0 && report.numFailedTests === 0 && broken.length === 0 ? [done.said.slice(-2000)] : []),
  ]
  const failed =
    report.numFailedTests +
    broken.length +
    (done.status !== 0 && says.length > 0 && report.numFailedTests + broken.length === 0 ? 1 : 0)
  return {
    passed: report.numPassedTests,
    failed: report.numTotalTests === 0 ? Math.max(failed, 1) : failed,
    says: says.join('\n  '),
  }
}

const imports = async (): Promise<Outcome> => {
  const { out } = await run('depcruise', ['src', '--config', '.dependency-cruiser.cjs', '--output-type', 'json'])
  const { summary, modules } = JSON.parse(out) as {
    summary: { violations: { from: string; to: string; rule: { name: string } }[] }
    modules: unknown[]
  }
  // A cruiser that cannot read TypeScript sees no modules and finds nothing wrong.
  if (modules.length < 100) return { passed: 0, failed: 1, says: `only ${modules.length} modules were read` }
  const says = summary.violations.map((v) => `${v.rule.name}: ${v.from} → ${v.to}`).join('\n  ')
  return summary.violations.length === 0
    ? { passed: 1, failed: 0, says: '' }
    : { passed: 0, failed: summary.violations.length, says }
}

interface Part {
  /** More than one where they run as one: none waits for the last file of another. */
  readonly names: readonly string[]
  /** Given those that are wanted. */
  readonly run: (...names: readonly string[]) => Promise<Outcome>
}

const part = (name: string, run: () => Promise<Outcome>): Part => ({ names: [name], run })

/** TypeScript 7, which checks types alone: `.bin/tsc` may be 6, through which imports are read. */
const TSC_7 = '../typescript-7/bin/tsc'

/** Two parts of a row run beside each other, in this order: each of the first row computes on little more than one core. */
const ROWS: readonly (readonly Part[])[] = [
  [
    // What others drive; where it is not asked for, they build it themselves.
    part('build', () => command('tsx', ['scripts/build.ts'])),
    part('imports', imports),
    part('core', () => vitest('core')),
    part('lint', () => command('oxlint', ['--deny-warnings', '--report-unused-disable-directives'])),
    part('format', () => command('oxfmt', ['--check'])),
    // A build throws types of pages away and writes them anew in its first seconds: they are read later than that.
    part('types', async () => {
      const generated = await command('next', ['typegen'])
      return generated.failed > 0 ? generated : command(TSC_7, ['--noEmit', '--singleThreaded'])
    }),
  ],
  [{ names: ['components', 'services'], run: vitest }],
  [
    {
      // They drive the built application.
      names: ['faults', 'http', 'browser'],
      run: (...names) => {
        build()
        return vitest(...names)
      },
    },
  ],
]
/** What is tested on copies of one database. */
const ON_DATABASES = ['services', 'http', 'browser']
const NAMES = ROWS.flat().flatMap(({ names }) => names)

const wanted = process.argv.slice(2)
const unknown = wanted.filter((w) => !NAMES.includes(w))
if (unknown.length > 0) {
  console.error(`There is no part ${unknown.join(', ')}. The parts are: ${NAMES.join(', ')}`)
  process.exit(1)
}

let passed = 0
let failed = 0
const take = async ({ names, run: start }: Part): Promise<void> => {
  const began = performance.now()
  const outcome = await start(...names)
  passed += outcome.passed
  failed += outcome.failed
  const seconds = ((performance.now() - began) / 1000).toFixed(1)
  console.log(
    `${outcome.failed === 0 ? '✓' : '✗'} ${names.join(' ').padEnd(10)} ${outcome.passed} passed, ${outcome.failed} failed (${seconds} s)`,
  )
  if (outcome.says) console.log(`  ${outcome.says}`)
}

/** Takes one part after the other from the front of those that are left. */
const takeAll = async (left: Part[]): Promise<void> => {
  for (let next = left.shift(); next; next = left.shift()) await take(next)
}

const isWanted = (name: string): boolean => wanted.length === 0 || wanted.includes(name)
const cluster = ON_DATABASES.some(isWanted) ? await templateCluster() : null
if (cluster) process.env[GIVEN_CLUSTER] = cluster.url
for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.once(signal, () => void Promise.resolve(cluster?.remove()).finally(() => process.exit(1)))

try {
  for (const row of ROWS) {
    const left = row.map((p) => ({ ...p, names: p.names.filter(isWanted) })).filter(({ names }) => names.length > 0)
    await Promise.all([takeAll(left), takeAll(left)])
  }
} finally {
  await cluster?.remove()
}
console.log(`${passed} passed, ${failed} failed`)
process.exit(failed === 0 && passed > 0 ? 0 : 1)
