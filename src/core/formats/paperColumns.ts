/** Columns a paper's lines can have, beside what they are. */
export const PAPER_COLUMNS = [
  'code',
  'quantity',
  'each',
  'less',
  'sum',
  'onShelf',
  'place',
  'picked',
  'change',
  'owed',
  'due',
  'date',
  'charges',
  'payments',
] as const
export type PaperColumn = (typeof PAPER_COLUMNS)[number]
