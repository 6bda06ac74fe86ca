'use client'
import type { ComponentProps } from 'react'
import type { Packed } from '../pack'
import { useUnpacked } from '../useUnpacked'
import { SaleForm } from './SaleForm'

type Props = ComponentProps<typeof SaleForm>

/** The form of a sale that is there already, which may have hundreds of lines. */
export const ChangeSaleForm = ({
  lines,
  ...sale
}: Omit<Props, 'lines'> & { readonly lines: Packed<Props['lines']> }) => (
  <SaleForm {...sale} lines={useUnpacked(lines)} />
)
