'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import type { Doing } from './actions'
import type { SheetSale } from './panels/parts'
import { doingsFor } from './promiseDoings'
import { DoPanel } from './panels/DoPanel'

interface Props {
  readonly sale: SheetSale
  readonly today: Day
  readonly version: string
}

/** What can be done about what is promised; each opens its panel. */
export const PromiseActions = ({ sale, today, version }: Props) => {
  const [doing, setDoing] = useState<Doing | null>(null)
  const doings = doingsFor(sale)
  return doings.length === 0 ? null : (
    <p className="no-print mt-3 flex flex-wrap gap-2">
      {doings.map((d) => (
        <button key={d.doing} className="btn" onClick={() => setDoing(d.doing)}>
          {d.label}
        </button>
      ))}
      {doing && (
        <DoPanel key={`${doing}:${version}`} doing={doing} sale={sale} today={today} onClose={() => setDoing(null)} />
      )}
    </p>
  )
}
