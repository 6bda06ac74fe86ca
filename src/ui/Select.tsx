'use client'
import { keysOf } from '@/core/keysOf'
import { useId, type ReactNode } from 'react'

interface Props<T extends string> {
  readonly label: string
  readonly value: T
  /** What each choice is called, in the order they stand in. */
  readonly options: Readonly<Partial<Record<T, ReactNode>>>
  readonly onValue: (value: T) => void
  readonly hideLabel?: boolean
  readonly className?: string
}

/** One of a few, each with its name. */
export const Select = <T extends string>({ label, value, options, onValue, hideLabel, className = '' }: Props<T>) => {
  const id = useId()
  const values = keysOf<T>(options)
  return (
    <div>
      <label htmlFor={id} className={hideLabel ? 'sr-only' : 'label'}>
        {label}
      </label>
      <select
        id={id}
        className={`field ${className}`}
        value={value}
        onChange={(e) => {
          const chosen = values.find((v) => v === e.target.value)
          if (chosen !== undefined) onValue(chosen)
        }}
      >
        {values.map((v) => (
          <option key={v} value={v}>
            {options[v]}
          </option>
        ))}
      </select>
    </div>
  )
}
