import { present } from '@/core/present'
import PDFDocument from 'pdfkit'
import { fontFiles } from './fonts'
import type { Sheet } from './setText'

interface Wish {
  readonly title: string
  readonly author?: string
  readonly language: string
  readonly rtl?: boolean
  /** Of its first page; null where that is known when it is measured. */
  readonly size: 'A4' | 'LETTER' | readonly [number, number] | null
}

type FontKitFont = { readonly font: { hasGlyphForCodePoint: (point: number) => boolean } }

/** A tagged document (PDF/UA) without margins of its own, its typefaces registered; what it comes to when it is closed. */
export const openSheet = (wish: Wish): { readonly sheet: Sheet; readonly close: () => Promise<Buffer> } => {
  const doc = new PDFDocument({
    ...(wish.size === null ? { autoFirstPage: false } : { size: wish.size as string | [number, number] }),
    margin: 0,
    // A typeface of our own sets everything; the library's would not be embedded.
    font: null as unknown as string,
    tagged: true,
    subset: 'PDF/UA' as 'PDF/A-1',
    pdfVersion: '1.7',
    lang: wish.language,
    displayTitle: true,
    bufferPages: true,
    info: { Title: wish.title, ...(wish.author ? { Author: wish.author } : {}) },
  })
  const parts: Buffer[] = []
  const whole = new Promise<Buffer>((done, fail) => {
    doc.on('data', (part: Buffer) => parts.push(part))
    doc.on('end', () => done(Buffer.concat(parts)))
    doc.on('error', fail)
  })
  for (const [name, file] of fontFiles()) doc.registerFont(name, file)
  const known = new Map<string, boolean>()
  const has = (font: string, letter: string): boolean => {
    const key = `${font}\n${letter}`
    const before = known.get(key)
    if (before !== undefined) return before
    doc.font(font)
    const is = (doc as unknown as { _font: FontKitFont })._font.font.hasGlyphForCodePoint(
      present(letter.codePointAt(0)),
    )
    known.set(key, is)
    return is
  }
  return {
    sheet: { doc, rtl: wish.rtl ?? false, has },
    close: () => {
      doc.end()
      return whole
    },
  }
}

/** Draws what is only there to look at: rules, page numbers. A voice passes over it. */
export const decorate = ({ doc }: Sheet, draw: () => void): void => {
  doc.markContent('Artifact', { type: 'Layout' } as never)
  draw()
  doc.endMarkedContent()
}

/** A straight rule. */
export const rule = (sheet: Sheet, r: { x: number; y: number; width: number; thick: number; colour: string }): void =>
  decorate(sheet, () => {
    sheet.doc
      .moveTo(r.x, r.y)
      .lineTo(r.x + r.width, r.y)
      .lineWidth(r.thick)
      .strokeColor(r.colour)
      .stroke()
  })
