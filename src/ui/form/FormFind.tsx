'use client'
import { useController, useFormContext } from 'react-hook-form'
import { Picker } from '../Picker'
import type { Picking } from '../usePicking'
import { chosenOf } from './chosen'

interface Props<T> {
  readonly name: string
  readonly label: string
  readonly find: Picking<T>['find']
  /** Its name, where one is chosen already. */
  readonly start?: string
  readonly autoFocus?: boolean
  /** What is said where none is chosen. */
  readonly missing: string
}

/** A field found while typing; the form keeps its id. */
export const FormFind = <T extends { readonly id: number; readonly name: string }>({
  name,
  start = '',
  missing,
  ...rest
}: Props<T>) => {
  const { field, fieldState } = useController({ name })
  const found = chosenOf(useFormContext().control)
  const known = found.get(name)
  return (
    <Picker<T>
      {...rest}
      chosen={known?.id === field.value ? (known?.name ?? start) : start}
      inputRef={field.ref}
      onPick={(picked) => {
        found.set(name, { id: String(picked.id), name: picked.name })
        field.onChange(String(picked.id))
      }}
      problem={fieldState.error && missing}
    />
  )
}
