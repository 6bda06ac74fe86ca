import { openSheet } from './openSheet'
import { pictured } from './page'
import { setText, type TextStyle } from './setText'

/** A label for a parcel, as a carrier reads it. */
export interface ParcelLabel {
  readonly from: string
  readonly to: string
  readonly service: string
  readonly weight: string
  readonly tracking: string
  /** What it is for: the handover, and which of how many. */
  readonly about: string
  /** The bars of the number, drawn; null where there is no number. */
  readonly bars: Uint8Array | null
}

/** 100 × 150 mm, as label printers take them. */
const [WIDE, HIGH, MARGIN] = [283.5, 425.2, 18]
const INK = '#1f2327'
const style = (face: TextStyle['face'], size: number): TextStyle => ({ face, size, colour: INK, align: 'left' })

/** Labels for parcels, one a page: who it is from and goes to, the service, and a bar code of its number. */
export const drawParcelLabels = (labels: readonly ParcelLabel[]): Promise<Buffer> => {
  const { sheet, close } = openSheet({ title: 'Parcel labels', language: 'en', size: [WIDE, HIGH] })
  const { doc } = sheet
  const root = doc.struct('Document')
  doc.addStructure(root)
  const width = WIDE - 2 * MARGIN
  for (const [n, label] of labels.entries()) {
    if (n > 0) doc.addPage()
    const says = (text: string, of: TextStyle, y: number): void =>
      void root.add(doc.struct('P', {}, () => void setText(sheet, of, text, { x: MARGIN, y, width })))
    says(`From\n${label.from}`, style('text', 8), MARGIN)
    says(label.service, style('figure-bold', 16), 92)
    says(`To\n${label.to}`, style('text', 14), 126)
    says([label.weight, label.about].join('   '), style('figure', 9), 270)
    if (label.bars) {
      const bars = Buffer.from(label.bars)
      root.add(
        doc.struct(
          'Figure',
          pictured(`Bar code ${label.tracking}`, [MARGIN, 296, MARGIN + width, 376]),
          () => void doc.image(bars, MARGIN, 296, { fit: [width, 80], align: 'center' }),
        ),
      )
    }
    says(label.tracking, style('figure-bold', 13), 388)
  }
  root.end()
  return close()
}
