import { Font } from '@react-pdf/renderer'
import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { unpackWoff } from './unpackWoff'

/** The files the papers are set in; the build puts them beside the server, while developing they come from node_modules. */
const fileOf = (family: string, name: string): string => {
  const built = join(process.cwd(), 'paper-fonts', name)
  const path = existsSync(built)
    ? built
    : join(process.cwd(), 'node_modules/@fontsource', family, 'files', name)
  return `data:font/ttf;base64,${unpackWoff(readFileSync(path)).toString('base64')}`
}

let registered = false

/** Registers the typefaces once. Latin and latin-ext are families of their own: given both, no letter such as Ł vanishes. */
export const registerFonts = (): void => {
  if (registered) return
  registered = true
  const both = ['latin', 'latin-ext'] as const
  for (const script of both) {
    Font.register({
      family: `text-${script}`,
      fonts: [400, 700].map((fontWeight) => ({
        src: fileOf(
          'atkinson-hyperlegible-next',
          `atkinson-hyperlegible-next-${script}-${fontWeight}-normal.woff`,
        ),
        fontWeight,
      })),
    })
    Font.register({
      family: `slab-${script}`,
      src: fileOf('zilla-slab', `zilla-slab-${script}-600-normal.woff`),
      fontWeight: 600,
    })
    Font.register({
      family: `figure-${script}`,
      fonts: [400, 700].map((fontWeight) => ({
        src: fileOf(
          'atkinson-hyperlegible-mono',
          `atkinson-hyperlegible-mono-${script}-${fontWeight}-normal.woff`,
        ),
        fontWeight,
      })),
    })
  }
  Font.register({
    family: 'hebrew',
    fonts: [400, 700].map((fontWeight) => ({
      src: fileOf('noto-sans-hebrew', `noto-sans-hebrew-hebrew-${fontWeight}-normal.woff`),
      fontWeight,
    })),
  })
  Font.registerHyphenationCallback((word) => [word])
}

/** A family for each script; the first that has a letter sets it. */
export const TEXT = ['text-latin', 'text-latin-ext', 'hebrew']
export const SLAB = ['slab-latin', 'slab-latin-ext', 'hebrew']
export const FIGURE = ['figure-latin', 'figure-latin-ext', 'hebrew']
