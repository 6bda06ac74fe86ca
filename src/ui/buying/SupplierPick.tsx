'use client'
import { useState } from 'react'
import { useFormContext, useFormState } from 'react-hook-form'
import { findSuppliers, Picker } from '../Picker'

interface Draft {
  supplierId: string
}

/** Whom it is bought from, found while typing. */
export const SupplierPick = ({ start = '', autoFocus }: { readonly start?: string; readonly autoFocus?: boolean }) => {
  const { setValue } = useFormContext<Draft>()
  const { errors } = useFormState<Draft>()
  const [chosen, setChosen] = useState(start)
  return (
    <Picker
      label="Supplier"
      chosen={chosen}
      find={findSuppliers}
      autoFocus={autoFocus}
      onPick={(s) => {
        setChosen(s.name)
        setValue('supplierId', String(s.id))
      }}
      problem={errors.supplierId && 'Choose a supplier. New ones are added under Suppliers.'}
    />
  )
}
