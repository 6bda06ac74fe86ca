import { max } from 'd3-array'
import { present } from '@/core/present'
import { type PaperColumn, paperWords } from '@/core/formats'
import { COLUMN_HEAD, type Page, MARGIN, sides, style, INK } from './page'
import type { LaidPaper, PaperRow } from '@/documents/paper'
import { type TextStyle, setText, heightOf, widthOf } from './setText'
import { rule } from './openSheet'

/** So wide a column is where nothing in it needs more, in points. */
const WIDTH: Readonly<Record<PaperColumn, number>> = {
  code: 76,
  quantity: 58,
  each: 66,
  less: 62,
  sum: 84,
  onShelf: 76,
  picked: 76,
  place: 66,
  change: 80,
  owed: 84,
  due: 76,
  date: 76,
  charges: 76,
  payments: 76,
}

const WORDS: readonly PaperColumn[] = ['code', 'place', 'date']

interface Column {
  readonly key: PaperColumn
  readonly name: string
  readonly x: number
  readonly width: number
}

const alignOf = (page: Page, key: PaperColumn): TextStyle['align'] => {
  const { start, end } = sides(page.sheet)
  return WORDS.includes(key) ? start : end
}

const isGroupSum = (r: PaperRow): boolean => r.as === 'group-sum'

const cellStyle = (page: Page, key: PaperColumn, r: PaperRow): TextStyle =>
  WORDS.includes(key)
    ? style('text', 10, INK.text, alignOf(page, key))
    : style(isGroupSum(r) ? 'figure-bold' : 'figure', 9.5, INK.text, alignOf(page, key))

/** What is left of a column between it and its neighbours. */
const SIDES = 4

/** Words may break, a figure may not: its column is as wide as the widest of them. */
const widthOfColumn = (page: Page, key: PaperColumn, rows: readonly PaperRow[]): number => {
  if (WORDS.includes(key)) return WIDTH[key]
  const widths = rows.flatMap((r) =>
    (r.cells[key] ?? '').split(' ').map((figure) => widthOf(page.sheet, cellStyle(page, key, r), figure)),
  )
  return Math.max(WIDTH[key], Math.ceil(max(widths) ?? 0) + SIDES)
}

/** So much is left for what a line is about, however large its figures are. */
const LEAST = 90

const columnsOf = (page: Page, { paper, layout }: LaidPaper): Column[] => {
  const t = paperWords(paper.language)
  // A column in which nothing stands says nothing.
  const shown = layout.columns.filter(({ key }) => paper.rows.length === 0 || paper.rows.some((r) => r.cells[key]))
  const wanted = shown.map((c) => widthOfColumn(page, c.key, paper.rows))
  const all = wanted.reduce((sum, w) => sum + w, 0)
  const share = Math.min(1, (page.wide - LEAST) / all)
  const wide = all * share
  let x = page.sheet.rtl ? MARGIN + wide : MARGIN + page.wide - wide
  return shown.map(({ key, name }, i) => {
    const width = present(wanted[i]) * share
    if (page.sheet.rtl) x -= width
    const column = { key, name: name || t(key), x, width }
    if (!page.sheet.rtl) x += width
    return column
  })
}

const GAP = 8

/** Where the words of a row stand, beside its columns. */
const wordsAt = (page: Page, columns: readonly Column[]): { x: number; width: number } => {
  const taken = columns.reduce((sum, c) => sum + c.width, 0)
  return { x: page.sheet.rtl ? MARGIN + taken + GAP : MARGIN + 2, width: page.wide - taken - GAP - 2 }
}

interface Cell {
  readonly text: string
  readonly style: TextStyle
  readonly x: number
  readonly width: number
}

const highest = (page: Page, cells: readonly Cell[]): number =>
  Math.max(...cells.map((c) => heightOf(page.sheet, c.style, c.text, c.width)))

const drawTableHead = (
  page: Page,
  table: PDFKit.PDFStructureElement,
  columns: readonly Column[],
  what: string,
): void => {
  const { doc } = page.sheet
  const { start } = sides(page.sheet)
  const bold = (align: TextStyle['align']) => style('text-bold', 9, INK.quiet, align)
  const { y } = page
  const cells: readonly Cell[] = [
    { text: what, style: bold(start), ...wordsAt(page, columns) },
    ...columns.map((c) => ({
      text: c.name,
      style: bold(alignOf(page, c.key)),
      x: c.x + SIDES / 2,
      width: c.width - SIDES,
    })),
  ]
  const row = doc.struct('TR')
  table.add(row)
  for (const { text, style: look, x, width } of cells)
    row.add(doc.struct('TH', COLUMN_HEAD, () => void setText(page.sheet, look, text, { x, y, width })))
  row.end()
  page.y = y + highest(page, cells) + 5
  rule(page.sheet, { x: MARGIN, y: page.y, width: page.wide, thick: 1, colour: INK.text })
  page.y += 4
}

/** A row as its cells, and the quiet words under its first. */
const cellsOf = (
  page: Page,
  r: PaperRow,
  columns: readonly Column[],
  showNotes: boolean,
): { cells: Cell[]; note: Cell | null } => {
  const { start, end } = sides(page.sheet)
  const at = wordsAt(page, columns)
  const first =
    r.as === 'heading'
      ? style('slab', 11.5, page.colour, start)
      : isGroupSum(r)
        ? style('text', 9, INK.quiet, end)
        : style('text', 10, INK.text, start)
  const figures =
    r.as === 'text'
      ? []
      : columns.map((c): Cell => ({
          text: r.cells[c.key] ?? '',
          style: cellStyle(page, c.key, r),
          x: c.x + SIDES / 2,
          width: c.width - SIDES,
        }))
  const note = r.note && showNotes ? { text: r.note, style: style('text', 9, INK.quiet, start), ...at } : null
  return { cells: [{ text: r.what, style: first, ...at }, ...figures], note }
}

export const drawRows = (page: Page, laid: LaidPaper, nextPage: () => void): void => {
  const { sheet } = page
  const { doc } = sheet
  const columns = columnsOf(page, laid)
  const what = paperWords(laid.paper.language)('what')
  const table = doc.struct('Table')
  page.root.add(table)
  drawTableHead(page, table, columns, what)
  for (const r of laid.paper.rows) {
    const { cells, note } = cellsOf(page, r, columns, laid.layout.showNotes)
    const high = highest(page, cells)
    const noteHigh = note ? heightOf(sheet, note.style, note.text, note.width) : 0
    const heading = r.as === 'heading'
    if (page.y + high + noteHigh + (heading ? 50 : 12) > page.bottom) {
      nextPage()
      drawTableHead(page, table, columns, what)
    }
    const y = page.y + (heading ? 9 : 4)
    const row = doc.struct('TR')
    table.add(row)
    for (const [i, c] of cells.entries())
      row.add(
        doc.struct('TD', {}, () => {
          const end = setText(sheet, c.style, c.text, { x: c.x, y, width: c.width })
          if (i === 0 && note) setText(sheet, note.style, note.text, { x: note.x, y: end, width: note.width })
        }),
      )
    row.end()
    page.y = y + high + noteHigh + 5
    rule(sheet, {
      x: MARGIN,
      y: page.y,
      width: page.wide,
      thick: heading ? 1 : 0.5,
      colour: heading ? page.colour : INK.rule,
    })
  }
  table.end()
  page.y += 10
}
