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

type Look = (right: boolean) => TextStyle

/** Rows one under the other, each under the heads of its page: a new page begins where the next row has no room. */
const tableOn = (sheet: Sheet, list: ListOnPaper, root: PDFKit.PDFStructureElement, from: number) => {
  const [w, h] = LONG[list.size]
  const { doc } = sheet
  const wide = w - 2 * MARGIN
  const columns = columnsOf(sheet, list, wide)
  const table = doc.struct('Table')
  root.add(table)
  let y = from
  const highest = (cells: readonly string[], look: Look): number =>
    Math.max(...columns.map((c, i) => heightOf(sheet, look(c.right), cells[i] ?? '', c.width)))
  const line = (tag: 'TH' | 'TD', cells: readonly string[], look: Look): void => {
    const row = doc.struct('TR')
    table.add(row)
    columns.forEach((c, i) => {
      const text = cells[i] ?? ''
      row.add(doc.struct(tag, {}, () => void setText(sheet, look(c.right), text, { x: c.x, y, width: c.width })))
    })
    row.end()
    y += Math.max(9 * LEADING, highest(cells, look)) + 2
  }
  const across = (thick: number, colour: string, after: number): void => {
    rule(sheet, { x: MARGIN, y, width: wide, thick, colour })
    y += after
  }
  const heads = (): void => {
    line(
      'TH',
      list.heads.map((head) => head.text),
      headStyle,
    )
    across(1, INK.text, 3)
  }
  const room = (cells: readonly string[]): void => {
    if (y + highest(cells, cellStyle) + 5 <= h - 40) return
    doc.addPage({ size: [w, h], margin: 0 })
    y = 36
    heads()
  }
  heads()
  return {
    row: (cells: readonly string[]): void => {
      room(cells)
      line('TD', cells, (right) => cellStyle(right))
      across(0.5, INK.rule, 2)
    },
    sums: (cells: readonly string[]): void => {
      room(cells)
      across(1, INK.text, 3)
      line('TD', cells, (right) => cellStyle(right, true))
    },
    end: () => void table.end(),
  }
}

/** Lists as a PDF across the page, each on a page of its own, its heads on every page, its sums at the end, the pages counted. */
export const drawLists = (lists: readonly [ListOnPaper, ...ListOnPaper[]]): Promise<Buffer> => {
  const [{ title, about, size }] = lists
  const [w, h] = LONG[size]
  const { sheet, close } = openSheet({ title, author: about, language: 'en', size: [w, h] })
  const { doc } = sheet
  const root = doc.struct('Document')
  doc.addStructure(root)
  lists.forEach((list, n) => {
    if (n > 0) doc.addPage({ size: [w, h], margin: 0 })
    let y = 36
    const words = (tag: 'H1' | 'P', look: TextStyle, text: string): void =>
      void root.add(
        doc.struct(tag, {}, () => void (y = setText(sheet, look, text, { x: MARGIN, y, width: w - 2 * MARGIN }))),
      )
    words('H1', style('slab', 16, INK.text, 'left'), list.title)
    y += 2
    words('P', style('text', 9, INK.quiet, 'left'), list.about)
    const table = tableOn(sheet, list, root, y + 8)
    for (const cells of list.rows) table.row(cells)
    if (list.sums) table.sums(list.sums)
    table.end()
  })
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
