'use client'
import { FormFind } from '../form/FormFind'
import { findSuppliers } from '../Picker'

/** Whom it is bought from, found while typing. */
export const SupplierPick = (props: { readonly start?: string; readonly autoFocus?: boolean }) => (
  <FormFind
    name="supplierId"
    label="Supplier"
    find={findSuppliers}
    missing="Choose a supplier. New ones are added under Suppliers."
    {...props}
  />
)
