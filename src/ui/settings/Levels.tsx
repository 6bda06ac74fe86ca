'use client'
import { formatPercent } from '@/core/locale'
import { CommandForm } from '../form/CommandForm'
import { FormPick, FormQuantity, FormText } from '../form/inputs'
import { CodeRows } from './CodeRows'
import type { TradeFacts } from './tradeFacts'

const WITH_TAX = { '': 'Same as business', true: 'with tax', false: 'without tax' } as const
const schema = () => import('@/contract/inputs/goods/priceLevels').then((m) => m.addPriceLevelInput)

interface Draft {
  code: string
  name: string
  percentOff: string
  pricesIncludeTax: keyof typeof WITH_TAX
}
const START: Draft = { code: '', name: '', percentOff: '', pricesIncludeTax: '' }

const bodyOf = (d: Draft) => ({
  ...d,
  percentOff: d.percentOff || '0',
  pricesIncludeTax: d.pricesIncludeTax === '' ? null : d.pricesIncludeTax === 'true',
})

/** The lists of prices, and another one. */
export const Levels = ({ levels }: Pick<TradeFacts, 'levels'>) => (
  <section>
    <h2>Price lists</h2>
    <CodeRows
      rows={levels.map((x) => ({
        ...x,
        says: [
          [Number(x.percentOff) > 0 ? `${formatPercent(x.percentOff)} off list price` : 'own prices'],
          [WITH_TAX[x.pricesIncludeTax === null ? '' : x.pricesIncludeTax ? 'true' : 'false']],
        ],
      }))}
    />
    <CommandForm
      method="POST"
      path="/price-levels"
      schema={schema}
      start={START}
      asBody={bodyOf}
      say={(_, d) => `${d.name} added. Assign it on a customer’s page.`}
      again
      submit="Add"
      quiet
    >
      <div className="grid grid-cols-[80px_1fr_70px_160px] gap-2 max-sm:grid-cols-2">
        <FormText name="code" label="Code" most={40} />
        <FormText name="name" label="Name of the price list" most={80} />
        <FormQuantity name="percentOff" label="% off" hint="Of list prices" />
        <FormPick name="pricesIncludeTax" label="Show prices" options={WITH_TAX} />
      </div>
    </CommandForm>
  </section>
)
