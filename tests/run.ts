import { spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { build } from '../scripts/build'

const root = resolve(import.meta.dirname, '..')
const bin = (name: string): string => join(root, 'node_modules/.bin', name)

interface Outcome {
  readonly passed: number
  readonly failed: number
  /** What failed, for a person. */
  readonly says: string
}

const command = (name: string, args: readonly string[]): Outcome => {
  const done = spawnSync(bin(name), args, {
    cwd: root,
    encoding: 'utf8',
    env: { ...process.env, NO_COLOR: '1', NEXT_TELEMETRY_DISABLED: '1' },
    maxBuffer: 64_000_000,
  })
  const output = `${done.stdout}${done.stderr}`.trim()
  return done.status === 0
    ? { passed: 1, failed: 0, says: '' }
    : { passed: 0, failed: 1, says: output.split('\n').slice(-40).join('\n') }
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

const vitest = (project: string): Outcome => {
  const file = join(mkdtempSync(join(tmpdir(), 'iron-till-report-')), 'report.json')
  const done = spawnSync(bin('vitest'), ['run', '--project', project, '--reporter=json', `--outputFile=${file}`], {
    cwd: root,
    encoding: 'utf8',
    env: { ...process.env, NO_COLOR: '1' },
    maxBuffer: 64_000_000,
  })
  if (!existsSync(file)) return { passed: 0, failed: 1, says: `${done.stdout}${done.stderr}`.slice(-3000) }
  const report = JSON.parse(readFileSync(file, 'utf8')) as Report
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
    ...(done.status !== 0 && report.numFailedTests === 0 && broken.length === 0
      ? [`${done.stdout}${done.stderr}`.slice(-2000)]
      : []),
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

const imports = (): Outcome => {
  const done = spawnSync(bin('depcruise'), ['src', '--config', '.dependency-cruiser.cjs', '--output-type', 'json'], {
    cwd: root,
    encoding: 'utf8',
    maxBuffer: 256_000_000,
  })
  const { summary, modules } = JSON.parse(done.stdout) as {
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

/** Parts that drive the built application. */
const built = (project: string) => (): Outcome => {
  build()
  return vitest(project)
}

const PARTS: readonly (readonly [name: string, run: () => Outcome])[] = [
  ['format', () => command('prettier', ['--check', '.'])],
  ['lint', () => command('eslint', ['.', '--max-warnings', '0'])],
  [
    'types',
    () => {
      const generated = command('next', ['typegen'])
      return generated.failed > 0 ? generated : command('tsc', ['--noEmit'])
    },
  ],
  ['imports', imports],
  ['core', () => vitest('core')],
  ['components', () => vitest('components')],
  ['services', () => vitest('services')],
  ['faults', built('faults')],
  ['http', built('http')],
  ['browser', built('browser')],
]

const wanted = process.argv.slice(2)
const unknown = wanted.filter((w) => !PARTS.some(([name]) => name === w))
if (unknown.length > 0) {
  console.error(`There is no part ${unknown.join(', ')}. The parts are: ${PARTS.map(([name]) => name).join(', ')}`)
  process.exit(1)
}

let passed = 0
let failed = 0
for (const [name, run] of PARTS) {
  if (wanted.length > 0 && !wanted.includes(name)) continue
  const began = performance.now()
  const outcome = run()
  passed += outcome.passed
  failed += outcome.failed
  const seconds = ((performance.now() - began) / 1000).toFixed(1)
  console.log(
    `${outcome.failed === 0 ? '✓' : '✗'} ${name.padEnd(9)} ${outcome.passed} passed, ${outcome.failed} failed (${seconds} s)`,
  )
  if (outcome.says) console.log(`  ${outcome.says}`)
}
console.log(`${passed} passed, ${failed} failed`)
process.exit(failed === 0 && passed > 0 ? 0 : 1)
