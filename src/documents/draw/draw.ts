import type { LaidPaper } from '@/documents/paper'
import { drawChecks, type Check } from './drawChecks'
import { drawLabels, type Label } from './drawLabels'
import { drawLists, type ListOnPaper } from './drawList'
import { drawParcelLabels, type ParcelLabel } from './drawParcelLabels'
import { drawPaper } from './drawPaper'
import { drawSlip, type SlipOnPaper } from './drawSlip'

/** Something to draw, as plain data: it is handed to another thread. */
export type Drawing =
  | { readonly as: 'paper'; readonly laid: LaidPaper }
  | { readonly as: 'slip'; readonly slip: SlipOnPaper }
  | { readonly as: 'labels'; readonly labels: readonly Label[] }
  | { readonly as: 'parcel-labels'; readonly labels: readonly ParcelLabel[] }
  | { readonly as: 'checks'; readonly checks: readonly Check[] }
  | { readonly as: 'lists'; readonly lists: readonly [ListOnPaper, ...ListOnPaper[]] }

/** Draws it: a PDF that can be searched, and read aloud. */
export const draw = (drawing: Drawing): Promise<Buffer> => {
  switch (drawing.as) {
    case 'paper':
      return drawPaper(drawing.laid)
    case 'slip':
      return drawSlip(drawing.slip)
    case 'labels':
      return drawLabels(drawing.labels)
    case 'parcel-labels':
      return drawParcelLabels(drawing.labels)
    case 'checks':
      return drawChecks(drawing.checks)
    case 'lists':
      return drawLists(drawing.lists)
  }
}
