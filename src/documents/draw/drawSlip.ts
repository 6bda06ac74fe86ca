import { present } from '@/core/present'
import { openSheet, rule } from './openSheet'
import { heightOf, LEADING, setText, type TextStyle, widthOf } from './setText'
import type { PaperSum } from '@/model/paper/paperSum'

export interface SlipOnPaper {
  readonly language: string
  /** What it is called, with its number. */
  readonly title: string
  readonly business: { readonly name: string; readonly address: string; readonly footer: string }
  readonly from: string
  readonly on: string
  readonly how: string
  readonly lines: readonly { readonly what: string; readonly amount: string }[]
  readonly sums: readonly PaperSum[]
  /** What the amount at the end is called. */
  readonly received: string
  readonly amount: string
  readonly voided: string
}

/** 80 mm, with room beside. */
const [WIDE, MARGIN] = [227, 14]
const INNER = WIDE - 2 * MARGIN
const AMOUNT = 70
const [INK, QUIET, LATE] = ['#1f2327', '#5c636b', '#9a1f2b'] as const

/** What stands on a slip from top to bottom: words, or words with an amount beside them. */
interface Row {
  readonly text: string
  readonly style: TextStyle
  readonly amount?: string
  readonly amountStyle?: TextStyle
  readonly ruled?: 'thin' | 'thick'
}

const rowsOf = (slip: SlipOnPaper): Row[] => {
  const words = (colour: string, align: TextStyle['align'], bold = false): TextStyle => ({
    face: bold ? 'text-bold' : 'text',
    size: 9,
    colour,
    align,
  })
  const figure = (size = 9, bold = false): TextStyle => ({
    face: bold ? 'figure-bold' : 'figure',
    size,
    colour: INK,
    align: 'right',
  })
  const right = words(INK, 'right')
  return [
    { text: slip.business.name, style: { face: 'slab', size: 13, colour: INK, align: 'center' } },
    { text: slip.business.address, style: words(QUIET, 'center') },
    {
      text: slip.title,
      style: words(INK, 'left', true),
      amount: slip.on,
      amountStyle: right,
      ruled: 'thick',
    },
    { text: `${slip.from}, ${slip.how}`, style: words(INK, 'left') },
    { text: slip.voided, style: words(LATE, 'left', true) },
    ...slip.lines.map((l): Row => ({
      text: l.what,
      style: words(INK, 'left'),
      amount: l.amount,
      amountStyle: figure(),
      ruled: 'thin',
    })),
    ...slip.sums.map((x, i): Row => ({
      text: x.name,
      style: words(QUIET, 'left'),
      amount: x.amount,
      amountStyle: figure(),
      ruled: i === 0 ? 'thick' : undefined,
    })),
    {
      text: slip.received,
      style: words(INK, 'left', true),
      amount: slip.amount,
      amountStyle: figure(12, true),
      ruled: slip.sums.length === 0 ? 'thick' : undefined,
    },
    { text: slip.business.footer, style: words(QUIET, 'center') },
  ].filter((r) => r.text !== '') as Row[]
}

/** A receipt as a narrow slip 80 mm wide, as long as it needs to be. */
export const drawSlip = (slip: SlipOnPaper): Promise<Buffer> => {
  const rows = rowsOf(slip)
  const measure = openSheet({ title: '', language: 'en', size: [WIDE, 100] })
  /** What the amount beside them leaves for the words. */
  const roomFor = ({ amount, amountStyle }: Row): number =>
    amount && amountStyle ? INNER - Math.max(AMOUNT, widthOf(measure.sheet, amountStyle, amount) + 6) : INNER
  const heights = rows.map(
    (r) => Math.max(heightOf(measure.sheet, r.style, r.text, roomFor(r)), (r.amountStyle?.size ?? 0) * LEADING) + 5,
  )
  const high = heights.reduce((sum, h) => sum + h, 2 * MARGIN)
  const { sheet, close } = openSheet({
    title: slip.title,
    author: slip.business.name,
    language: slip.language,
    size: [WIDE, high],
  })
  const root = sheet.doc.struct('Document')
  sheet.doc.addStructure(root)
  let y = MARGIN
  for (const [i, r] of rows.entries()) {
    if (r.ruled)
      rule(sheet, {
        x: MARGIN,
        y,
        width: INNER,
        thick: r.ruled === 'thick' ? 1 : 0.5,
        colour: r.ruled === 'thick' ? INK : '#e6dfcf',
      })
    const at = y + 3
    root.add(
      sheet.doc.struct('P', {}, () => {
        setText(sheet, r.style, r.text, { x: MARGIN, y: at, width: roomFor(r) })
        if (r.amount && r.amountStyle)
          setText(sheet, r.amountStyle, r.amount, { x: MARGIN + INNER - 120, y: at, width: 120 })
      }),
    )
    y += present(heights[i])
  }
  root.end()
  return close()
}
