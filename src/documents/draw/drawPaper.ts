// Long, because it is one page read from top to bottom, part by part.
import { isRightToLeft, paperWords, type PaperBlock, type PaperColumn } from '@/core/formats'
import type { LaidPaper, PaperRow, PaperSum } from '@/documents/paper'
import type { Face } from './fonts'
import { decorate, openSheet, rule } from './openSheet'
import { heightOf, LEADING, setText, type Sheet, type TextStyle } from './setText'

const INK = { text: '#1f2327', quiet: '#5c636b', rule: '#e6dfcf', foot: '#cfc5b0' } as const
const MARGIN = 48
const FOOT = 64
const WIDTH: Readonly<Record<PaperColumn, number>> = {
  code: 76,
  quantity: 58,
  each: 66,
  less: 62,
  sum: 84,
  onShelf: 76,
  place: 66,
  change: 80,
  owed: 84,
  due: 76,
}
const WORDS: readonly PaperColumn[] = ['code', 'place']

interface Column {
  readonly key: PaperColumn
  readonly name: string
  readonly x: number
  readonly width: number
}

/** A page being filled from the top: where it stands, and how wide it is. */
interface Page {
  readonly sheet: Sheet
  readonly root: PDFKit.PDFStructureElement
  readonly colour: string
  readonly wide: number
  readonly bottom: number
  y: number
}

const style = (face: Face, size: number, colour: string, align: TextStyle['align']): TextStyle => ({
  face,
  size,
  colour,
  align,
})

/** The side a line begins at, and ends at, as the language runs. */
const sides = (sheet: Sheet) =>
  sheet.rtl ? ({ start: 'right', end: 'left' } as const) : ({ start: 'left', end: 'right' } as const)

/** A part of the page that stands together: as tall as it will be, and how it is drawn from its top. */
interface Part {
  readonly tag: 'P' | 'H1' | 'H2'
  readonly text: string
  readonly style: TextStyle
  readonly x: number
  readonly width: number
}

const tall = (page: Page, p: Part): number => heightOf(page.sheet, p.style, p.text, p.width)

const put = (page: Page, parent: PDFKit.PDFStructureElement, p: Part, y: number): number => {
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
const stack = (page: Page, parts: readonly Part[], from: number): number =>
  parts.reduce((y, part) => put(page, page.root, part, y), from)

const drawHead = (page: Page, { paper, layout, head }: LaidPaper): void => {
  const { sheet } = page
  const { start, end } = sides(sheet)
  const half = page.wide / 2
  const [near, far] = sheet.rtl ? [MARGIN + half, MARGIN] : [MARGIN, MARGIN + half]
  let left = page.y
  if (head.mark && layout.showMark) {
    const image = Buffer.from(head.mark.data)
    page.root.add(
      sheet.doc.struct(
        'Figure',
        { alt: head.name, bbox: [near, left, near + 160, left + 44] } as object,
        () => void sheet.doc.image(image, near, left, { fit: [160, 44], align: sheet.rtl ? 'right' : undefined }),
      ),
    )
    left += 50
  }
  const slab = (size: number, align: TextStyle['align']) => style('slab', size, head.colour, align)
  const quiet = style('text', 9, INK.quiet, start)
  left = stack(
    page,
    [
      { tag: 'P', text: head.name, style: slab(16, start), x: near, width: half },
      { tag: 'P', text: head.address, style: quiet, x: near, width: half },
      { tag: 'P', text: head.header, style: quiet, x: near, width: half },
    ],
    left,
  )
  const right = stack(
    page,
    [
      { tag: 'H1', text: layout.title || paper.name, style: slab(20, end), x: far, width: half },
      { tag: 'P', text: paper.number, style: style('figure', 10, INK.text, end), x: far, width: half },
    ],
    page.y,
  )
  page.y = Math.max(left, right) + 8
  rule(sheet, { x: MARGIN, y: page.y, width: page.wide, thick: 2, colour: head.colour })
  page.y += 16
}

const drawWhom = (page: Page, { paper, layout }: LaidPaper): void => {
  const { sheet } = page
  const t = paperWords(paper.language)
  const { start, end } = sides(sheet)
  const near = sheet.rtl ? MARGIN + page.wide - 250 : MARGIN
  const plain = style('text', 10, INK.text, start)
  const quiet = style('text', 9, INK.quiet, start)
  const to = (text: string, s: TextStyle): Part => ({ tag: 'P', text, style: s, x: near, width: 250 })
  const deliver = paper.deliverTo && layout.showDeliverTo ? paper.deliverTo : null
  let left = stack(
    page,
    [to(paper.to.name, style('text-bold', 10, INK.text, start)), to(paper.to.address, plain)],
    page.y,
  )
  if (deliver)
    left = stack(page, [to(t('deliverTo'), quiet), to(deliver.address, plain), to(deliver.note, quiet)], left + 7)
  let right = page.y
  const [name, value] = sheet.rtl ? [MARGIN + 128, MARGIN] : [MARGIN + page.wide - 240, MARGIN + page.wide - 120]
  for (const [fact, says] of paper.facts) {
    const parts: readonly Part[] = [
      { tag: 'P', text: fact, style: style('text', 9, INK.quiet, end), x: name, width: 112 },
      { tag: 'P', text: says, style: style('text', 10, INK.text, end), x: value, width: 120 },
    ]
    right = Math.max(...parts.map((p) => put(page, page.root, p, right)))
  }
  page.y = Math.max(left, right) + 16
}

const columnsOf = (page: Page, { paper, layout }: LaidPaper): Column[] => {
  const t = paperWords(paper.language)
  const wide = layout.columns.reduce((sum, c) => sum + WIDTH[c.key], 0)
  let x = page.sheet.rtl ? MARGIN + wide : MARGIN + page.wide - wide
  return layout.columns.map(({ key, name }) => {
    const width = WIDTH[key]
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

const alignOf = (page: Page, key: PaperColumn): TextStyle['align'] => {
  const { start, end } = sides(page.sheet)
  return WORDS.includes(key) ? start : end
}

const drawTableHead = (
  page: Page,
  table: PDFKit.PDFStructureElement,
  columns: readonly Column[],
  what: string,
): void => {
  const { doc } = page.sheet
  const { start } = sides(page.sheet)
  const bold = (align: TextStyle['align']) => style('text-bold', 9, INK.quiet, align)
  const words = wordsAt(page, columns)
  const { y } = page
  const cell = (text: string, s: TextStyle, at: { x: number; width: number }) =>
    doc.struct('TH', { scope: 'Column' } as object, () => void setText(page.sheet, s, text, { ...at, y }))
  const row = doc.struct('TR')
  table.add(row)
  row.add(cell(what, bold(start), words))
  for (const c of columns) row.add(cell(c.name, bold(alignOf(page, c.key)), { x: c.x + 2, width: c.width - 4 }))
  row.end()
  page.y = y + 9 * LEADING + 5
  rule(page.sheet, { x: MARGIN, y: page.y, width: page.wide, thick: 1, colour: INK.text })
  page.y += 4
}

interface Cell {
  readonly text: string
  readonly style: TextStyle
  readonly x: number
  readonly width: number
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
      : r.as === 'group-sum'
        ? style('text', 9, INK.quiet, end)
        : style('text', 10, INK.text, start)
  const face: Face = r.as === 'group-sum' ? 'figure-bold' : 'figure'
  const figures =
    r.as === 'text'
      ? []
      : columns.map((c): Cell => ({
          text: r.cells[c.key] ?? '',
          style: style(
            WORDS.includes(c.key) ? 'text' : face,
            WORDS.includes(c.key) ? 10 : 9.5,
            INK.text,
            alignOf(page, c.key),
          ),
          x: c.x + 2,
          width: c.width - 4,
        }))
  const note = r.note && showNotes ? { text: r.note, style: style('text', 9, INK.quiet, start), ...at } : null
  return { cells: [{ text: r.what, style: first, ...at }, ...figures], note }
}

const drawRows = (page: Page, laid: LaidPaper, nextPage: () => void): void => {
  const { sheet } = page
  const { doc } = sheet
  const columns = columnsOf(page, laid)
  const what = paperWords(laid.paper.language)('what')
  const table = doc.struct('Table')
  page.root.add(table)
  drawTableHead(page, table, columns, what)
  for (const r of laid.paper.rows) {
    const { cells, note } = cellsOf(page, r, columns, laid.layout.showNotes)
    const high = Math.max(...cells.map((c) => heightOf(sheet, c.style, c.text, c.width)))
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

const drawSums = (page: Page, sums: readonly PaperSum[], nextPage: () => void): void => {
  const { sheet } = page
  const { end } = sides(sheet)
  if (page.y + sums.length * 18 + 10 > page.bottom) nextPage()
  const amountX = sheet.rtl ? MARGIN : MARGIN + page.wide - 100
  const nameX = sheet.rtl ? MARGIN + 110 : MARGIN + page.wide - 320
  for (const sum of sums) {
    if (sum.total) rule(sheet, { x: amountX, y: page.y + 1, width: 100, thick: 1, colour: INK.text })
    const y = page.y + (sum.total ? 5 : 2)
    put(
      page,
      page.root,
      {
        tag: 'P',
        text: sum.name,
        style: style(sum.total ? 'text-bold' : 'text', 10, sum.total ? INK.text : INK.quiet, end),
        x: nameX,
        width: 210,
      },
      y,
    )
    page.y =
      put(
        page,
        page.root,
        {
          tag: 'P',
          text: sum.amount,
          style: style(sum.total ? 'figure-bold' : 'figure', 10, INK.text, end),
          x: amountX,
          width: 98,
        },
        y,
      ) + 1
    if (!sum.total) continue
    for (const down of [2, 4.5]) rule(sheet, { x: amountX, y: page.y + down, width: 100, thick: 0.9, colour: INK.text })
    page.y += 8
  }
  page.y += 10
}

/** Words that may run over pages, paragraph by paragraph. */
const drawWords = (page: Page, text: string, s: TextStyle, nextPage: () => void): void => {
  for (const paragraph of text.split('\n')) {
    const part: Part = { tag: 'P', text: paragraph, style: s, x: MARGIN + 2, width: page.wide - 4 }
    if (page.y + tall(page, part) > page.bottom && page.y > MARGIN) nextPage()
    page.y = paragraph === '' ? page.y + s.size * LEADING : put(page, page.root, part, page.y)
  }
  page.y += 10
}

/** At the foot of every page: what the business says there, which paper it is, and which page of how many. */
const drawFeet = (sheet: Sheet, { paper, head }: LaidPaper, high: number, wide: number): void => {
  const t = paperWords(paper.language)
  const { start, end } = sides(sheet)
  const { count } = sheet.doc.bufferedPageRange()
  for (let n = 0; n < count; n++) {
    sheet.doc.switchToPage(n)
    const y = high - FOOT + 12
    decorate(sheet, () => {
      sheet.doc
        .moveTo(MARGIN, y)
        .lineTo(MARGIN + wide, y)
        .lineWidth(0.5)
        .strokeColor(INK.foot)
        .stroke()
      const quiet = (align: TextStyle['align']) => style('text', 8.5, INK.quiet, align)
      const [near, far] = sheet.rtl ? [MARGIN + wide - 360, MARGIN] : [MARGIN, MARGIN + wide - 200]
      setText(sheet, quiet(start), head.footer.slice(0, 300), { x: near, y: y + 6, width: 360 })
      setText(sheet, quiet(end), `${paper.number}, ${t('page')} ${n + 1} ${t('of')} ${count}`, {
        x: far,
        y: y + 6,
        width: 200,
      })
    })
  }
}

/** Estimate, confirmation, lists and slips, invoice, credit note, statement, reminder: laid out as its layout says. */
export const drawPaper = (laid: LaidPaper): Promise<Buffer> => {
  const { paper, layout, head } = laid
  const { sheet, close } = openSheet({
    title: `${layout.title || paper.name} ${paper.number}`,
    author: head.name,
    language: paper.language,
    rtl: isRightToLeft(paper.language),
    size: head.size,
  })
  const { doc } = sheet
  const [wide, high] = [doc.page.width - 2 * MARGIN, doc.page.height]
  const root = doc.struct('Document')
  doc.addStructure(root)
  const page: Page = { sheet, root, colour: head.colour, wide, bottom: high - FOOT, y: MARGIN }
  const nextPage = (): void => {
    doc.addPage()
    page.y = MARGIN
  }
  drawHead(page, laid)
  drawWhom(page, laid)
  const { start } = sides(sheet)
  const plain = style('text', 10, INK.text, start)
  const words = (text: string, s: TextStyle) => (text === '' ? undefined : drawWords(page, text, s, nextPage))
  const blocks: Readonly<Record<PaperBlock, () => void>> = {
    above: () => words([layout.above, paper.above].filter(Boolean).join('\n\n'), plain),
    lines: () => drawRows(page, laid, nextPage),
    sums: () => (paper.sums.length > 0 ? drawSums(page, paper.sums, nextPage) : undefined),
    note: () => words(paper.note, plain),
    conditions: () => words(paper.conditions, style('text', 9, INK.quiet, start)),
    below: () => words(layout.below, plain),
  }
  for (const block of layout.blocks) blocks[block]()
  root.end()
  drawFeet(sheet, laid, high, wide)
  return close()
}
