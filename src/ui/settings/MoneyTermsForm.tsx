'use client'
import { formatMoney, money } from '@/core/money'
import { FormProvider } from 'react-hook-form'
import { FormProblems } from '../form/FormProblems'
import { FormCheck, FormMoney, FormQuantity, FormSelect, FormText } from '../form/inputs'
import { useCommandForm } from '../form/useCommandForm'
import { EVERY } from '../sale/arrangementDraft'
import { moneyTermsBody, moneyTermsDraft, type MoneyTerms } from './moneyTermsDraft'

const schema = () =>
  import('@/contract/inputs/access/changeSettings').then(({ changeSettingsInput: of }) =>
    of.required({ usualArrangements: true, ageLimits: true, reminderDays: true, smallestCoin: true }),
  )

/** How often a layaway is paid: the usual rhythms, and the one that stands where it is another. */
const rhythms = (now: string) => [
  ...EVERY.map((e) => ({ value: e.value, name: e.label })),
  ...(EVERY.some((e) => e.value === now) ? [] : [{ value: now, name: `every ${now} days` }]),
]

/** How arrangements begin, what lateness means, and how tax and coins go with money. */
export const MoneyTermsForm = (props: MoneyTerms) => {
  const { currency } = props
  const start = moneyTermsDraft(props)
  const { form, sendBody, busy, refused } = useCommandForm({
    start,
    schema,
    asBody: (d: typeof start) => moneyTermsBody(d, props),
    changes: true,
  })
  const keep = sendBody('PATCH', '/settings', { say: () => 'Saved. Applies to new sales.' })
  return (
    <FormProvider {...form}>
      <form noValidate onSubmit={(e) => void keep(e)}>
        <h2>Payment defaults</h2>
        <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
          <FormQuantity name="usualArrangements.terms.net" label="Payment due in (days)" />
          <FormQuantity name="usualArrangements.terms.discountPercent" label="Early-payment discount, %" />
          <FormQuantity name="usualArrangements.terms.discountDays" label="If paid within (days)" />
          <FormQuantity name="usualArrangements.deposit.percent" label="Deposit, %" />
          <FormQuantity name="usualArrangements.layaway.firstPercent" label="Layaway: first payment, %" />
          <FormQuantity name="usualArrangements.layaway.months" label="Layaway: pay in full within (months)" />
          <FormSelect
            name="usualArrangements.layaway.every"
            label="Layaway: payment every"
            options={rhythms(start.usualArrangements.layaway.every)}
          />
          <FormQuantity
            name="usualArrangements.layaway.graceDays"
            label="Layaway: grace period (days)"
            hint="A payment counts as late after this"
          />
          <FormQuantity name="usualArrangements.layaway.fee.percent" label="Layaway: cancellation fee, %" />
          <FormQuantity name="usualArrangements.installments.count" label="Installments: number of payments" />
          <FormQuantity name="usualArrangements.late.charge.percent" label="Late fee, %" />
          <FormMoney name="usualArrangements.late.charge.amount" label="Or an amount" currency={currency} />
          <FormQuantity
            name="usualArrangements.late.graceDays"
            label="Late fee after (days)"
            hint="Late fees need the customer’s agreement; check what your law allows"
          />
          <FormMoney
            name="bounceFee"
            label="Returned-check fee"
            currency={currency}
            hint="Charged when a check bounces"
          />
          <FormQuantity
            name="stopSupplyDays"
            label="Warn on new sales when late by (days)"
            hint="Before you give more on credit"
          />
          <FormText
            name="reminderDays"
            label="Send reminders after (days late)"
            most={40}
            hint="Up to three, such as 7, 21, 35"
          />
          <FormText
            name="ageLimits"
            label="Age columns (days)"
            most={40}
            hint="How Owed sorts what is late: 30, 60, 90"
          />
          <FormMoney
            name="smallestCoin"
            label="Smallest coin"
            currency={currency}
            hint={`Cash is rounded to it; ${formatMoney(money(1n, currency))} rounds nothing`}
          />
        </div>
        <div className="mt-3 grid">
          <FormCheck
            name="taxOnDeposits"
            label="Sales tax is due when a deposit is received (not with the invoice)"
            hint="In some places it is. Ask your accountant."
          />
          <FormCheck
            name="taxBackOnBadDebts"
            label="Reclaim sales tax when a debt is written off"
            hint="Where your tax office gives back tax on what was never paid. Ask your accountant."
          />
        </div>
        <FormProblems refused={refused} />
        <button className="btn mt-3" disabled={busy}>
          Save payment defaults
        </button>
      </form>
    </FormProvider>
  )
}
