import type { PaperColumn } from './paperColumns'
import { traitsOf, type PaperKind } from './papers'

/** The parts of a paper below its head, in whatever order the owner likes. */
export const PAPER_BLOCKS = ['above', 'lines', 'sums', 'note', 'conditions', 'below'] as const
export type PaperBlock = (typeof PAPER_BLOCKS)[number]

/** How one paper looks: its wording, what is shown, and in what order. */
export interface LayoutSpec {
  /** Empty: as the paper is called. */
  readonly title: string
  readonly above: string
  readonly below: string
  /** Shown columns in their order, each with a name of the owner's own or none. */
  readonly columns: readonly { readonly key: PaperColumn; readonly name: string }[]
  readonly blocks: readonly PaperBlock[]
  readonly showMark: boolean
  readonly showNotes: boolean
  readonly showDeliverTo: boolean
}

const PRICES: readonly PaperColumn[] = ['each', 'less', 'sum', 'change', 'owed', 'charges', 'payments']

/** The program's own layout of a paper. */
export const usualLayout = (paper: PaperKind): LayoutSpec => ({
  title: '',
  above: '',
  below: '',
  columns: traitsOf(paper).columns.map((key) => ({ key, name: '' })),
  blocks: PAPER_BLOCKS,
  showMark: true,
  showNotes: true,
  showDeliverTo: true,
})

/** A layout made safe for its paper: no prices where there must be none, lines always somewhere, each block once. */
export const layoutSpec = (paper: PaperKind, spec: LayoutSpec): LayoutSpec => ({
  ...spec,
  columns: spec.columns.filter((c) => !traitsOf(paper).withoutPrices || !PRICES.includes(c.key)),
  blocks: [...new Set([...spec.blocks, ...(spec.blocks.includes('lines') ? [] : (['lines'] as const))])],
})
