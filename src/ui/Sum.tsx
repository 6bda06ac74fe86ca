import type { ReactNode } from 'react'

interface Row {
  readonly what: ReactNode
  readonly amount: string
}

/** A few figures and what they come to, as in a ledger. */
export const Sum = ({ rows, total }: { readonly rows: readonly Row[]; readonly total: Row }) => (
  <dl className="my-4 grid grid-cols-[1fr_auto] gap-y-1 bg-paper-100 px-3 py-2.5">
    {rows.map(({ what, amount }, i) => (
      <div key={i} className="contents">
        <dt>{what}</dt>
        <dd className="fig">{amount}</dd>
      </div>
    ))}
    <dt className="border-t border-iron-900 pt-1 font-bold">{total.what}</dt>
    <dd className="fig border-t border-iron-900 pt-1 font-bold">{total.amount}</dd>
  </dl>
)
