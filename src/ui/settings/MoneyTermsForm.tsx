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
  const keep = sendBody('PATCH', '/settings', { say: () => 'Kept. New arrangements begin so.' })
  return (
    <FormProvider {...form}>
      <form noValidate onSubmit={(e) => void keep(e)}>
        <h2>Promises of money</h2>
        <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
          <FormQuantity name="usualArrangements.terms.net" label="Terms: days" />
          <FormQuantity name="usualArrangements.terms.discountPercent" label="Percent off, paid early" />
          <FormQuantity name="usualArrangements.terms.discountDays" label="within days" />
          <FormQuantity name="usualArrangements.deposit.percent" label="Deposit: percent" />
          <FormQuantity name="usualArrangements.layaway.firstPercent" label="Layaway: first, percent" />
          <FormQuantity name="usualArrangements.layaway.months" label="within months" />
          <FormSelect
            name="usualArrangements.layaway.every"
            label="Layaway: how often"
            options={rhythms(start.usualArrangements.layaway.every)}
          />
          <FormQuantity name="usualArrangements.layaway.graceDays" label="days of grace" />
          <FormQuantity name="usualArrangements.layaway.fee.percent" label="fee when given up, percent" />
          <FormQuantity name="usualArrangements.installments.count" label="Installments: payments" />
          <FormQuantity name="usualArrangements.late.charge.percent" label="Late charge, percent" />
          <FormMoney name="usualArrangements.late.charge.amount" label="or an amount" currency={currency} />
          <FormQuantity name="usualArrangements.late.graceDays" label="after days of grace" />
          <FormMoney name="bounceFee" label="For a cheque that bounced" currency={currency} />
          <FormQuantity name="stopSupplyDays" label="Warn when late by days" />
          <FormText name="reminderDays" label="Reminders after days" most={40} />
          <FormText name="ageLimits" label="Columns of what is late" most={40} />
          <FormMoney name="smallestCoin" label="Smallest coin" currency={currency} />
        </div>
        <div className="mt-3 grid">
          <FormCheck name="taxOnDeposits" label="tax is due when a deposit comes, not first with the bill" />
          <FormCheck name="taxBackOnBadDebts" label="tax comes back when a debt is written off" />
        </div>
        <FormProblems refused={refused} />
        <button className="btn mt-3" disabled={busy}>
          Keep
        </button>
      </form>
    </FormProvider>
  )
}
