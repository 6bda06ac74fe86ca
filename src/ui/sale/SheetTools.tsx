'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { Refusal } from '../Refusal'
import { useSend } from '../send'
import type { Doing } from './actions'
import type { SheetSale } from './panels/parts'
import { DoPanel } from './panels/DoPanel'

/** Beside the papers of a sale: copy it, let it come again, give its link away. */
export const SheetTools = ({ sale, today }: { readonly sale: SheetSale; readonly today: Day }) => {
  const [doing, setDoing] = useState<Doing | null>(null)
  const { send, busy, refused } = useSend()
  return (
    <>
      <button
        className="btn"
        disabled={busy}
        onClick={() =>
          void send(
            'POST',
            `/sales/${sale.id}/copy`,
            {},
            {
              say: (s) => `Copied to sale ${s.number}, at today’s prices.`,
              go: (s) => `/sales/${s.id}/change`,
            },
          )
        }
      >
        Copy to new sale
      </button>
      {sale.lines.length > 0 && (
        <button className="btn" onClick={() => setDoing('repeat')}>
          Repeat
        </button>
      )}
      <button className="btn" onClick={() => setDoing('link')}>
        Customer’s page
      </button>
      <Refusal refused={refused} />
      {doing && <DoPanel doing={doing} sale={sale} today={today} onClose={() => setDoing(null)} />}
    </>
  )
}
