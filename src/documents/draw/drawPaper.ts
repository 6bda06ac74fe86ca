// Long, because it is one page read from top to bottom, part by part.
import { isRightToLeft, paperWords, type PaperBlock } from '@/core/formats'
import type { LaidPaper } from '@/documents/paper'
import { decorate, openSheet, rule } from './openSheet'
import { heightOf, LEADING, setText, type Sheet, type TextStyle } from './setText'
import { INK, MARGIN, FOOT, type Page, style, sides, type Part, tall, put } from './page'
import { drawHead, drawWhom } from './drawHead'
import { drawParts, drawSignatures } from './drawParts'
import { drawRows } from './drawTable'
import type { PaperSum } from '@/model/paper/paperSum'

const drawSums = (page: Page, sums: readonly PaperSum[], nextPage: () => void): void => {
  const { sheet } = page
  const { end } = sides(sheet)
  if (page.y + sums.length * 18 + 10 > page.bottom) nextPage()
  const amountX = sheet.rtl ? MARGIN : MARGIN + page.wide - 100
  const nameX = sheet.rtl ? MARGIN + 110 : MARGIN + page.wide - 320
  for (const sum of sums) {
    if (sum.total) rule(sheet, { x: amountX, y: page.y + 1, width: 100, thick: 1, colour: INK.text })
    const y = page.y + (sum.total ? 5 : 2)
    const named = put(
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
    const amount = put(
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
    )
    page.y = Math.max(named, amount) + 1
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

/** How wide a business may write at the foot of a page, how far below the rule, and how far from the end of the paper. */
const FOOTER = { wide: 360, above: 18, below: 18 }
const footerStyle = (sheet: Sheet): TextStyle => style('text', 8.5, INK.quiet, sides(sheet).start)

/** How high the foot of a page is: what the business says there stands whole, in a third of the page at most. */
const footOf = (sheet: Sheet, footer: string): number =>
  Math.min(
    Math.max(FOOT, FOOTER.above + heightOf(sheet, footerStyle(sheet), footer, FOOTER.wide) + FOOTER.below),
    sheet.doc.page.height / 3,
  )

/** At the foot of every page: what the business says there, which paper it is, and which page of how many. */
const drawFeet = (sheet: Sheet, { paper, head }: LaidPaper, from: number, wide: number): void => {
  const t = paperWords(paper.language)
  const { count } = sheet.doc.bufferedPageRange()
  for (let n = 0; n < count; n++) {
    sheet.doc.switchToPage(n)
    const y = from + 12
    decorate(sheet, () => {
      sheet.doc
        .moveTo(MARGIN, y)
        .lineTo(MARGIN + wide, y)
        .lineWidth(0.5)
        .strokeColor(INK.foot)
        .stroke()
      const [near, far] = sheet.rtl ? [MARGIN + wide - FOOTER.wide, MARGIN] : [MARGIN, MARGIN + wide - 200]
      const said = footerStyle(sheet)
      setText(sheet, said, head.footer, { x: near, y: y + 6, width: FOOTER.wide })
      const numbered = `${paper.number}, ${t('page')} ${n + 1} ${t('of')} ${count}`
      setText(sheet, { ...said, align: sides(sheet).end }, numbered, { x: far, y: y + 6, width: 200 })
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
  const page: Page = { sheet, root, colour: head.colour, wide, bottom: high - footOf(sheet, head.footer), y: MARGIN }
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
    sums: () => {
      if (paper.sums.length > 0) drawSums(page, paper.sums, nextPage)
      drawParts(page, paper.parts ?? [], nextPage)
    },
    note: () => words(paper.note, plain),
    conditions: () => words(paper.conditions, style('text', 9, INK.quiet, start)),
    below: () => words(layout.below, plain),
  }
  for (const block of layout.blocks) blocks[block]()
  if (paper.signatures) drawSignatures(page, paper.signatures, nextPage)
  root.end()
  drawFeet(sheet, laid, page.bottom, wide)
  return close()
}
