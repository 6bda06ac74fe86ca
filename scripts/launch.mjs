// @ts-check
/**
 * Runs scripts/start.ts from one file that is made of all it reads (and a few for the demo), anew where one of those changed: reading three
 * hundred files one after the other took two seconds of each start. Plain JavaScript, because nothing compiles it.
 */
import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { basename, dirname, join, resolve } from 'node:path'
import { pathToFileURL } from 'node:url'

const root = resolve(import.meta.dirname, '..')
const folder = join(root, 'node_modules/.cache/iron-till')
const madeFile = join(folder, 'start.mjs')
/** What was made, and of what: each file, and when that was written. */
const fromFile = join(folder, 'start-from.json')

/** Packages of many small files, which are read as part of it; others stay where they are. */
const WITHIN = ['big.js', 'drizzle-orm', 'fast-xml-parser', 'postgres', 'zod']

/** In milliseconds. */
const LONG = 3_600_000

/** @param {string} file */
const writtenAt = (file) => statSync(file).mtimeMs

const isFresh = () => {
  try {
    /** @type {{ made: string[], from: Record<string, number> }} */
    const { made, from } = JSON.parse(readFileSync(fromFile, 'utf8'))
    return (
      made.every((name) => existsSync(join(folder, name))) &&
      Object.entries(from).every(([file, at]) => writtenAt(join(root, file)) === at)
    )
  } catch {
    return false
  }
}

/** Whole or not at all: two starts may make it at once. @param {string} file @param {string} text */
const write = (file, text) => {
  const beside = `${file}.${process.pid}`
  writeFileSync(beside, text)
  renameSync(beside, file)
}

/** Our files go on lying where they lay, for what they read beside them. @param {{ path: string }} file */
const whereItLay = ({ path }) => {
  if (path.includes('/node_modules/')) return undefined
  const text = readFileSync(path, 'utf8')
    .replaceAll('import.meta.dirname', JSON.stringify(dirname(path)))
    .replaceAll('import.meta.url', JSON.stringify(pathToFileURL(path).href))
  return { contents: text, loader: /** @type {const} */ ('ts') }
}

const make = async () => {
  const began = Date.now()
  const { build } = await import('esbuild')
  const { dependencies, devDependencies } = JSON.parse(readFileSync(join(root, 'package.json'), 'utf8'))
  const { outputFiles, metafile } = await build({
    absWorkingDir: root,
    entryPoints: ['scripts/start.ts'],
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    alias: { '@': join(root, 'src') },
    external: Object.keys({ ...dependencies, ...devDependencies }).filter((name) => !WITHIN.includes(name)),
    plugins: [{ name: 'where it lay', setup: ({ onLoad }) => onLoad({ filter: /\.ts$/ }, whereItLay) }],
    write: false,
    splitting: true,
    outdir: folder,
    outExtension: { '.js': '.mjs' },
    metafile: true,
    logLevel: 'error',
  })
  mkdirSync(folder, { recursive: true })
  // What was written while it was read is read again next time.
  const when = (/** @type {number} */ at) => (at < began ? at : 0)
  const from = Object.keys(metafile.inputs).map((file) => [file, when(writtenAt(join(root, file)))])
  for (const { path, text } of outputFiles) write(path, text)
  const made = outputFiles.map(({ path }) => basename(path))
  write(fromFile, JSON.stringify({ made, from: Object.fromEntries(from) }))
  throwAwayBut([...made, basename(fromFile)])
}

/** What was made long ago: a start that is just going on may still read what was made before. @param {readonly string[]} kept */
const throwAwayBut = (kept) => {
  for (const name of readdirSync(folder))
    if (!kept.includes(name) && writtenAt(join(folder, name)) < Date.now() - LONG)
      rmSync(join(folder, name), { force: true })
}

/** Where nothing may be written beside the packages, each file is read by itself. */
const readEach = async () => {
  const { register } = await import('tsx/esm/api')
  register()
  await import(pathToFileURL(join(root, 'scripts/start.ts')).href)
}

const isMade = async () => {
  if (isFresh()) return true
  try {
    await make()
    return true
  } catch {
    return false
  }
}

if (await isMade()) await import(pathToFileURL(madeFile).href)
else await readEach()
