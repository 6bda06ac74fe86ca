import { keysOf } from '@/core/keysOf'
import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { unpackFont } from './unpackFont'

/** How a piece of text is set: words, headings, figures; plain or strong. */
export type Face = 'text' | 'text-bold' | 'slab' | 'figure' | 'figure-bold'

const SCRIPTS = ['latin', 'latin-ext'] as const
/** Letters that our typefaces do not have, and names have: whoever is written to stands on the paper as they write themselves. */
const OTHERS = [
  ['noto-sans-hebrew', 'hebrew'],
  ['noto-sans', 'vietnamese'],
  ['noto-sans', 'greek'],
  ['noto-sans', 'greek-ext'],
  ['noto-sans', 'cyrillic'],
  ['noto-sans', 'cyrillic-ext'],
] as const
const FAMILY = {
  text: ['atkinson-hyperlegible-next', 400],
  'text-bold': ['atkinson-hyperlegible-next', 700],
  slab: ['zilla-slab', 600],
  figure: ['atkinson-hyperlegible-mono', 400],
  'figure-bold': ['atkinson-hyperlegible-mono', 700],
} as const satisfies Readonly<Record<Face, readonly [string, number]>>

interface FontFile {
  /** Under which it is registered: a face and a script. */
  readonly name: string
  readonly family: string
  readonly file: string
}

/** Every file that papers are set in: the build puts them beside the server. */
export const PAPER_FONTS: readonly FontFile[] = keysOf<Face>(FAMILY).flatMap((face) => {
  const [family, weight] = FAMILY[face]
  const others = weight === 400 ? 400 : 700
  const of = (from: string, script: string, heavy: number): FontFile => ({
    name: `${face}-${script}`,
    family: from,
    file: `${from}-${script}-${heavy}-normal.woff`,
  })
  return [
    ...SCRIPTS.map((script) => of(family, script, weight)),
    ...OTHERS.map(([from, script]) => of(from, script, others)),
  ]
})

/** While developing they come from node_modules. */
const readFont = ({ family, file }: FontFile): Buffer => {
  const built = join(process.cwd(), 'paper-fonts', file)
  return unpackFont(
    readFileSync(existsSync(built) ? built : join(process.cwd(), 'node_modules/@fontsource', family, 'files', file)),
  )
}

let loaded: ReadonlyMap<string, Buffer> | null = null

/** Every typeface by the name it is registered under. Read and unpacked once. */
export const fontFiles = (): ReadonlyMap<string, Buffer> =>
  (loaded ??= new Map(PAPER_FONTS.map((font) => [font.name, readFont(font)])))

/** The typefaces that may set a letter of a face, in the order they are asked. */
export const facesOf = (face: Face): readonly string[] =>
  [...SCRIPTS, ...OTHERS.map(([, script]) => script)].map((script) => `${face}-${script}`)
