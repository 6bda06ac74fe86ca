'use client'
import type { Day } from '@/core/day'
import type { PlaceWithGoods } from '@/model/goods/placesOf'
import { CommandForm } from '../form/CommandForm'
import { FormOn, FormQuantity, FormSelect } from '../form/inputs'

interface Props {
  readonly goodsId: number
  readonly name: string
  readonly today: Day
  readonly places: readonly PlaceWithGoods[]
  readonly way: 'assemble' | 'take-apart'
  readonly onDone: () => void
}

const schema = () => import('@/contract/inputs/goods/assemble').then((m) => m.assembleInput.omit({ goodsId: true }))

const SAYS = {
  assemble: {
    does: 'The parts leave stock and lie together as a kit, worth what they cost. It is handed over before loose parts are.',
    submit: 'Assemble',
  },
  'take-apart': { does: 'The parts lie in stock again.', submit: 'Take apart' },
} as const

/** Kits that are put together ahead of a sale, or taken apart again. */
export const AssembleKits = ({ goodsId, name, today, places, way, onDone }: Props) => (
  <CommandForm
    method="POST"
    path={`/goods/${goodsId}/${way}`}
    schema={schema}
    start={{ quantity: '1', on: String(today), placeId: places[0] ? String(places[0].id) : '' }}
    asBody={({ placeId, ...d }) => ({ ...d, ...(placeId === '' ? {} : { placeId }) })}
    say={() => `${name} ${SAID[way]}.`}
    onDone={onDone}
    submit={SAYS[way].submit}
  >
    <p className="mb-3">{SAYS[way].does}</p>
    <div className="grid grid-cols-2 gap-3">
      <FormQuantity name="quantity" label="How many" autoFocus />
      <FormOn today={today} />
      {places.length > 1 && (
        <FormSelect
          name="placeId"
          label="Place"
          options={places.map((p) => ({ value: String(p.id), name: `${p.name} (${p.onHand})` }))}
        />
      )}
    </div>
  </CommandForm>
)

const SAID = { assemble: 'assembled', 'take-apart': 'taken apart' } as const
