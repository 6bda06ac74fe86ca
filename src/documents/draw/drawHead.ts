import { pictured, type Page, sides, MARGIN, style, INK, stack, type Part, put } from './page'
import type { LaidPaper } from '@/documents/paper'
import type { TextStyle } from './setText'
import { rule } from './openSheet'
import { paperWords } from '@/core/formats'

export const drawHead = (page: Page, { paper, layout, head }: LaidPaper): void => {
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
        pictured(head.name, [near, left, near + 160, left + 44]),
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
      {
        tag: 'P',
        text: head.taxNumber && `${paperWords(paper.language)('taxId')} ${head.taxNumber}`,
        style: quiet,
        x: near,
        width: half,
      },
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

export const drawWhom = (page: Page, { paper, layout }: LaidPaper): void => {
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
