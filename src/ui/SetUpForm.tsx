'use client'
import type { Day } from '@/core/day'
import { EN_US } from '@/core/locale'
import { decimal } from '@/core/money'
import { regionsWith } from './regions'
import { DoorForm } from './form/DoorForm'
import { FormCheck, FormDay, FormPassphrase, FormQuantity, FormSelect, FormText } from './form/inputs'

const schema = () => import('@/contract/inputs/access/entry').then((m) => m.setUpPageInput)

const startOf = (today: Day) => ({
  name: '',
  currency: 'USD',
  locale: EN_US.tag,
  openingDate: today as string,
  taxName: 'Sales tax',
  percent: '',
  pricesIncludeTax: false,
  passphrase: '',
  code: '',
})
type Draft = ReturnType<typeof startOf>

const typed = (d: Draft) => ({ ...d, currency: d.currency.trim().toUpperCase() })

/** One tax, where there is one. */
const taxCodesOf = ({ percent, taxName }: Draft) =>
  percent === ''
    ? []
    : [{ code: 'STD', name: taxName, components: [{ name: taxName, rate: decimal(percent).div(100).toString() }] }]

const bodyOf = (needsCode: boolean, draft: Draft) => {
  const { taxName: _, percent: __, code, ...plain } = typed(draft)
  const { timeZone } = Intl.DateTimeFormat().resolvedOptions()
  return { ...plain, timeZone, taxCodes: taxCodesOf(draft), ...(needsCode ? { code } : {}) }
}

/** The first-run page: name, currency, region, tax, passphrase, opening date. */
export const SetUpForm = ({ today, needsCode }: { readonly today: Day; readonly needsCode: boolean }) => (
  <DoorForm
    address="/api/first-run"
    start={startOf(today)}
    schema={schema}
    asTyped={typed}
    asBody={(d) => bodyOf(needsCode, d)}
    go={() => '/today'}
    submit="Start"
  >
    <FormText name="name" label="Business name" most={120} autoFocus />
    <div className="grid grid-cols-2 gap-3">
      <FormText name="currency" label="Currency" most={3} hint="Three-character code, such as USD or EUR" />
      <FormSelect
        name="locale"
        label="Region"
        options={regionsWith(EN_US.tag)}
        hint="How numbers are written and typed dates are read"
      />
      <FormDay
        name="openingDate"
        label="First day of your books"
        today={today}
        hint="Usually today, or the first day of this month or year"
      />
      <FormText name="taxName" label="Name of your sales tax" most={60} />
      <FormQuantity name="percent" label="Tax rate, %" hint="Leave empty if you charge no tax" />
    </div>
    <FormCheck
      name="pricesIncludeTax"
      label="My prices already include tax"
      hint="Choose this if the price tag is what the customer pays"
    />
    <FormPassphrase
      name="passphrase"
      label="Passphrase"
      fresh
      hint="At least 8 characters. Three or four random words work well."
    />
    {needsCode && <FormText name="code" label="Code" most={100} secret hint="The start printed it on its own screen" />}
  </DoorForm>
)
