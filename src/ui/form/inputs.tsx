'use client'
import { useId, type ReactNode } from 'react'
import { useController } from 'react-hook-form'
import type { Day } from '@/core/day'
import { Problem } from './Problem'
import { DayField, MoneyField, QuantityField, Text } from '../fields'

/** The fields of a form by their names: each knows its value, and says what is wrong with it. */
interface Named {
  readonly name: string
  readonly label: string
  readonly hideLabel?: boolean
  readonly autoFocus?: boolean
  readonly placeholder?: string
  readonly hint?: ReactNode
}

const useField = (name: string) => {
  const { field, fieldState } = useController({ name })
  return { ...field, problem: fieldState.error?.message }
}

export const FormText = ({
  name,
  most,
  type,
  ...rest
}: Named & { readonly most: number; readonly type?: 'email' | 'text' }) => {
  const { ref, problem, value, onChange, onBlur } = useField(name)
  // An address that is no address is told by our own sentence, not by the browser's.
  const inputMode = type === 'email' ? 'email' : undefined
  return (
    <Text
      {...rest}
      name={name}
      inputMode={inputMode}
      maxLength={most}
      inputRef={ref}
      value={value ?? ''}
      onChange={onChange}
      onBlur={onBlur}
      problem={problem}
    />
  )
}

export const FormMoney = ({ name, ...rest }: Named & { readonly currency: string }) => {
  const { ref, problem, value, onChange } = useField(name)
  return <MoneyField {...rest} inputRef={ref} value={value} onValue={onChange} problem={problem} />
}

export const FormQuantity = ({ name, ...rest }: Named) => {
  const { ref, problem, value, onChange } = useField(name)
  return <QuantityField {...rest} inputRef={ref} value={value} onValue={onChange} problem={problem} />
}

export const FormDay = ({ name, ...rest }: Named & { readonly today: Day }) => {
  const { ref, problem, value, onChange } = useField(name)
  return <DayField {...rest} inputRef={ref} value={value} onValue={onChange} problem={problem} />
}

export const FormSelect = ({
  name,
  label,
  options,
}: {
  readonly name: string
  readonly label: string
  readonly options: readonly { readonly value: string; readonly name: string }[]
}) => {
  const id = useId()
  const { ref, problem, value, onChange } = useField(name)
  return (
    <div>
      <label className="label" htmlFor={id}>
        {label}
      </label>
      <select
        id={id}
        ref={ref}
        className="field"
        value={value}
        onChange={onChange}
        aria-invalid={problem ? true : undefined}
        aria-describedby={problem ? `${id}-note` : undefined}
      >
        {options.map((o) => (
          <option key={o.value} value={o.value}>
            {o.name}
          </option>
        ))}
      </select>
      {problem && <Problem id={`${id}-note`}>{problem}</Problem>}
    </div>
  )
}

export const FormCheck = ({ name, label }: { readonly name: string; readonly label: string }) => {
  const { ref, value, onChange } = useField(name)
  return (
    <label className="flex min-h-9 items-center gap-2">
      <input type="checkbox" ref={ref} checked={value} onChange={(e) => onChange(e.target.checked)} /> {label}
    </label>
  )
}

export const FormArea = ({
  name,
  label,
  rows = 2,
  most,
}: {
  readonly name: string
  readonly label: string
  readonly rows?: number
  readonly most: number
}) => {
  const id = useId()
  const { ref, problem, value, onChange, onBlur } = useField(name)
  return (
    <div>
      <label className="label" htmlFor={id}>
        {label}
      </label>
      <textarea
        id={id}
        ref={ref}
        rows={rows}
        maxLength={most}
        className="field"
        value={value}
        onChange={onChange}
        onBlur={onBlur}
        aria-invalid={problem ? true : undefined}
        aria-describedby={problem ? `${id}-note` : undefined}
      />
      {problem && <Problem id={`${id}-note`}>{problem}</Problem>}
    </div>
  )
}
