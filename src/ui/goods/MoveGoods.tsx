'use client'
import type { Day } from '@/core/day'
import type { Track } from '@/core/kinds'
import type { PlaceWithGoods } from '@/model/goods/placesOf'
import { CommandForm } from '../form/CommandForm'
import { pieceBody } from './countDraft'
import { WhichPieces } from './WhichPieces'
import { FormOn, FormQuantity, FormSelect } from '../form/inputs'

const schema = () => import('@/contract/inputs/goods/places').then((m) => m.moveStockInput)

interface Props {
  readonly goodsId: number
  readonly name: string
  readonly today: Day
  readonly places: readonly PlaceWithGoods[]
  readonly track: Track
  readonly onDone: () => void
}

/** Carries some of a thing to another place; nothing is posted. */
export const MoveGoods = ({ goodsId, name, today, places, track, onDone }: Props) => {
  const full = places.find((p) => p.onHand !== '0') ?? places[0]
  const other = places.find((p) => p.id !== full?.id)
  const options = places.map((p) => ({ value: String(p.id), name: `${p.name} (${p.onHand})` }))
  return (
    <CommandForm
      method="POST"
      path="/stock-moves"
      schema={schema}
      start={{
        from: String(full?.id ?? ''),
        to: String(other?.id ?? ''),
        on: String(today),
        lines: [{ quantity: '', lot: '', serials: '' }],
      }}
      asBody={(d) => ({ ...d, lines: d.lines.map((l) => ({ ...pieceBody(l), quantity: l.quantity, goodsId })) })}
      say={(m, d) => `${m.number}: ${d.lines[0]?.quantity ?? ''} moved to ${nameOf(places, d.to)}.`}
      onDone={onDone}
      submit="Move"
    >
      <p className="mb-3">Its cost goes along; nothing is posted.</p>
      <div className="grid gap-3">
        <FormQuantity name="lines.0.quantity" label={`How many of ${name}`} autoFocus />
        <WhichPieces track={track} needed={false} />
        <FormSelect name="from" label="From" options={options} />
        <FormSelect name="to" label="To" options={options} />
        <FormOn today={today} />
      </div>
    </CommandForm>
  )
}

const nameOf = (places: Props['places'], id: string): string => places.find((p) => String(p.id) === id)?.name ?? ''
