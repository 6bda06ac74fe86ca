'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import type { Track } from '@/core/kinds'
import type { PlaceWithGoods } from '@/model/goods/placesOf'
import { Acts, type Act } from '../acts/Acts'
import { lazily } from '../lazily'
import { Panel } from '../Panel'

const MoveGoods = lazily(() => import('./MoveGoods').then((m) => m.MoveGoods))
const AdjustGoods = lazily(() => import('./AdjustGoods').then((m) => m.AdjustGoods))

const AssembleKits = lazily(() => import('./AssembleKits').then((m) => m.AssembleKits))

type GoodsAct = 'move' | 'adjust' | 'count' | 'assemble' | 'take-apart' | 'invoices' | 'labels'

interface Props {
  readonly id: number
  readonly name: string
  readonly code: string
  /** It is kept on the shelf: it can be counted, moved and adjusted. */
  readonly kept: boolean
  readonly currency: string
  readonly today: Day
  readonly places: readonly PlaceWithGoods[]
  readonly track: Track
  /** A kit: how many of it lie assembled. */
  readonly assembled?: string
}

/** What can be done with a thing: counted, moved, adjusted; what it was sold on; its labels. */
export const GoodsActs = ({ id, name, code, kept, currency, today, places, track, assembled }: Props) => {
  const [open, setOpen] = useState<GoodsAct | null>(null)
  const close = () => setOpen(null)
  const acts: readonly Act<GoodsAct>[] = [
    ...(kept
      ? [
          {
            id: 'count' as const,
            label: 'Count',
            key: 'c',
            group: 'Stock',
            href: `/goods/count?search=${encodeURIComponent(code)}`,
          },
          {
            id: 'adjust' as const,
            label: 'Adjust',
            key: 'a',
            group: 'Stock',
            hint: 'Broken, used, given away or found',
          },
        ]
      : []),
    ...(assembled === undefined
      ? []
      : [
          {
            id: 'assemble' as const,
            label: 'Assemble',
            key: 'm',
            group: 'Stock',
            hint: 'Put together ahead, from what is in stock',
          },
          ...(Number(assembled) > 0
            ? [{ id: 'take-apart' as const, label: 'Take apart', key: 't', group: 'Stock' }]
            : []),
        ]),
    ...(places.length > 1 ? [{ id: 'move' as const, label: 'Move', key: 'v', group: 'Stock' }] : []),
    { id: 'invoices', label: 'Invoices with this item', key: 'i', group: 'Documents', href: `/invoices?goods=${id}` },
    {
      id: 'labels',
      label: '24 labels (PDF)',
      key: 'l',
      group: 'Documents',
      href: `/api/v1/export/labels.pdf?goods=${id}x24`,
      file: true,
    },
  ]
  return (
    <>
      <Acts
        acts={acts}
        first={null}
        near={places.length > 1 ? ['move', 'count'] : ['count', 'invoices']}
        groups={['Stock', 'Documents']}
        onAct={setOpen}
        away={open !== null}
      />
      <Panel open={open === 'move'} onClose={close} title={`Move ${name}`}>
        <MoveGoods goodsId={id} name={name} today={today} places={places} track={track} onDone={close} />
      </Panel>
      <Panel open={open === 'assemble'} onClose={close} title={`Assemble ${name}`}>
        <AssembleKits goodsId={id} name={name} today={today} places={places} way="assemble" onDone={close} />
      </Panel>
      <Panel open={open === 'take-apart'} onClose={close} title={`Take ${name} apart`}>
        <AssembleKits goodsId={id} name={name} today={today} places={places} way="take-apart" onDone={close} />
      </Panel>
      <Panel open={open === 'adjust'} onClose={close} title={`Adjust ${name}`}>
        <AdjustGoods goodsId={id} currency={currency} today={today} places={places} track={track} onDone={close} />
      </Panel>
    </>
  )
}
