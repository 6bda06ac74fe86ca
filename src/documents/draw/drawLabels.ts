import { pictured } from './page'
import { openSheet } from './openSheet'
import { breakLines, setText, type TextStyle } from './setText'

export interface Label {
  readonly name: string
  readonly code: string
  readonly price: string
  /** The bars, drawn. */
  readonly bars: Uint8Array
}

/** Three across and eight down on A4, 70 × 36 mm each. */
const [WIDE, HIGH, TOP, PADDING] = [198.4, 102, 12, 10]
const [ACROSS, PER_PAGE] = [3, 24]
const INK = '#1f2327'
const NAME: TextStyle = { face: 'text', size: 9, colour: INK, align: 'left' }
const PRICE: TextStyle = { face: 'figure-bold', size: 11, colour: INK, align: 'right' }
const CODE: TextStyle = { face: 'figure', size: 8, colour: INK, align: 'center' }

/** Labels to cut out or peel off: name, price, and bars that can be scanned. */
export const drawLabels = (labels: readonly Label[]): Promise<Buffer> => {
  const { sheet, close } = openSheet({ title: 'Labels', language: 'en', size: 'A4' })
  const { doc } = sheet
  const root = doc.struct('Document')
  doc.addStructure(root)
  for (const [n, label] of labels.entries()) {
    const at = n % PER_PAGE
    if (at === 0 && n > 0) doc.addPage()
    const x = (at % ACROSS) * WIDE + PADDING
    const y = TOP + Math.floor(at / ACROSS) * HIGH + PADDING
    const wide = WIDE - 2 * PADDING
    root.add(
      doc.struct('P', {}, () => {
        // A long name takes two lines, and no more.
        const lines = breakLines(sheet, NAME, label.name, wide - 64)
        setText(sheet, NAME, lines.slice(0, 2).join('\n') + (lines.length > 2 ? '…' : ''), { x, y, width: wide - 60 })
        setText(sheet, PRICE, label.price, { x: x + wide - 70, y, width: 70 })
        setText(sheet, CODE, label.code, { x, y: y + 68, width: wide })
      }),
    )
    root.add(
      doc.struct(
        'Figure',
        pictured(`Bar code ${label.code}`, [x, y + 26, x + wide, y + 64]),
        () => void doc.image(Buffer.from(label.bars), x, y + 26, { fit: [wide, 38], align: 'center' }),
      ),
    )
  }
  root.end()
  return close()
}
