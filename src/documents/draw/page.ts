import { type Sheet, type TextStyle, heightOf, setText } from './setText'
import type { Face } from './fonts'

export const INK = { text: '#1f2327', quiet: '#5c636b', rule: '#e6dfcf', foot: '#cfc5b0' } as const

export const MARGIN = 48

export const FOOT = 64

/** A page being filled from the top: where it stands, and how wide it is. */
export interface Page {
  readonly sheet: Sheet
  readonly root: PDFKit.PDFStructureElement
  readonly colour: string
  readonly wide: number
  readonly bottom: number
  y: number
}

export const style = (face: Face, size: number, colour: string, align: TextStyle['align']): TextStyle => ({
  face,
  size,
  colour,
  align,
})

/** The side a line begins at, and ends at, as the language runs. */
export const sides = (sheet: Sheet) =>
  sheet.rtl ? ({ start: 'right', end: 'left' } as const) : ({ start: 'left', end: 'right' } as const)

/** A part of the page that stands together: as tall as it will be, and how it is drawn from its top. */
export interface Part {
  readonly tag: 'P' | 'H1' | 'H2'
  readonly text: string
  readonly style: TextStyle
  readonly x: number
  readonly width: number
}

export const tall = (page: Page, p: Part): number => heightOf(page.sheet, p.style, p.text, p.width)

export const put = (page: Page, parent: PDFKit.PDFStructureElement, p: Part, y: number): number => {
  if (p.text === '') return y
  let end = y
  parent.add(
    page.sheet.doc.struct(
      p.tag,
      {},
      () => void (end = setText(page.sheet, p.style, p.text, { x: p.x, y, width: p.width })),
    ),
  )
  return end
}

/** Parts below one another, from a height down; answers where they end. */
export const stack = (page: Page, parts: readonly Part[], from: number): number =>
  parts.reduce((y, part) => put(page, page.root, part, y), from)

/** What a picture says to those who cannot see it, and where it lies; the package's types know neither. */
export const pictured = (alt: string, bbox: readonly [number, number, number, number]): object => ({ alt, bbox })
/** The head of a column, for those who have a table read out. */
export const COLUMN_HEAD: object = { scope: 'Column' }
