'use client'
import type { Day } from '@/core/day'
import { FormCheck, FormDay } from '../form/inputs'
import { To } from '../To'
import { SettingsForm } from './SettingsForm'

interface Props {
  readonly today: Day
  readonly openedOn: Day
  readonly pricesIncludeTax: boolean
  /** Whether anything is posted: the opening day stays from then on. */
  readonly posted: boolean
}

/** The opening day, until something is posted, and how new sales show their prices. */
export const OpeningForm = ({ today, openedOn, pricesIncludeTax, posted }: Props) => (
  <section className="grid gap-3">
    <h2>Books and prices</h2>
    <SettingsForm
      start={{ openingDate: String(openedOn), pricesIncludeTax }}
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
    </SettingsForm>
  </section>
)
