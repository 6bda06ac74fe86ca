'use client'
import { useEffect, useState, type ReactNode } from 'react'

interface Props {
  /** What is lost, said by the second press: `Delete photo.png for good`. */
  readonly sure: string
  readonly onSure: () => void
  readonly label?: string
  readonly className?: string
  readonly disabled?: boolean
  readonly children: ReactNode
}

const ASKS_FOR = 5_000

/** A button for what has no way back: the first press asks, the second one does it; five seconds later it asks anew. */
export const SureButton = ({ sure, onSure, label, className, disabled, children }: Props) => {
  const [asking, setAsking] = useState(false)
  useEffect(() => {
    if (!asking) return
    const ends = setTimeout(() => setAsking(false), ASKS_FOR)
    return () => clearTimeout(ends)
  }, [asking])
  const press = () => {
    if (asking) onSure()
    setAsking(!asking)
  }
  return (
    <button
      type="button"
      aria-label={asking ? `${sure}?` : label}
      className={asking ? 'btn min-h-0 border-oxide-700 px-2 py-0.5 text-oxide-700' : className}
      disabled={disabled}
      onClick={press}
      onBlur={() => setAsking(false)}
    >
      {asking ? `${sure}?` : children}
    </button>
  )
}
