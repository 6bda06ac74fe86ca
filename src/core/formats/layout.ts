import type { PaperKind } from './papers'

/** Columns a paper's lines can have, beside what they are. */
export const PAPER_COLUMNS = [
  'code',
  'quantity',
  'each',
  'less',
  'sum',
  'onShelf',
  'place',
  'change',
  'owed',
  'due',
] as const
export type PaperColumn = (typeof PAPER_COLUMNS)[number]

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

const MONEY: readonly PaperColumn[] = ['quantity', 'each', 'less', 'sum']
const COLUMNS: Readonly<Record<PaperKind, readonly PaperColumn[]>> = {
  estimate: MONEY,
  confirmation: MONEY,
  invoice: MONEY,
  'credit-note': MONEY,
  'deposit-request': ['sum'],
  'pick-list': ['code', 'quantity', 'onShelf', 'place'],
  // The packing slip shows no prices.
  'packing-slip': ['code', 'quantity'],
  receipt: ['sum'],
  statement: ['change', 'owed'],
  reminder: ['due', 'sum'],
  agreement: ['due', 'sum', 'owed'],
  'open-items': ['due', 'sum'],
}
/** Columns that never stand on a paper, whatever its layout says. */
const WITHOUT_PRICES: readonly PaperKind[] = ['packing-slip', 'pick-list']
const PRICES: readonly PaperColumn[] = ['each', 'less', 'sum', 'change', 'owed']

/** The program's own layout of a paper. */
export const usualLayout = (paper: PaperKind): LayoutSpec => ({
  title: '',
  above: '',
  below: '',
  columns: COLUMNS[paper].map((key) => ({ key, name: '' })),
  blocks: PAPER_BLOCKS,
  showMark: true,
  showNotes: true,
  showDeliverTo: true,
})

/** A layout made safe for its paper: no prices where there must be none, lines always somewhere, each block once. */
export const layoutSpec = (paper: PaperKind, spec: LayoutSpec): LayoutSpec => ({
  ...spec,
  columns: spec.columns.filter((c) => !WITHOUT_PRICES.includes(paper) || !PRICES.includes(c.key)),
  blocks: [...new Set([...spec.blocks, ...(spec.blocks.includes('lines') ? [] : (['lines'] as const))])],
})
