'use client'
import type { ReactNode, Ref } from 'react'
import { Text } from './fields'

interface Props {
  readonly label?: string
  readonly value: string
  readonly onValue: (value: string) => void
  /** A new one is made, not the one that holds typed again. */
  readonly fresh?: boolean
  readonly name?: string
  readonly autoFocus?: boolean
  readonly problem?: string
  readonly hint?: ReactNode
  readonly inputRef?: Ref<HTMLInputElement>
}

/** A passphrase, not shown. */
export const PassphraseField = ({ label = 'Your passphrase again', onValue, fresh, name, ...rest }: Props) => (
  <Text
    {...rest}
    name={name}
    label={label}
    type="password"
    autoComplete={fresh ? 'new-password' : 'current-password'}
    onChange={(e) => onValue(e.target.value)}
  />
)
