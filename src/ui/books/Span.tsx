'use client'
import { usePathname, useRouter, useSearchParams } from 'next/navigation'
import { useState } from 'react'
import { isDayInReach, type Day } from '@/core/day'
import { withQuery } from '../address'
import { DayField } from '../fields'

/** The days a report speaks of, kept in the address. Without `from` it speaks of one day. */
export const Span = ({ from, to, today }: { readonly from: Day | null; readonly to: Day; readonly today: Day }) => {
  const router = useRouter()
  const path = usePathname()
  const params = useSearchParams()
  const [start, setStart] = useState<string>(from ?? '')
  const [end, setEnd] = useState<string>(to)
  return (
    <form
      className="flex flex-wrap items-end gap-2 pb-2"
      onSubmit={(e) => {
        e.preventDefault()
        if (isDayInReach(end))
          router.push(
            withQuery(path, Object.fromEntries(params), {
              from: from && isDayInReach(start) ? start : undefined,
              to: end,
              asOf: undefined,
              page: undefined,
            }),
          )
      }}
    >
      {from && (
        <span className="w-33">
          <DayField label="From" today={today} value={start} onValue={setStart} />
        </span>
      )}
      <span className="w-33">
        <DayField label={from ? 'To' : 'As of'} today={today} value={end} onValue={setEnd} />
      </span>
      <button className="btn">Apply</button>
    </form>
  )
}
