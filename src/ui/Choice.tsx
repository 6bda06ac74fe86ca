'use client'
import { useId } from 'react'

interface Props<T extends string> {
  readonly label: string
  readonly value: T
  readonly options: readonly { readonly value: T; readonly label: string; readonly disabled?: boolean }[]
  readonly onChoose: (value: T) => void
}

/** One of a few, all in sight. */
export const Choice = <T extends string>({ label, value, options, onChoose }: Props<T>) => {
  const name = useId()
  return (
    <fieldset className="grid gap-1.5">
      <legend className="label">{label}</legend>
      {options.map((o) => (
        <label key={o.value} className={`flex gap-2 ${o.disabled ? 'text-iron-500' : ''}`}>
          <input
            type="radio"
            name={name}
            checked={value === o.value}
            disabled={o.disabled}
            onChange={() => onChoose(o.value)}
          />
          {o.label}
        </label>
      ))}
    </fieldset>
  )
}
