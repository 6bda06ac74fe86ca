'use client'
import { METHODS, type Method } from '@/core/ledger'
import { METHOD_NAMES } from '@/core/names'

interface Props {
  readonly label: string
  readonly method: Method
  readonly onMethod: (method: Method) => void
}

/** How money comes: one of four, all in sight. */
export const MethodChoice = ({ label, method, onMethod }: Props) => (
  <div role="radiogroup" aria-label={label} className="grid grid-cols-4 gap-2">
    {METHODS.map((m) => (
      <button
        key={m}
        type="button"
        role="radio"
        aria-checked={method === m}
        onClick={() => onMethod(m)}
        className="btn px-1 aria-checked:border-2 aria-checked:border-rust-600 aria-checked:bg-rust-100"
      >
        {METHOD_NAMES[m]}
      </button>
    ))}
  </div>
)
