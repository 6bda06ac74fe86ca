import { execFile } from 'node:child_process'
import { cpSync, mkdirSync, mkdtempSync, readdirSync, rmSync, statSync, symlinkSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join, resolve } from 'node:path'
import { afterAll, expect, test } from 'vitest'

/* A start runs from files that are made of what it reads (docs/decisions/46); here a start of three files. */

const root = resolve(import.meta.dirname, '../..')
const home = mkdtempSync(join(tmpdir(), 'iron-till-launch-'))
const made = join(home, 'node_modules/.cache/iron-till')
afterAll(() => rmSync(home, { recursive: true, force: true }))

const write = (name: string, text: string): void => {
  mkdirSync(dirname(join(home, name)), { recursive: true })
  writeFileSync(join(home, name), text)
}
write('package.json', '{ "type": "module", "dependencies": {}, "devDependencies": { "esbuild": "*" } }')
write('tsconfig.json', '{ "compilerOptions": { "paths": { "@/*": ["./src/*"] } } }')
write('src/word.ts', `export const word: string = 'one'`)
write('demo/later.ts', `await Promise.resolve()\nexport const later: string = import.meta.dirname`)
write(
  'scripts/start.ts',
  `import { word } from '@/word'
   console.log(word, import.meta.dirname, (await import('../demo/later')).later)`,
)
cpSync(join(root, 'scripts/launch.mjs'), join(home, 'scripts/launch.mjs'))
mkdirSync(join(home, 'node_modules'))
for (const name of ['esbuild', 'tsx']) symlinkSync(join(root, 'node_modules', name), join(home, 'node_modules', name))

/** What a start says. */
const start = (): Promise<string> =>
  new Promise((done) =>
    execFile(process.execPath, ['scripts/launch.mjs'], { cwd: home }, (_, out, problem) =>
      done((out + problem).trim()),
    ),
  )
const says = (word: string): string => `${word} ${home}/scripts ${home}/demo`
const madeAt = (): number => statSync(join(made, 'start.mjs')).mtimeMs

test('they are made once, and anew where what they were made of changed, or one of them is gone', async () => {
  expect(await start()).toBe(says('one'))
  const first = madeAt()
  expect(await start()).toBe(says('one'))
  expect(madeAt()).toBe(first)

  write('src/word.ts', `export const word: string = 'two'`)
  expect(await start()).toBe(says('two'))
  expect(madeAt()).toBeGreaterThan(first)

  rmSync(
    join(
      made,
      readdirSync(made).find((name) => name.startsWith('later'))!,
    ),
  )
  expect(await start()).toBe(says('two'))
})

test('what cannot be made says why, and where nothing can be kept each file is read by itself', async () => {
  write('src/word.ts', 'export const = 3')
  expect(await start()).toMatch(/src\/word\.ts:1:\d+: ERROR: Expected identifier/)

  write('src/word.ts', `export const word: string = 'three'`)
  rmSync(join(home, 'node_modules/.cache'), { recursive: true })
  write('node_modules/.cache', 'no folder')
  expect(await start()).toBe(says('three'))
})
