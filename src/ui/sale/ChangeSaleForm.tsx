'use client'
import { useMemo, type ComponentProps } from 'react'
import { SaleForm } from './SaleForm'

type Props = ComponentProps<typeof SaleForm>

/** The form of a sale that is there already. Its lines come as one text, as rows of lists do (`packRows`): there may be hundreds. */
export const ChangeSaleForm = ({ packed, ...sale }: Omit<Props, 'lines'> & { readonly packed: string }) => (
  <SaleForm {...sale} lines={useMemo<Props['lines']>(() => JSON.parse(packed), [packed])} />
)
