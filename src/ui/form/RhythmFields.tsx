'use client'
import type { Day } from '@/core/day'
import { REPEAT_EVERY_NAMES } from '@/core/names'
import type { ReactNode } from 'react'
import { FormDay, FormPick, FormQuantity } from './inputs'

/** How often something comes again as it is typed. */
export interface RhythmDraft {
  every: keyof typeof REPEAT_EVERY_NAMES
  firstOn: string
  times: string
  until: string
}

/** The same as a call takes it. */
export const rhythmBody = ({ times, until, every, firstOn }: RhythmDraft) => ({
  every,
  firstOn,
  times: times === '' ? null : Number(times),
  until: until || null,
})

/** How often, from when, and until when or how many times; what it makes stands between. */
export const RhythmFields = ({ today, children }: { readonly today: Day; readonly children?: ReactNode }) => (
  <div className="grid grid-cols-2 gap-3">
    <FormPick name="every" label="How often" options={REPEAT_EVERY_NAMES} />
    <FormDay name="firstOn" label="First date" today={today} />
    {children}
    <FormQuantity name="times" label="Number of times (optional)" />
    <FormDay name="until" label="Or end date" today={today} />
  </div>
)
