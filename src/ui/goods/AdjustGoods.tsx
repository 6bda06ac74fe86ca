'use client'
import { useWatch } from 'react-hook-form'
import type { Day } from '@/core/day'
import type { Track } from '@/core/kinds'
import type { PlaceWithGoods } from '@/model/goods/placesOf'
import { CommandForm } from '../form/CommandForm'
import { pieceBody } from './countDraft'
import { WhichPieces } from './WhichPieces'
import { sayStockChange } from './sayStockChange'
import { FormChoice, FormMoney, FormOn, FormQuantity, FormReason, FormSelect } from '../form/inputs'

const schema = () => import('@/contract/inputs/goods/places').then((m) => m.adjustStockInput)

interface Props {
  readonly goodsId: number
  readonly currency: string
  readonly today: Day
  readonly places: readonly PlaceWithGoods[]
  readonly track: Track
  readonly onDone: () => void
}

interface Draft {
  readonly way: 'gone' | 'found'
  readonly on: string
  readonly reason: string
  readonly lines: readonly {
    readonly change: string
    readonly placeId: string
    readonly unitCost: string
    readonly lot: string
    readonly serials: string
  }[]
}

const bodyOf = (goodsId: number, { way, on, reason, lines }: Draft) => ({
  on,
  reason,
  lines: lines.map((l) => ({
    goodsId,
    ...pieceBody(l),
    change: way === 'gone' && l.change !== '' ? `-${l.change}` : l.change,
    ...(l.placeId === '' ? {} : { placeId: l.placeId }),
    ...(way === 'found' && l.unitCost !== '' ? { unitCost: l.unitCost } : {}),
  })),
})

/** Goods that broke, were used up, given away or found, with the reason. */
export const AdjustGoods = ({ goodsId, currency, today, places, track, onDone }: Props) => {
  const start: Draft = {
    way: 'gone',
    on: String(today),
    reason: '',
    lines: [{ change: '', placeId: places[0] ? String(places[0].id) : '', unitCost: '', lot: '', serials: '' }],
  }
  return (
    <CommandForm
      method="POST"
      path="/stock-adjustments"
      schema={schema}
      start={start}
      asBody={(d) => bodyOf(goodsId, d)}
      say={(a) => `${a.number}: ${sayStockChange(a)}`}
      preview={{ currency }}
      onDone={onDone}
      submit="Adjust"
    >
      <div className="grid gap-3">
        <FormChoice
          name="way"
          label="What happened"
          options={[
            { value: 'gone', label: 'Broken, used or given away' },
            { value: 'found', label: 'Found' },
          ]}
        />
        <FormQuantity name="lines.0.change" label="How many" />
        <Which track={track} />
        {places.length > 1 && (
          <FormSelect
            name="lines.0.placeId"
            label="Place"
            options={places.map((p) => ({ value: String(p.id), name: `${p.name} (${p.onHand})` }))}
          />
        )}
        <FormReason most={200} />
        <FoundAt currency={currency} />
        <FormOn today={today} />
      </div>
    </CommandForm>
  )
}

const Which = ({ track }: { readonly track: Track }) => (
  <WhichPieces track={track} needed={useWatch<Draft, 'way'>({ name: 'way' }) === 'found'} />
)

/** What one cost that was found; what is gone takes its own cost along. */
const FoundAt = ({ currency }: { readonly currency: string }) =>
  useWatch<Draft, 'way'>({ name: 'way' }) === 'found' && (
    <FormMoney
      name="lines.0.unitCost"
      label="Cost of one that was found"
      currency={currency}
      hint="Empty: what they cost on average, or cost last"
    />
  )
