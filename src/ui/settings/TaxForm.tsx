'use client'
import type { Treatment } from '@/core/tax'
import { useState } from 'react'
import { useWatch } from 'react-hook-form'
import type { Day } from '@/core/day'
import { decimal } from '@/core/money'
import { TREATMENT_NAMES } from '@/core/names'
import { CodeRows } from './CodeRows'
import { DropRow } from '../DropRow'
import { EditInPanel } from '../EditInPanel'
import { CommandForm } from '../form/CommandForm'
import { FormDay, FormPick, FormQuantity, FormText } from '../form/inputs'
import { Select } from '../Select'

interface Code {
  readonly id: number
  readonly code: string
  readonly name: string
  readonly treatment: Treatment
  readonly reason: string
  readonly components: readonly { readonly name: string; readonly rate: string }[]
  /** What is owed on what is bought, under reverse charge. */
  readonly owed: readonly { readonly name: string }[]
  /** What it charges today, in words, and what it charged before or will: from the first on, or beginning on a day. */
  readonly says: string
  readonly otherTimes: readonly { readonly id: number; readonly says: string; readonly begins: boolean }[]
}
interface Props {
  readonly codes: readonly Code[]
  readonly today: Day
}

const asPercent = (rate: string): string => decimal(rate).times(100).toString()
/** A percentage as the call takes it; what is none stays as it was typed, to be told at its field. */
const asRate = (percent: string): string =>
  /^\d{1,2}(\.\d{1,4})?$/.test(percent) ? decimal(percent).div(100).toString() : `${percent} %`

/** The call's own schema, where a rate is told as the percentage it is typed as. */
const schemas = async () => {
  const [{ z }, inputs] = await Promise.all([import('zod'), import('@/contract/inputs/books/addTaxCode')])
  const rate = z.string().regex(/^\d(\.\d{1,8})?$/, 'A percentage is written like 8.25.')
  const components = z.array(z.object({ name: z.string(), rate }))
  return { ...inputs, components }
}
const codeSchema = () => schemas().then((m) => m.taxCodeFields.extend({ components: m.components }))
const wordsSchema = () => schemas().then((m) => m.changeTaxCodeInput.omit({ taxCodeId: true }))
const rateSchema = () =>
  schemas().then((m) => m.addTaxRateInput.omit({ taxCodeId: true }).extend({ components: m.components }))

/** Other rates of a tax from a day on, component by component. */
const NewRates = ({ codes, today }: Props) => {
  const taxed = codes.filter((c) => c.treatment === 'taxed')
  const [code, setCode] = useState(taxed[0]?.code ?? '')
  const chosen = taxed.find((c) => c.code === code)
  if (!chosen) return null
  const start = { from: '', components: chosen.components.map((k) => ({ name: k.name, rate: asPercent(k.rate) })) }
  return (
    <>
      <h3 className="mt-4 font-bold">A rate changes</h3>
      <p className="sub mb-2">
        Documents of that day and later take the new rate; earlier ones keep theirs, also when they are written later.
      </p>
      <Select
        label="Tax code"
        value={code}
        options={Object.fromEntries(taxed.map((c) => [c.code, c.code]))}
        onValue={setCode}
      />
      <CommandForm
        key={`${chosen.id} ${chosen.says}`}
        method="POST"
        path={`/tax-codes/${chosen.id}/rates`}
        schema={rateSchema}
        start={start}
        asBody={(d: typeof start) => ({
          ...d,
          components: d.components.map((k) => ({ ...k, rate: asRate(k.rate) })),
        })}
        say={() => `${code} has these rates from that day on.`}
        again
        submit="Change the rate"
        quiet
      >
        <div className="mt-2 grid grid-cols-2 gap-2">
          <FormDay name="from" label="From" today={today} />
          {chosen.components.map((k, i) => (
            <FormQuantity key={k.name} name={`components.${i}.rate`} label={`Percent, ${k.name}`} />
          ))}
        </div>
      </CommandForm>
    </>
  )
}

interface TaxDraft {
  code: string
  name: string
  treatment: Treatment
  reason: string
  components: { rate: string }[]
}
const NO_TAX: TaxDraft = { code: '', name: '', treatment: 'taxed', reason: '', components: [{ rate: '' }] }

/** What taxes has a rate; what we owe on purchases may have one. */
const hasRate = ({ treatment, components }: TaxDraft): boolean =>
  treatment === 'taxed' || (treatment === 'reverse-charge' && components.some((k) => k.rate !== ''))

/** What charges nothing has a reason instead of a rate; under reverse charge we may owe one on what we buy. */
const RateOrReason = () => {
  const treatment = useWatch<TaxDraft, 'treatment'>({ name: 'treatment' })
  return (
    <>
      {treatment === 'taxed' && <FormQuantity name="components.0.rate" label="Percent" />}
      {treatment === 'reverse-charge' && (
        <FormQuantity name="components.0.rate" label="Percent you owe on purchases (optional)" />
      )}
      {treatment !== 'taxed' && <FormText name="reason" label="Reason on documents (optional)" most={200} />}
    </>
  )
}

const Rate = ({ code, rate }: { readonly code: string; readonly rate: Code['otherTimes'][number] }) => (
  <>
    {rate.says} <DropRow path={`/tax-codes/${rate.id}`} what={`${code} ${rate.says}`} />
  </>
)

/** How a code is called, and its components where they have names of their own. What it charges is no matter of words. */
const EditWords = ({ code }: { readonly code: Code }) => {
  const own = [...code.components, ...code.owed].filter((k) => k.name !== code.name)
  const start = { name: code.name, reason: code.reason, components: own.map((k) => ({ name: k.name, to: k.name })) }
  return (
    <EditInPanel name={code.code}>
      {(close) => (
        <CommandForm
          method="PATCH"
          path={`/tax-codes/${code.id}`}
          schema={wordsSchema}
          start={start}
          asBody={(d: typeof start) => d}
          say={(a) => `${a.code} saved. Invoices already issued keep the old name.`}
          onDone={close}
          submit="Save"
          changes
        >
          <div className="grid gap-3">
            <FormText name="name" label="Name" most={80} />
            {own.map((k, i) => (
              <FormText key={k.name} name={`components.${i}.to`} label={`Name of ${k.name}`} most={80} />
            ))}
            {code.treatment !== 'taxed' && <FormText name="reason" label="Reason on documents (optional)" most={200} />}
          </div>
        </CommandForm>
      )}
    </EditInPanel>
  )
}

/** The tax codes there are, another one, and rates that change from a day on. */
export const TaxForm = ({ codes, today }: Props) => (
  <section>
    <h2>Tax codes</h2>
    <CodeRows
      rows={codes.map((c) => ({
        ...c,
        says: [[c.says, ...c.otherTimes.map((t) => (t.begins ? <Rate key={t.id} code={c.code} rate={t} /> : t.says))]],
        act: (
          <>
            <EditWords code={c} /> <DropRow path={`/tax-codes/${c.id}`} what={c.code} />
          </>
        ),
      }))}
    />
    <CommandForm
      method="POST"
      path="/tax-codes"
      schema={codeSchema}
      start={NO_TAX}
      asBody={(d) => ({
        ...d,
        components: hasRate(d) ? d.components.map((k) => ({ name: d.name, rate: asRate(k.rate) })) : [],
      })}
      say={(_, d) => `Tax code ${d.code} can be used now.`}
      again
      submit="Add"
      quiet
    >
      <div className="mt-2 grid grid-cols-[90px_1fr] gap-2">
        <FormText name="code" label="Code" most={20} />
        <FormText name="name" label="Name" most={80} />
      </div>
      <div className="mt-2 grid grid-cols-2 gap-2">
        <FormPick name="treatment" label="Treatment" options={TREATMENT_NAMES} />
        <RateOrReason />
      </div>
    </CommandForm>
    <NewRates codes={codes} today={today} />
  </section>
)
