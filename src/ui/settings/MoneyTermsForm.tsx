'use client'
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
          <FormQuantity name="usualArrangements.layaway.graceDays" label="Layaway: grace period (days)" />
          <FormQuantity name="usualArrangements.layaway.fee.percent" label="Layaway: cancellation fee, %" />
          <FormQuantity name="usualArrangements.installments.count" label="Installments: number of payments" />
          <FormQuantity name="usualArrangements.late.charge.percent" label="Late fee, %" />
          <FormMoney name="usualArrangements.late.charge.amount" label="Or an amount" currency={currency} />
          <FormQuantity name="usualArrangements.late.graceDays" label="Late fee after (days)" />
          <FormMoney name="bounceFee" label="Returned-check fee" currency={currency} />
          <FormQuantity name="stopSupplyDays" label="Warn on new sales when late by (days)" />
          <FormText name="reminderDays" label="Send reminders after (days late)" most={40} />
          <FormText name="ageLimits" label="Age columns (days)" most={40} />
          <FormMoney name="smallestCoin" label="Smallest coin" currency={currency} />
        </div>
        <div className="mt-3 grid">
          <FormCheck name="taxOnDeposits" label="Sales tax is due when a deposit is received (not with the invoice)" />
          <FormCheck name="taxBackOnBadDebts" label="Reclaim sales tax when a debt is written off" />
        </div>
        <FormProblems refused={refused} />
        <button className="btn mt-3" disabled={busy}>
          Save payment defaults
        </button>
      </form>
    </FormProvider>
  )
}
