'use client'
import { useId, useLayoutEffect, useRef, useState, type InputHTMLAttributes, type ReactNode, type Ref } from 'react'
import { formatDay, isDay, readDay, type Day } from '@/core/day'
import { formatDigits, houseLocale, typeDigits } from '@/core/locale'
import { evaluateAmount, formatMoney, parseMoney, roundToMoney, toDecimalString, toFourPlaces } from '@/core/money'

interface LabelProps {
  readonly label: string
  readonly hideLabel?: boolean
  readonly problem?: string
  readonly hint?: ReactNode
}

type TextProps = LabelProps & InputHTMLAttributes<HTMLInputElement> & { readonly inputRef?: Ref<HTMLInputElement> }

/** A labelled field; a problem with it stands under it. */
export const Text = ({ label, hideLabel, problem, hint, inputRef, className = '', ...input }: TextProps) => {
  const id = useId()
  return (
    <div>
      <label htmlFor={id} className={hideLabel ? 'sr-only' : 'label'}>
        {label}
      </label>
      <input
        id={id}
        ref={inputRef}
        className={`field ${className}`}
        aria-invalid={problem ? true : undefined}
        aria-describedby={problem || hint ? `${id}-note` : undefined}
        {...input}
      />
      {(problem || hint) && (
        <div id={`${id}-note`} className={problem ? 'text-xs text-oxide-700' : 'sub'}>
          {problem ?? hint}
        </div>
      )}
    </div>
  )
}

interface ValueProps extends LabelProps {
  readonly value: string
  readonly onValue: (value: string) => void
  readonly inputRef?: Ref<HTMLInputElement>
  readonly autoFocus?: boolean
  readonly placeholder?: string
  readonly className?: string
  readonly id?: string
}

/**
 * What is being typed into a field; null while nobody is in it. Entering it selects what stands there before the next key
 * can come, so that whoever types without looking loses no figure.
 */
const useTyped = () => {
  const [typed, setTyped] = useState<string | null>(null)
  const entered = useRef<HTMLInputElement | null>(null)
  useLayoutEffect(() => {
    entered.current?.select()
    entered.current = null
  })
  const enter = (field: HTMLInputElement, value: string) => {
    entered.current = field
    setTyped(value)
  }
  return { typed, setTyped, enter }
}

const NUMBER = /^\d+(\.\d+)?$/
/** What was left in a field of figures and is none, or is below zero; said at the field before anything is sent. */
const unreadable = (typed: string | null, value: string, say: string): string | undefined => {
  if (typed !== null || value.trim() === '' || NUMBER.test(value)) return undefined
  return value.startsWith('-') ? 'This cannot be below zero.' : say
}

/** Money: takes `1250`, `1,250.00`, `12*45`, `450-10%`; what it comes to stands there when it is left. */
export const MoneyField = ({
  currency,
  value,
  onValue,
  className = '',
  ...rest
}: ValueProps & { readonly currency: string }) => {
  const { typed, setTyped, enter } = useTyped()
  const settle = (text: string) => {
    const read = text.trim() === '' ? null : evaluateAmount(text)
    if (read === null) onValue('')
    else if (read.ok) onValue(toDecimalString(roundToMoney(read.value, currency)))
    else onValue(text)
  }
  const shown = typed ?? showMoney(value, currency)
  return (
    <Text
      {...rest}
      inputMode="decimal"
      autoComplete="off"
      className={`fig ${className}`}
      value={shown}
      problem={rest.problem ?? unreadable(typed, value, `Write an amount, such as ${formatDigits('412.50')}.`)}
      onFocus={(e) => enter(e.target, typeDigits(value))}
      onChange={(e) => {
        setTyped(e.target.value)
        settle(e.target.value)
      }}
      onBlur={() => setTyped(null)}
    />
  )
}

/** A decimal string as an amount that is read: thousands apart, the currency's digits. */
export const showMoney = (value: string, currency: string): string => {
  const read = /^-?\d+(\.\d+)?$/.test(value) ? parseMoney(value, currency) : null
  return read?.ok ? formatMoney(read.value) : value
}

/** A quantity or unit price: up to four places, and sums may be typed. */
export const QuantityField = ({ value, onValue, className = '', ...rest }: ValueProps) => {
  const { typed, setTyped, enter } = useTyped()
  return (
    <Text
      {...rest}
      inputMode="decimal"
      autoComplete="off"
      className={`fig ${className}`}
      value={typed ?? typeDigits(value)}
      problem={rest.problem ?? unreadable(typed, value, `Write a number, such as 2 or ${formatDigits('1.5')}.`)}
      onFocus={(e) => enter(e.target, typeDigits(value))}
      onChange={(e) => {
        setTyped(e.target.value)
        const read = evaluateAmount(e.target.value)
        onValue(e.target.value.trim() === '' ? '' : read.ok ? toFourPlaces(read.value) : e.target.value)
      }}
      onBlur={() => setTyped(null)}
    />
  )
}

/** A date: takes `t`, `+30`, `12/24`, `eom`, `fri`; the day it means stands under it. */
export const DayField = ({ today, value, onValue, ...rest }: ValueProps & { readonly today: Day }) => {
  const [typed, setTyped] = useState<string | null>(null)
  const [entered, setEntered] = useState(false)
  const meant = isDay(value) ? formatDay(value) : undefined
  const ways = `t, +30, fri, ${houseLocale().monthFirst ? '12/24' : '24/12'}, 24 dec`
  return (
    <Text
      {...rest}
      autoComplete="off"
      hint={typed !== null && meant ? `means ${meant}` : (rest.hint ?? (entered ? ways : undefined))}
      value={typed ?? meant ?? value}
      onFocus={(e) => {
        e.target.select()
        setEntered(true)
      }}
      onChange={(e) => {
        setTyped(e.target.value)
        const read = readDay(e.target.value, today)
        onValue(read.ok ? read.value : e.target.value)
      }}
      onBlur={() => {
        setTyped(null)
        setEntered(false)
      }}
    />
  )
}
