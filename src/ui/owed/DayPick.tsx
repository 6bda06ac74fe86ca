'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { isDayInReach, type Day } from '@/core/day'
import { DayField } from '../fields'

/** Which day a report speaks of; it lives in the address. */
export const DayPick = ({ path, asOf, today }: { readonly path: string; readonly asOf: Day; readonly today: Day }) => {
  const router = useRouter()
  const [typed, setTyped] = useState<string>(asOf)
  return (
    <form
      className="flex items-end gap-2"
      onSubmit={(e) => {
        e.preventDefault()
        if (isDayInReach(typed)) router.push(typed === today ? path : `${path}?asOf=${typed}`)
      }}
    >
      <span className="pb-2">as of</span>
      <span className="w-32.5">
        <DayField label="As of" hideLabel today={today} value={typed} onValue={setTyped} />
      </span>
      <button className="sr-only">Apply</button>
    </form>
  )
}
