'use client'
import { CommandForm } from '../form/CommandForm'
import { FormSelect, FormText } from '../form/inputs'
import { CodeRows } from './CodeRows'

const schema = () => import('@/contract/inputs/goods/priceLevels').then((m) => m.addTaxAreaInput)

interface Props {
  readonly areas: readonly { readonly code: string; readonly name: string; readonly taxCode: string }[]
  readonly codes: readonly { readonly code: string; readonly name: string }[]
}

/** The areas whose goods take another tax, and another one. */
export const Areas = ({ areas, codes }: Props) => (
  <section>
    <h2>Tax regions</h2>
    <p className="sub mb-2">
      For addresses where other tax is due, such as out of state. Chosen with a delivery address.
    </p>
    <CodeRows
      rows={areas.map((x) => ({
        ...x,
        says: [[`taxable goods use ${codes.find((c) => c.code === x.taxCode)?.name ?? x.taxCode}`]],
      }))}
    />
    <CommandForm
      method="POST"
      path="/tax-areas"
      schema={schema}
      start={{ code: '', name: '', taxCode: codes[0]?.code ?? '' }}
      asBody={(d) => d}
      say={(_, d) => `${d.name} added. Assign it to delivery addresses.`}
      again
      submit="Add"
      quiet
    >
      <div className="grid grid-cols-[90px_1fr_110px] gap-2">
        <FormText name="code" label="Code" most={40} />
        <FormText name="name" label="Name of the region" most={80} />
        <FormSelect name="taxCode" label="Tax code" options={codes.map((c) => ({ value: c.code, name: c.name }))} />
      </div>
    </CommandForm>
  </section>
)
