'use client'
import type { Day } from '@/core/day'
import { TAX_BASIS_NAMES } from '@/core/names'
import type { TaxBasis } from '@/core/tax'
import { CommandForm } from '../form/CommandForm'
import { FormDay, FormPick } from '../form/inputs'

const schema = () => import('@/contract/inputs/books/taxReturn').then((m) => m.draftTaxReturnInput)

export interface ReturnStart {
  readonly from: Day
  readonly through: Day
  readonly basis: TaxBasis
  readonly today: Day
}

/** A return of some days, filled in with those after the last one. */
export const DraftTaxReturn = ({ from, through, basis, today }: ReturnStart) => (
  <CommandForm
    method="POST"
    path="/tax-returns"
    schema={schema}
    start={{ from: String(from), through: String(through), basis }}
    asBody={(d) => d}
    go={(r) => `/books/tax/${r.id}`}
    submit="Look at it"
  >
    <div className="grid grid-cols-2 gap-3">
      <FormDay name="from" label="From" today={today} />
      <FormDay name="through" label="Through" today={today} />
    </div>
    <div className="mt-3">
      <FormPick name="basis" label="Tax is due" options={TAX_BASIS_NAMES} />
    </div>
  </CommandForm>
)
