'use client'
import { useRouter, useSearchParams } from 'next/navigation'
import { useState } from 'react'
import { isDayInReach, type Day } from '@/core/day'
import { withQuery } from '../address'
import { DayField } from '../fields'

/** Which day a report speaks of, and what it counts from. Both live in the address. */
export const AsOf = ({
  asOf,
  today,
  by,
  group,
}: {
  readonly asOf: Day
  readonly today: Day
  readonly by: 'due' | 'invoice'
  readonly group: string
}) => {
  const router = useRouter()
  const params = useSearchParams()
  const [typed, setTyped] = useState<string>(asOf)
  const go = (change: Record<string, string | undefined>) =>
    router.push(withQuery('/owed', Object.fromEntries(params), change))
  return (
    <form
      className="flex flex-wrap items-end gap-2"
      onSubmit={(e) => {
        e.preventDefault()
        if (isDayInReach(typed)) go({ asOf: typed === today ? undefined : typed })
      }}
    >
      <span className="pb-2">As of</span>
      <span className="w-32.5">
        <DayField label="As of" hideLabel today={today} value={typed} onValue={setTyped} />
      </span>
      <select
        aria-label="Counted from"
        className="field w-auto"
        value={by}
        onChange={(e) => go({ by: e.target.value === 'due' ? undefined : 'invoice' })}
      >
        <option value="due">By due date</option>
        <option value="invoice">By invoice date</option>
      </select>
      <select
        aria-label="Grouped by"
        className="field w-auto"
        value={group}
        onChange={(e) => go({ group: e.target.value === 'customer' ? undefined : e.target.value })}
      >
        <option value="customer">By customer</option>
        <option value="sale">By sale</option>
        <option value="kind">By type</option>
        <option value="channel">By channel</option>
      </select>
      <button className="sr-only">Apply</button>
    </form>
  )
}
