import bwipjs from 'bwip-js/node'
import type { PaperPart, PaperSignature, PaperTable, PaperWords } from '@/documents/paper'
import { COLUMN_HEAD, INK, MARGIN, pictured, put, sides, style, type Page } from './page'
import { rule } from './openSheet'
import { heightOf, setText, type TextStyle } from './setText'

const CODE = 84
const ROW = 17
const FIGURE = 88

const title = (page: Page, text: string): void => {
  if (text === '') return
  const { start } = sides(page.sheet)
  page.y =
    put(
      page,
      page.root,
      { tag: 'H2', text, style: style('slab', 11.5, page.colour, start), x: MARGIN + 2, width: page.wide - 4 },
      page.y,
    ) + 3
}

/** A QR code as squares, with what it says for those who cannot see it. */
const drawCode = (page: Page, text: string, alt: string, x: number, y: number): void => {
  const { doc } = page.sheet
  const wish = { bcid: 'qrcode', text, eclevel: 'M' }
  const [code] = bwipjs.raw(wish)
  if (!code || !('pixs' in code)) return
  const size = CODE / code.pixx
  page.root.add(
    doc.struct('Figure', pictured(alt, [x, y, x + CODE, y + CODE]), () => {
      code.pixs.forEach((dark, i) => {
        if (dark) doc.rect(x + (i % code.pixx) * size, y + Math.floor(i / code.pixx) * size, size, size)
      })
      doc.fill(INK.text)
    }),
  )
}

const drawWords = (page: Page, part: PaperWords, nextPage: () => void): void => {
  const { sheet } = page
  const { start } = sides(sheet)
  const plain = style('text', 10, INK.text, start)
  const width = page.wide - (part.code ? CODE + 20 : 4)
  const high = Math.max(heightOf(sheet, plain, part.text, width), part.code ? CODE : 0)
  if (page.y + high + 22 > page.bottom) nextPage()
  title(page, part.title)
  const from = page.y
  const x = sheet.rtl && part.code ? MARGIN + CODE + 18 : MARGIN + 2
  const end = put(page, page.root, { tag: 'P', text: part.text, style: plain, x, width }, from)
  if (part.code) drawCode(page, part.code, part.title, sheet.rtl ? MARGIN : MARGIN + page.wide - CODE, from)
  page.y = Math.max(end, part.code ? from + CODE : 0) + 12
}

const drawTable = (page: Page, part: PaperTable, nextPage: () => void): void => {
  const { sheet } = page
  const { doc } = sheet
  const { start, end } = sides(sheet)
  const figures = part.heads.length - 1
  const words = page.wide - figures * FIGURE
  const table = doc.struct('Table')
  const at = (i: number) => {
    const left = i === 0 ? 0 : words + (i - 1) * FIGURE
    const width = i === 0 ? words : FIGURE
    return { x: MARGIN + 2 + (sheet.rtl ? page.wide - left - width : left), width: width - 4 }
  }
  const highOf = (cells: readonly string[], styleOf: (i: number) => TextStyle): number =>
    Math.max(ROW - 4, ...cells.map((text, i) => heightOf(sheet, styleOf(i), text, at(i).width)))
  const drawRow = (cells: readonly string[], tag: 'TH' | 'TD', styleOf: (i: number) => TextStyle) => {
    const row = doc.struct('TR')
    table.add(row)
    cells.forEach((text, i) =>
      row.add(
        doc.struct(
          tag,
          tag === 'TH' ? COLUMN_HEAD : {},
          () => void setText(sheet, styleOf(i), text, { ...at(i), y: page.y }),
        ),
      ),
    )
    row.end()
    page.y += highOf(cells, styleOf)
  }
  const line = (thick: number, colour: string) => {
    rule(sheet, { x: MARGIN, y: page.y, width: page.wide, thick, colour })
    page.y += 4
  }
  const head = () => {
    drawRow(part.heads, 'TH', (i) => style('text-bold', 9, INK.quiet, i === 0 ? start : end))
    line(1, INK.text)
  }
  if (page.y + 3 * ROW + 22 > page.bottom) nextPage()
  title(page, part.title)
  page.root.add(table)
  head()
  const plain = (i: number) => (i === 0 ? style('text', 9.5, INK.text, start) : style('figure', 9, INK.text, end))
  for (const cells of part.rows) {
    if (page.y + highOf(cells, plain) + 4 > page.bottom) {
      nextPage()
      head()
    }
    drawRow(cells, 'TD', plain)
    line(0.5, INK.rule)
  }
  if (part.total)
    drawRow(part.total, 'TD', (i) =>
      i === 0 ? style('text-bold', 9.5, INK.text, start) : style('figure-bold', 9, INK.text, end),
    )
  table.end()
  page.y += 12
}

/** What stands under the sums, part by part. */
export const drawParts = (page: Page, parts: readonly PaperPart[], nextPage: () => void): void => {
  for (const part of parts)
    if (part.as === 'table') drawTable(page, part, nextPage)
    else drawWords(page, part, nextPage)
}

/** Places to sign, beside each other: what is signed, then a line for each thing that is written by hand. */
export const drawSignatures = (page: Page, signatures: readonly PaperSignature[], nextPage: () => void): void => {
  const { sheet } = page
  const { start } = sides(sheet)
  const width = Math.min(page.wide / 2, page.wide / signatures.length) - 16
  const most = Math.max(...signatures.map((s) => s.lines.length))
  if (page.y + 26 + most * 34 > page.bottom) nextPage()
  const from = page.y + 6
  signatures.forEach((s, n) => {
    const x = sheet.rtl ? MARGIN + page.wide - (n + 1) * (width + 16) : MARGIN + 2 + n * (width + 16)
    let y = put(
      page,
      page.root,
      { tag: 'P', text: s.says, style: style('text-bold', 10, INK.text, start), x, width },
      from,
    )
    for (const name of s.lines) {
      y += 22
      rule(sheet, { x, y, width, thick: 0.7, colour: INK.text })
      y = put(page, page.root, { tag: 'P', text: name, style: style('text', 8.5, INK.quiet, start), x, width }, y + 2)
    }
    page.y = Math.max(page.y, y + 8)
  })
}
