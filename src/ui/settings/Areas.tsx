'use client'
import { CommandForm } from '../form/CommandForm'
import { FormSelect, FormText } from '../form/inputs'
import type { TradeFacts } from './tradeFacts'

const schema = () => import('@/contract/inputs/goods/priceLevels').then((m) => m.addTaxAreaInput)

/** The areas whose goods take another tax, and another one. */
export const Areas = ({ areas, codes }: Pick<TradeFacts, 'areas' | 'codes'>) => (
  <section>
    <h2>Tax regions</h2>
    {areas.length > 0 && (
      <table className="ledger mb-2">
        <tbody>
          {areas.map((x) => (
            <tr key={x.code}>
              <td className="font-figure">{x.code}</td>
              <td>{x.name}</td>
              <td className="sub">taxable goods use code {x.taxCode}</td>
            </tr>
          ))}
        </tbody>
      </table>
    )}
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
