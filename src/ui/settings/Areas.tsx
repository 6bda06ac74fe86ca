'use client'
import { CommandForm } from '../form/CommandForm'
import { FormSelect, FormText } from '../form/inputs'
import { CodeRows } from './CodeRows'

const schema = () => import('@/contract/inputs/goods/priceLevels').then((m) => m.addTaxAreaInput)

interface Props {
  readonly areas: readonly { readonly code: string; readonly name: string; readonly taxCode: string }[]
  readonly codes: readonly string[]
}

/** The areas whose goods take another tax, and another one. */
export const Areas = ({ areas, codes }: Props) => (
  <section>
    <h2>Tax regions</h2>
    <CodeRows rows={areas.map((x) => ({ ...x, says: [[`taxable goods use code ${x.taxCode}`]] }))} />
    <CommandForm
      method="POST"
      path="/tax-areas"
      schema={schema}
      start={{ code: '', name: '', taxCode: codes[0] ?? '' }}
      asBody={(d) => d}
      say={(_, d) => `${d.name} added. Assign it to delivery addresses.`}
      again
      submit="Add"
      quiet
    >
      <div className="grid grid-cols-[90px_1fr_110px] gap-2">
        <FormText name="code" label="Code" most={40} />
        <FormText name="name" label="Name of the region" most={80} />
        <FormSelect name="taxCode" label="Tax code" options={codes.map((c) => ({ value: c, name: c }))} />
      </div>
    </CommandForm>
  </section>
)
