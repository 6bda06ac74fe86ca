import { existsSync, readFileSync, statSync, utimesSync, writeFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { expect, test } from 'vitest'
import { begin } from './till'

/* A start runs from files that were made of what it reads (scripts/launch.mjs, docs/decisions/46). */

const root = resolve(import.meta.dirname, '../..')
const made = join(root, 'node_modules/.cache/iron-till/start.mjs')
const from = join(root, 'node_modules/.cache/iron-till/start-from.json')

/** Starts on a port that is none: far enough to say so. */
const start = async (): Promise<string> => {
  const started = begin(join(root, 'tmp/never'), NaN)
  expect(await started.ended).toBe(1)
  return started.said()
}
const SAYS = 'PORT is a number from 1 to 65535; it is “NaN”.'
const madeAt = (): number => statSync(made).mtimeMs

test('they are made once, and again where one of what they were made of was written since, or the list is broken', async () => {
  expect(await start()).toContain(SAYS)
  const first = madeAt()
  expect(await start()).toContain(SAYS)
  expect(madeAt()).toBe(first)

  utimesSync(join(root, 'scripts/sayProblem.ts'), new Date(), new Date())
  expect(await start()).toContain(SAYS)
  const second = madeAt()
  expect(second).toBeGreaterThan(first)

  writeFileSync(from, '{"scripts/sayProblem.ts":')
  expect(await start()).toContain(SAYS)
  expect(madeAt()).toBeGreaterThan(second)
  expect(Object.keys(JSON.parse(readFileSync(from, 'utf8')))).toEqual(
    expect.arrayContaining(['scripts/start.ts', 'scripts/sayProblem.ts', 'src/data/migrate.ts', 'demo/load.ts']),
  )
  // Looked at before anything else is begun.
  expect(existsSync(join(root, 'tmp/never'))).toBe(false)
})
