'use client'
import type { Day } from '@/core/day'
import type { TaxRoundedPer } from '@/core/kinds'
import { FormCheck, FormDay, FormSelect } from '../form/inputs'
import { To } from '../To'
import { SettingsForm } from './SettingsForm'

interface Props {
  readonly today: Day
  readonly openedOn: Day
  readonly pricesIncludeTax: boolean
  readonly taxRoundedPer: TaxRoundedPer
  /** Whether anything is posted: the opening day stays from then on. */
  readonly posted: boolean
}

const ROUNDED: readonly { readonly value: TaxRoundedPer; readonly name: string }[] = [
  { value: 'document', name: 'Once on each document' },
  { value: 'line', name: 'On each line' },
]

/** The opening day, until something is posted, and how new sales show their prices and round their tax. */
export const OpeningForm = ({ today, openedOn, pricesIncludeTax, taxRoundedPer, posted }: Props) => (
  <section className="grid gap-3">
    <h2>Books and prices</h2>
    <SettingsForm
      start={{ openingDate: String(openedOn), pricesIncludeTax, taxRoundedPer }}
      asBody={({ openingDate, ...d }) => ({ ...d, ...(posted ? {} : { openingDate }) })}
    >
      {posted ? (
        <p className="sub">The books opened on the day they were set up with; something is posted, so that stays.</p>
      ) : (
        <FormDay name="openingDate" label="First day of your books" today={today} />
      )}
      <p>
        What you had and owed before:{' '}
        <To className="underline" href="/books/opening">
          Opening balances
        </To>
        .
      </p>
      <FormCheck
        name="pricesIncludeTax"
        label="Prices of new sales include tax"
        hint="Choose this if the price tag is what the customer pays"
      />
      <FormSelect
        name="taxRoundedPer"
        label="Round tax of new sales"
        hint="Sales that are written already stay as they are"
        options={ROUNDED}
      />
    </SettingsForm>
  </section>
)
