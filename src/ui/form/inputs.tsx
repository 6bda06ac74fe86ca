'use client'
import { useId, type ReactNode } from 'react'
import { useController } from 'react-hook-form'
import type { Day } from '@/core/day'
import { Problem } from './Problem'
import { Choice } from '../Choice'
import { DayField, MoneyField, QuantityField, Text } from '../fields'
import { MethodChoice } from '../money/MethodChoice'
import { PassphraseField } from '../PassphraseField'
import { Select } from '../Select'

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
  digits,
  secret,
  ...rest
}: Named & {
  readonly most: number
  readonly type?: 'email' | 'text'
  readonly digits?: boolean
  /** The browser is not to remember it. */
  readonly secret?: boolean
}) => {
  const { ref, problem, value, onChange, onBlur } = useField(name)
  // An address that is no address is told by our own sentence, not by the browser's.
  const inputMode = digits ? 'numeric' : type === 'email' ? 'email' : undefined
  return (
    <Text
      {...rest}
      name={name}
      inputMode={inputMode}
      autoComplete={digits || secret ? 'off' : undefined}
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

export const FormQuantity = ({ name, onTyped, ...rest }: Named & { readonly onTyped?: () => void }) => {
  const { ref, problem, value, onChange } = useField(name)
  const type = (v: string) => {
    onChange(v)
    onTyped?.()
  }
  return <QuantityField {...rest} inputRef={ref} value={value} onValue={type} problem={problem} />
}

export const FormDay = ({ name, ...rest }: Named & { readonly today: Day }) => {
  const { ref, problem, value, onChange } = useField(name)
  return <DayField {...rest} inputRef={ref} value={value} onValue={onChange} problem={problem} />
}

/** Why something is done, kept with it. */
export const FormReason = ({
  name = 'reason',
  label = 'Reason',
  most = 500,
  ...rest
}: Partial<Named> & { readonly most?: number }) => <FormText name={name} label={label} most={most} {...rest} />

/** The day something is of. */
export const FormOn = ({
  name = 'on',
  label = 'Date',
  today,
}: {
  readonly name?: string
  readonly label?: string
  readonly today: Day
}) => <FormDay name={name} label={label} today={today} />

/** A passphrase: the one that holds, typed again, or a new one. */
export const FormPassphrase = ({
  name = 'passphrase',
  ...rest
}: Pick<Parameters<typeof PassphraseField>[0], 'label' | 'fresh' | 'hint' | 'autoFocus'> & {
  readonly name?: string
}) => {
  const { ref, problem, value, onChange } = useField(name)
  return <PassphraseField {...rest} name={name} inputRef={ref} value={value} onValue={onChange} problem={problem} />
}

/** Cash, card, cheque or transfer. */
export const FormMethod = ({ name = 'method', label }: { readonly name?: string; readonly label: string }) => {
  const { value, onChange } = useField(name)
  return <MethodChoice label={label} method={value} onMethod={onChange} />
}

/** One of a few, all in sight. */
export const FormChoice = ({
  name,
  ...rest
}: { readonly name: string } & Pick<Parameters<typeof Choice>[0], 'label' | 'options'>) => {
  const { value, onChange } = useField(name)
  return <Choice {...rest} value={value} onChoose={onChange} />
}

/** One of a few by their names, in a list that opens. */
export const FormPick = ({
  name,
  ...rest
}: { readonly name: string } & Pick<Parameters<typeof Select>[0], 'label' | 'options' | 'className'>) => {
  const { value, onChange } = useField(name)
  return <Select {...rest} value={value} onValue={onChange} />
}

export const FormSelect = ({
  name,
  label,
  hideLabel,
  hint,
  options,
}: {
  readonly name: string
  readonly label: string
  readonly hideLabel?: boolean
  readonly hint?: string
  readonly options: readonly { readonly value: string; readonly name: string }[]
}) => {
  const id = useId()
  const { ref, problem, value, onChange } = useField(name)
  return (
    <div>
      <label className={hideLabel ? 'sr-only' : 'label'} htmlFor={id}>
        {label}
      </label>
      <select
        id={id}
        ref={ref}
        className="field"
        value={value}
        onChange={onChange}
        aria-invalid={problem ? true : undefined}
        aria-describedby={problem || hint ? `${id}-note` : undefined}
      >
        {options.map((o) => (
          <option key={o.value} value={o.value}>
            {o.name}
          </option>
        ))}
      </select>
      {problem ? (
        <Problem id={`${id}-note`}>{problem}</Problem>
      ) : (
        hint && (
          <div id={`${id}-note`} className="sub">
            {hint}
          </div>
        )
      )}
    </div>
  )
}

export const FormCheck = ({
  name,
  label,
  hint,
}: {
  readonly name: string
  readonly label: string
  readonly hint?: string
}) => {
  const id = useId()
  const { ref, value, onChange } = useField(name)
  return (
    <div>
      <label className="flex min-h-9 items-center gap-2">
        <input
          type="checkbox"
          ref={ref}
          checked={value}
          aria-describedby={hint ? `${id}-note` : undefined}
          onChange={(e) => onChange(e.target.checked)}
        />{' '}
        {label}
      </label>
      {hint && (
        <div id={`${id}-note`} className="sub">
          {hint}
        </div>
      )}
    </div>
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
