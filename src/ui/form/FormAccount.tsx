'use client'
import { FormSelect } from './inputs'

export interface AccountChoice {
  readonly id: number
  readonly code: string
  readonly name: string
}

interface Props {
  readonly name: string
  readonly label: string
  readonly accounts: readonly AccountChoice[]
}

/** One of the accounts, by its id; empty until one is chosen. */
export const FormAccount = ({ name, label, accounts }: Props) => (
  <FormSelect
    name={name}
    label={label}
    options={[{ value: '', name: '' }, ...accounts.map((a) => ({ value: String(a.id), name: `${a.code} ${a.name}` }))]}
  />
)
