'use client'
import { EditInPanel } from '../EditInPanel'
import { CommandForm } from '../form/CommandForm'
import { FormSelect, FormText } from '../form/inputs'
import { CodeRows } from './CodeRows'
import { DropRow } from '../DropRow'

const schema = () => import('@/contract/inputs/goods/priceLevels').then((m) => m.addTaxAreaInput)
const changeSchema = () =>
  import('@/contract/inputs/goods/priceLevels').then((m) => m.changeTaxAreaInput.omit({ areaId: true }))

interface Props {
  readonly areas: readonly {
    readonly id: number
    readonly code: string
    readonly name: string
    readonly taxCode: string
  }[]
  readonly codes: readonly { readonly code: string; readonly name: string }[]
}

const CodePick = ({ codes }: Pick<Props, 'codes'>) => (
  <FormSelect name="taxCode" label="Tax code" options={codes.map((c) => ({ value: c.code, name: c.name }))} />
)

const EditArea = ({ area, codes }: { readonly area: Props['areas'][number] } & Pick<Props, 'codes'>) => (
  <EditInPanel name={area.name}>
    {(close) => (
      <CommandForm
        method="PATCH"
        path={`/tax-areas/${area.id}`}
        schema={changeSchema}
        start={{ name: area.name, taxCode: area.taxCode }}
        asBody={(d) => d}
        say={(a) => `${a.name} saved. It holds for what is written from now on.`}
        onDone={close}
        submit="Save"
        changes
      >
        <div className="grid gap-3">
          <FormText name="name" label="Name of the region" most={80} />
          <CodePick codes={codes} />
        </div>
      </CommandForm>
    )}
  </EditInPanel>
)

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
        act: (
          <>
            <EditArea area={x} codes={codes} /> <DropRow path={`/tax-areas/${x.id}`} what={x.name} />
          </>
        ),
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
        <CodePick codes={codes} />
      </div>
    </CommandForm>
  </section>
)
