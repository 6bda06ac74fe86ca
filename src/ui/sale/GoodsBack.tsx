'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { lazily } from '../lazily'
import { Panel } from '../Panel'
import type { ReturnableLine } from './ReturnGoods'

interface Props {
  readonly handoverId: number
  readonly number: string
  readonly today: Day
  readonly lines: readonly ReturnableLine[]
  readonly places: readonly { readonly id: number; readonly name: string }[]
}

const ReturnGoods = lazily(() => import('./ReturnGoods').then((m) => m.ReturnGoods))

/** Goods of a handover that were not invoiced come back. */
export const GoodsBack = ({ handoverId, number, today, lines, places }: Props) => {
  const [open, setOpen] = useState(false)
  return (
    <>
      <button className="btn" onClick={() => setOpen(true)}>
        Return goods
      </button>
      <Panel open={open} onClose={() => setOpen(false)} title={`Return goods of handover ${number}`}>
        <ReturnGoods {...{ handoverId, today, lines, places }} onDone={() => setOpen(false)} />
      </Panel>
    </>
  )
}
