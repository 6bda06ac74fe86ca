'use client'
import type { ReactNode, Ref } from 'react'
import { Text } from './fields'

interface Props {
  readonly label?: string
  readonly value: string
  readonly onValue: (value: string) => void
  /** A new one is made, not the one that holds typed again. */
  readonly fresh?: boolean
  readonly autoFocus?: boolean
  readonly problem?: string
  readonly hint?: ReactNode
  readonly inputRef?: Ref<HTMLInputElement>
}

/** A passphrase, not shown. */
export const PassphraseField = ({ label = 'Your passphrase again', onValue, fresh, ...rest }: Props) => (
  <Text
    {...rest}
    label={label}
    type="password"
    autoComplete={fresh ? 'new-password' : 'current-password'}
    onChange={(e) => onValue(e.target.value)}
  />
)
