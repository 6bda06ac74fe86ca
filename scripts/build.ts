import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { cpSync, existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { buildSync } from 'esbuild'
import { pathToFileURL } from 'node:url'
import { PAPER_FONTS } from '../src/documents/draw/fonts'

const root = resolve(import.meta.dirname, '..')
const stampFile = join(root, '.next/built-from')
const SOURCES = [
  'src',
  'public',
  'package.json',
  'package-lock.json',
  'patches',
  'next.config.ts',
  'postcss.config.mjs',
  'tsconfig.json',
  'scripts/door.mjs',
  'scripts/keepRoom.mjs',
  'scripts/lanes.mjs',
  'scripts/readIn.mjs',
]

const filesUnder = (path: string): string[] => {
  if (!existsSync(path)) return []
  if (!statSync(path).isDirectory()) return [path]
  return readdirSync(path)
    .sort()
    .flatMap((name) => filesUnder(join(path, name)))
}

/** One hash over all that goes into a build. */
const fingerprint = (): string => {
  const hash = createHash('sha256')
  for (const file of SOURCES.flatMap((s) => filesUnder(join(root, s))).filter((f) => !/\.test\.tsx?$/.test(f))) {
    hash.update(file.slice(root.length)).update(readFileSync(file))
  }
  return hash.digest('hex')
}

/** The papers' typefaces, beside the server that sets them. */
const copyPaperFonts = (): void => {
  const to = join(root, '.next/standalone/paper-fonts')
  for (const { family, file } of PAPER_FONTS)
    cpSync(join(root, 'node_modules/@fontsource', family, 'files', file), join(to, file))
}

/** What runs on threads of its own, each in one file beside the server; packages come from the project's. */
const bundleWorkers = (): void => {
  buildSync({
    entryPoints: {
      papers: join(root, 'src/workers/papers.worker.ts'),
      tables: join(root, 'src/workers/tables.worker.ts'),
      invoices: join(root, 'src/workers/invoices.worker.ts'),
      statements: join(root, 'src/workers/statements.worker.ts'),
      cards: join(root, 'src/workers/cards.worker.ts'),
      marks: join(root, 'src/workers/marks.worker.ts'),
      proposals: join(root, 'src/workers/proposals.worker.ts'),
      lists: join(root, 'src/workers/lists.worker.ts'),
    },
    outdir: join(root, '.next/standalone/workers'),
    outExtension: { '.js': '.mjs' },
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    alias: { '@': join(root, 'src') },
    logLevel: 'error',
  })
}

/** Builds the application where its sources changed since the last build. Answers whether it had to. */
export const build = (): boolean => {
  const now = fingerprint()
  const server = join(root, '.next/standalone/server.js')
  if (existsSync(server) && existsSync(stampFile) && readFileSync(stampFile, 'utf8') === now) return false
  const done = spawnSync(process.execPath, [join(root, 'node_modules/next/dist/bin/next'), 'build'], {
    cwd: root,
    encoding: 'utf8',
    env: { ...process.env, TILL_BUILD: now.slice(0, 16), NEXT_TELEMETRY_DISABLED: '1', NODE_ENV: 'production' },
  })
  if (done.status !== 0) throw new Error(`The build failed:\n${done.stdout}\n${done.stderr}`)
  cpSync(join(root, '.next/static'), join(root, '.next/standalone/.next/static'), { recursive: true })
  if (existsSync(join(root, 'public')))
    cpSync(join(root, 'public'), join(root, '.next/standalone/public'), { recursive: true })
  copyPaperFonts()
  bundleWorkers()
  for (const name of ['door.mjs', 'keepRoom.mjs', 'lanes.mjs', 'readIn.mjs'])
    cpSync(join(root, 'scripts', name), join(root, '.next/standalone', name))
  writeFileSync(stampFile, now)
  return true
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href)
  console.log(build() ? 'built' : 'nothing changed since the last build')
