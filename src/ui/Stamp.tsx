import { statusName } from '@/core/names'
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

interface Props {
  readonly stands: Stands
  /** Whether anything is unpaid: where nothing is and it is not settled, a refund is due. */
  readonly owes: boolean
}

/** The status of a sale, as a stamp on paper. */
export const Stamp = (props: Props) => {
  const { stamp, colour } = stampWords(props)
  return <span className={`stamp ${colour}`}>{stamp}</span>
}

export const stampWords = ({ stands, owes }: Props) => ({ stamp: statusName(stands, owes), colour: COLOUR[stands] })
