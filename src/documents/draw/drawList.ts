import { present } from '@/core/present'
import { openSheet, rule } from './openSheet'
import { INK, MARGIN, style } from './page'
import { heightOf, LEADING, setText, type Sheet, type TextStyle } from './setText'

/** A list as it stands on paper: what it is, its heads, its rows and their sums, all as they are read. */
export interface ListOnPaper {
  readonly title: string
  /** Whose it is, of which day, and what it is narrowed to. */
  readonly about: string
  readonly size: 'A4' | 'LETTER'
  readonly heads: readonly { readonly text: string; readonly right: boolean }[]
  readonly rows: readonly (readonly string[])[]
  readonly sums: readonly string[] | null
}

const LONG: Readonly<Record<ListOnPaper['size'], readonly [number, number]>> = { A4: [842, 595], LETTER: [792, 612] }
const GAP = 10
/** Rows that say how wide a column has to be. */
const MEASURED = 300

interface Column {
  readonly x: number
  readonly width: number
  readonly right: boolean
}

const cellStyle = (right: boolean, bold = false): TextStyle =>
  right
    ? style(bold ? 'figure-bold' : 'figure', 8.5, INK.text, 'right')
    : style(bold ? 'text-bold' : 'text', 9, INK.text, 'left')
const headStyle = (right: boolean): TextStyle => style('text-bold', 8.5, INK.quiet, right ? 'right' : 'left')

const naturalWidth = (sheet: Sheet, look: TextStyle, text: string): number =>
  sheet.doc.font(`${look.face}-latin`).fontSize(look.size).widthOfString(text)

/** Figures get the room they need; words share what is left, and break where it is too little. */
const columnsOf = (sheet: Sheet, list: ListOnPaper, wide: number): readonly Column[] => {
  const wanted = list.heads.map((head, i) =>
    Math.max(
      naturalWidth(sheet, headStyle(head.right), head.text),
      // The words beside the sums may break; a figure may not.
      ...[...list.rows.slice(0, MEASURED), ...(list.sums && head.right ? [list.sums] : [])].map((r) =>
        naturalWidth(sheet, cellStyle(head.right, true), r[i] ?? ''),
      ),
    ),
  )
  const room = wide - GAP * (list.heads.length - 1)
  const figures = wanted.reduce((sum, w, i) => sum + (present(list.heads[i]).right ? w : 0), 0)
  const words = wanted.reduce((sum, w, i) => sum + (present(list.heads[i]).right ? 0 : w), 0)
  const share = Math.min(1, Math.max(0.2, (room - figures) / Math.max(1, words)))
  let x = MARGIN
  return list.heads.map((head, i) => {
    const width = head.right ? present(wanted[i]) : Math.max(24, present(wanted[i]) * share)
    const column = { x, width, right: head.right }
    x += width + GAP
    return column
  })
}

/** A list as a PDF across the page, its heads on every page, its sums at the end, its pages counted. */
export const drawList = (list: ListOnPaper): Promise<Buffer> => {
  const [w, h] = LONG[list.size]
  const { sheet, close } = openSheet({ title: list.title, author: list.about, language: 'en', size: [w, h] })
  const { doc } = sheet
  const wide = w - 2 * MARGIN
  const bottom = h - 40
  const root = doc.struct('Document')
  doc.addStructure(root)
  const columns = columnsOf(sheet, list, wide)
  const table = doc.struct('Table')
  let y = 36
  root.add(
    doc.struct(
      'H1',
      {},
      () => void (y = setText(sheet, style('slab', 16, INK.text, 'left'), list.title, { x: MARGIN, y, width: wide })),
    ),
  )
  root.add(
    doc.struct(
      'P',
      {},
      () =>
        void (y = setText(sheet, style('text', 9, INK.quiet, 'left'), list.about, {
          x: MARGIN,
          y: y + 2,
          width: wide,
        })),
    ),
  )
  y += 8
  root.add(table)
  const line = (tag: 'TH' | 'TD', cells: readonly string[], look: (right: boolean) => TextStyle): number => {
    const row = doc.struct('TR')
    table.add(row)
    columns.forEach((c, i) => {
      const text = cells[i] ?? ''
      row.add(doc.struct(tag, {}, () => void setText(sheet, look(c.right), text, { x: c.x, y, width: c.width })))
    })
    row.end()
    return Math.max(9 * LEADING, ...columns.map((c, i) => heightOf(sheet, look(c.right), cells[i] ?? '', c.width)))
  }
  const heads = () => {
    const texts = list.heads.map((head) => head.text)
    y += line('TH', texts, headStyle) + 2
    rule(sheet, { x: MARGIN, y, width: wide, thick: 1, colour: INK.text })
    y += 3
  }
  const room = (cells: readonly string[]) => {
    const high = Math.max(...columns.map((c, i) => heightOf(sheet, cellStyle(c.right), cells[i] ?? '', c.width)))
    if (y + high + 5 <= bottom) return
    doc.addPage({ size: [w, h], margin: 0 })
    y = 36
    heads()
  }
  heads()
  for (const cells of list.rows) {
    room(cells)
    y += line('TD', cells, (right) => cellStyle(right)) + 2
    rule(sheet, { x: MARGIN, y, width: wide, thick: 0.5, colour: INK.rule })
    y += 2
  }
  if (list.sums) {
    room(list.sums)
    rule(sheet, { x: MARGIN, y, width: wide, thick: 1, colour: INK.text })
    y += 3
    line('TD', list.sums, (right) => cellStyle(right, true))
  }
  table.end()
  root.end()
  numberPages(sheet, w, h)
  return close()
}

const numberPages = (sheet: Sheet, w: number, h: number): void => {
  const { count } = sheet.doc.bufferedPageRange()
  for (let n = 0; n < count; n++) {
    sheet.doc.switchToPage(n)
    sheet.doc.markContent('Artifact', { type: 'Pagination' } as never)
    const at = { x: MARGIN, y: h - 28, width: w - 2 * MARGIN }
    setText(sheet, style('text', 8, INK.quiet, 'right'), `Page ${n + 1} of ${count}`, at)
    sheet.doc.endMarkedContent()
  }
}
