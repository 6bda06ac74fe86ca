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
  readonly parts: readonly PartOnPaper[]
  readonly sums: Cells | null
}

type Cells = readonly string[]

/** Rows under a title, and what they come to. A list in one piece has neither. */
interface PartOnPaper {
  readonly title: string
  readonly rows: readonly Cells[]
  readonly total: Cells | null
}

/** Held upright; the other way round it lies across. */
const SHEET: Readonly<Record<ListOnPaper['size'], readonly [number, number]>> = { A4: [595, 842], LETTER: [612, 792] }
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

/** How wide each column would be if nothing broke. */
const wantedBy = (sheet: Sheet, list: ListOnPaper): readonly number[] => {
  const rows = list.parts.flatMap((p) => (p.total ? [...p.rows, p.total] : p.rows)).slice(0, MEASURED)
  return list.heads.map((head, i) =>
    Math.max(
      naturalWidth(sheet, headStyle(head.right), head.text),
      // The words beside the sums may break; a figure may not.
      ...[...rows, ...(list.sums && head.right ? [list.sums] : [])].map((r) =>
        naturalWidth(sheet, cellStyle(head.right, true), r[i] ?? ''),
      ),
    ),
  )
}

/** Figures get the room they need; words share what is left: they break where it is too little, and stand apart where it is much. */
const columnsOf = (list: ListOnPaper, wanted: readonly number[], wide: number): readonly Column[] => {
  const room = wide - GAP * (list.heads.length - 1)
  const sumOf = (right: boolean): number =>
    wanted.reduce((sum, w, i) => sum + (present(list.heads[i]).right === right ? w : 0), 0)
  const share = Math.max(0.2, (room - sumOf(true)) / Math.max(1, sumOf(false)))
  let x = MARGIN
  return list.heads.map((head, i) => {
    const width = head.right ? present(wanted[i]) : Math.max(24, present(wanted[i]) * share)
    const column = { x, width, right: head.right }
    x += width + GAP
    return column
  })
}

type Look = (right: boolean) => TextStyle

interface Page {
  readonly w: number
  readonly h: number
  readonly columns: readonly Column[]
}

/** A sheet held upright where nothing breaks on it; else it lies across. */
const pageOf = (sheet: Sheet, list: ListOnPaper): Page => {
  const [short, long] = SHEET[list.size]
  const wanted = wantedBy(sheet, list)
  const isUpright = wanted.reduce((sum, w) => sum + w + GAP, -GAP) <= short - 2 * MARGIN
  const [w, h] = isUpright ? [short, long] : [long, short]
  return { w, h, columns: columnsOf(list, wanted, w - 2 * MARGIN) }
}

/** Rows one under the other, each under the heads of its page: a new page begins where the next row has no room. */
const tableOn = (
  sheet: Sheet,
  list: ListOnPaper,
  { w, h, columns }: Page,
  root: PDFKit.PDFStructureElement,
  from: number,
) => {
  const { doc } = sheet
  const table = doc.struct('Table')
  root.add(table)
  let y = from
  const highest = (cells: Cells, look: Look): number =>
    Math.max(...columns.map((c, i) => heightOf(sheet, look(c.right), cells[i] ?? '', c.width)))
  const line = (tag: 'TH' | 'TD', cells: Cells, look: Look): void => {
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
    rule(sheet, { x: MARGIN, y, width: w - 2 * MARGIN, thick, colour })
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
  /** So much more has to stand on the page with what comes first. */
  const room = (tall: number): void => {
    if (y + tall + 5 <= h - 40) return
    doc.addPage({ size: [w, h], margin: 0 })
    y = 36
    heads()
  }
  heads()
  return {
    row: (cells: Cells): void => {
      room(highest(cells, cellStyle))
      line('TD', cells, (right) => cellStyle(right))
      across(0.5, INK.rule, 2)
    },
    title: (text: string): void => {
      // Not alone at the end of a page.
      room(5 * 9 * LEADING)
      y += 9
      const row = doc.struct('TR')
      table.add(row)
      const at = { x: MARGIN, y, width: w - 2 * MARGIN }
      row.add(doc.struct('TH', {}, () => void (y = setText(sheet, style('slab', 11, INK.text, 'left'), text, at))))
      row.end()
      y += 2
      across(0.5, INK.text, 2)
    },
    sums: (cells: Cells): void => {
      room(highest(cells, cellStyle))
      across(1, INK.text, 3)
      line('TD', cells, (right) => cellStyle(right, true))
    },
    end: () => void table.end(),
  }
}

/** Lists as a PDF, each on a page of its own, its heads on every page, its sums at the end, the pages counted. */
export const drawLists = (lists: readonly [ListOnPaper, ...ListOnPaper[]]): Promise<Buffer> => {
  const [{ title, about }] = lists
  const { sheet, close } = openSheet({ title, author: about, language: 'en', size: null })
  const { doc } = sheet
  const root = doc.struct('Document')
  doc.addStructure(root)
  for (const list of lists) {
    const page = pageOf(sheet, list)
    doc.addPage({ size: [page.w, page.h], margin: 0 })
    let y = 36
    const words = (tag: 'H1' | 'P', look: TextStyle, text: string): void =>
      void root.add(
        doc.struct(tag, {}, () => void (y = setText(sheet, look, text, { x: MARGIN, y, width: page.w - 2 * MARGIN }))),
      )
    words('H1', style('slab', 16, INK.text, 'left'), list.title)
    y += 2
    words('P', style('text', 9, INK.quiet, 'left'), list.about)
    const table = tableOn(sheet, list, page, root, y + 8)
    for (const part of list.parts) {
      if (part.title) table.title(part.title)
      for (const cells of part.rows) table.row(cells)
      if (part.total) table.sums(part.total)
    }
    if (list.sums) table.sums(list.sums)
    table.end()
  }
  root.end()
  numberPages(sheet)
  return close()
}

const numberPages = (sheet: Sheet): void => {
  const { doc } = sheet
  const { count } = doc.bufferedPageRange()
  for (let n = 0; n < count; n++) {
    doc.switchToPage(n)
    const { width, height } = doc.page
    doc.markContent('Artifact', { type: 'Pagination' } as never)
    const at = { x: MARGIN, y: height - 28, width: width - 2 * MARGIN }
    setText(sheet, style('text', 8, INK.quiet, 'right'), `Page ${n + 1} of ${count}`, at)
    doc.endMarkedContent()
  }
}
