import { present } from '@/core/present'
import bidiFactory from 'bidi-js'
import type { Face } from './fonts'
import { facesOf } from './fonts'

const bidi = bidiFactory()

export interface TextStyle {
  readonly face: Face
  readonly size: number
  readonly colour: string
  readonly align: 'left' | 'right' | 'center'
}

/** A document, and which typeface has which letter. */
export interface Sheet {
  readonly doc: PDFKit.PDFDocument
  /** Right to left. */
  readonly rtl: boolean
  readonly has: (font: string, letter: string) => boolean
}

interface Run {
  readonly font: string
  readonly text: string
}

/** Letters that no typeface has are set in the first one, which shows that something is missing. */
const fontFor = (sheet: Sheet, face: Face, letter: string): string => {
  const fonts = facesOf(face)
  return fonts.find((f) => sheet.has(f, letter)) ?? present(fonts[0])
}

/**
 * Text cut where the typeface changes. A space goes with what stands before it, where that has one; between Hebrew words it is set apart,
 * as they run the other way.
 */
const runsOf = (sheet: Sheet, face: Face, text: string): Run[] => {
  const runs: { font: string; text: string }[] = []
  for (const letter of text) {
    const last = runs.at(-1)
    const font =
      letter === ' ' && last && !last.font.endsWith('-hebrew') && sheet.has(last.font, ' ')
        ? last.font
        : fontFor(sheet, face, letter)
    if (last?.font === font) last.text += letter
    else runs.push({ font, text: letter })
  }
  return runs
}

/**
 * How a run is set. Some letters with two marks would be taken apart into a letter and a mark that has no letter of its own: whoever
 * copies them, or has them read out, would get a sign that is none. The typeface has them whole.
 */
const settingOf = (font: string): PDFKit.Mixins.TextOptions => ({
  lineBreak: false,
  ...(font.endsWith('-vietnamese') && { features: { ccmp: false } as never }),
})

/** How wide a run is, in points. */
const widthOfRun = (sheet: Sheet, { font, text }: Run, size: number): number =>
  sheet.doc.font(font).fontSize(size).widthOfString(text, settingOf(font))

/** How wide a text is that is not broken, in points. */
export const widthOf = (sheet: Sheet, { face, size }: TextStyle, text: string): number =>
  runsOf(sheet, face, text).reduce((sum, run) => sum + widthOfRun(sheet, run, size), 0)

/** Breaks a word that is wider than the line into pieces that are not. */
const breakWord = (sheet: Sheet, style: TextStyle, word: string, width: number): string[] => {
  const pieces = ['']
  for (const letter of word) {
    const longer = `${present(pieces.at(-1))}${letter}`
    if (pieces.at(-1) !== '' && widthOf(sheet, style, longer) > width) pieces.push(letter)
    else pieces[pieces.length - 1] = longer
  }
  return pieces
}

/** The lines of a text no wider than a width: broken at spaces, and within a word only where it must be. */
export const breakLines = (sheet: Sheet, style: TextStyle, text: string, width: number): string[] =>
  text.split('\n').flatMap((paragraph) => {
    const lines: string[] = []
    let line = ''
    for (const word of paragraph.split(' ')) {
      const longer = line === '' ? word : `${line} ${word}`
      if (widthOf(sheet, style, longer) <= width) {
        line = longer
        continue
      }
      if (line !== '') lines.push(line)
      const pieces = breakWord(sheet, style, word, width)
      lines.push(...pieces.slice(0, -1))
      line = present(pieces.at(-1))
    }
    return [...lines, line]
  })

export const LEADING = 1.32

export const heightOf = (sheet: Sheet, style: TextStyle, text: string, width: number): number =>
  text === '' ? 0 : breakLines(sheet, style, text, width).length * style.size * LEADING

/** Parts of a line in the order in which the eye meets them from the left. */
const inSight = (sheet: Sheet, line: string): { readonly text: string; readonly backwards: boolean }[] => {
  if (!/[\u0590-\u08ff]/.test(line)) return [{ text: line, backwards: false }]
  const { levels } = bidi.getEmbeddingLevels(line, sheet.rtl ? 'rtl' : 'ltr')
  const parts: { text: string; level: number }[] = []
  let at = 0
  for (const letter of line) {
    const level = present(levels[at])
    at += letter.length
    const last = parts.at(-1)
    if (last && last.level === level) last.text += letter
    else parts.push({ text: letter, level })
  }
  return (sheet.rtl ? parts.reverse() : parts).map((p) => ({ text: p.text, backwards: p.level % 2 === 1 }))
}

/** Sets a text within a width from a point down, and answers where it ends. */
export const setText = (
  sheet: Sheet,
  style: TextStyle,
  text: string,
  at: { x: number; y: number; width: number },
): number => {
  if (text === '') return at.y
  let { y } = at
  for (const line of breakLines(sheet, style, text, at.width)) {
    const width = widthOf(sheet, style, line)
    let x =
      style.align === 'left' ? at.x : style.align === 'right' ? at.x + at.width - width : at.x + (at.width - width) / 2
    for (const part of inSight(sheet, line)) {
      const runs = runsOf(sheet, style.face, part.text)
      for (const run of part.backwards ? runs.reverse() : runs) {
        sheet.doc.font(run.font).fontSize(style.size).fillColor(style.colour)
        sheet.doc.text(run.text, x, y, settingOf(run.font))
        x += widthOfRun(sheet, run, style.size)
      }
    }
    y += style.size * LEADING
  }
  return y
}
