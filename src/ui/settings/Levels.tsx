'use client'
import { formatPercent } from '@/core/locale'
import { EditInPanel } from '../EditInPanel'
import { CommandForm } from '../form/CommandForm'
import { FormPick, FormQuantity, FormText } from '../form/inputs'
import { CodeRows } from './CodeRows'
import { DropRow } from '../DropRow'
import type { TradeFacts } from './tradeFacts'

const WITH_TAX = { '': 'Same as business', true: 'with tax', false: 'without tax' } as const
const schema = () => import('@/contract/inputs/goods/priceLevels').then((m) => m.addPriceLevelInput)
const changeSchema = () =>
  import('@/contract/inputs/goods/priceLevels').then((m) => m.changePriceLevelInput.omit({ levelId: true }))

interface Draft {
  code?: string
  name: string
  percentOff: string
  pricesIncludeTax: keyof typeof WITH_TAX
}
const START: Draft & { code: string } = { code: '', name: '', percentOff: '', pricesIncludeTax: '' }

const bodyOf = <D extends Draft>(d: D) => ({
  ...d,
  percentOff: d.percentOff || '0',
  pricesIncludeTax: d.pricesIncludeTax === '' ? null : d.pricesIncludeTax === 'true',
})

type Level = TradeFacts['levels'][number]
const withTaxOf = ({ pricesIncludeTax: with_ }: Level): keyof typeof WITH_TAX =>
  with_ === null ? '' : with_ ? 'true' : 'false'

/** What a price list says, but for its code. */
const LevelFields = () => (
  <>
    <FormText name="name" label="Name of the price list" most={80} />
    <FormQuantity name="percentOff" label="% off" hint="Of list prices" />
    <FormPick name="pricesIncludeTax" label="Show prices" options={WITH_TAX} />
  </>
)

const EditLevel = ({ level }: { readonly level: Level }) => (
  <EditInPanel name={level.name}>
    {(close) => (
      <CommandForm
        method="PATCH"
        path={`/price-levels/${level.id}`}
        schema={changeSchema}
        start={{ name: level.name, percentOff: level.percentOff, pricesIncludeTax: withTaxOf(level) }}
        asBody={bodyOf}
        say={(b) => `${b.name} saved. It holds for what is written from now on.`}
        onDone={close}
        submit="Save"
        changes
      >
        <div className="grid gap-3">
          <LevelFields />
        </div>
      </CommandForm>
    )}
  </EditInPanel>
)

/** The lists of prices, and another one. */
export const Levels = ({ levels }: Pick<TradeFacts, 'levels'>) => (
  <section>
    <h2>Price lists</h2>
    <CodeRows
      rows={levels.map((x) => ({
        ...x,
        act: (
          <>
            <EditLevel level={x} /> <DropRow path={`/price-levels/${x.id}`} what={x.name} />
          </>
        ),
        says: [
          [Number(x.percentOff) > 0 ? `${formatPercent(x.percentOff)} off list price` : 'own prices'],
          [WITH_TAX[withTaxOf(x)]],
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
        <LevelFields />
      </div>
    </CommandForm>
  </section>
)
