import type { Stands } from '@/core/sale'

const COLOUR: Readonly<Record<Stands, string>> = {
  draft: 'text-iron-500',
  offered: 'text-slate-600',
  lapsed: 'text-iron-500 line-through decoration-1',
  agreed: 'text-rust-600',
  owing: 'text-oxide-700',
  settled: 'text-patina-700',
  declined: 'text-iron-500',
  cancelled: 'text-iron-500',
}

/** Where a sale stands, as a stamp on paper. */
export const Stamp = ({ stands }: { readonly stands: Stands }) => (
  <span className={`stamp ${COLOUR[stands]}`}>{stands}</span>
)
