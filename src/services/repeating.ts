import type { z } from 'zod'
import type { rhythm } from '@/contract/rhythm'
import { refuseAt } from '@/contract/refuse'
import type { Day } from '@/core/day'
import { repeatDay, type Repeating } from '@/core/sale'
import { log } from '@/log'
import type { Command, Till, Work } from './command'

type Rhythm = z.output<z.ZodObject<typeof rhythm>>

/** How something comes again, from today on at the earliest, with its first day. */
export const beginRhythm = (w: Work, r: Rhythm): Repeating & { readonly nextOn: Day } => {
  if (r.firstOn < w.today) refuseAt('firstOn', 'The first day is today or later.')
  const rhythm: Repeating = { every: r.every, firstOn: r.firstOn, untilDay: r.until ?? null, times: r.times ?? null }
  return { ...rhythm, nextOn: repeatDay(rhythm, 0) ?? refuseAt('until', 'It would end before it begins.') }
}

/** The day that is written on what is made for a day: that day, or today where it is closed by now. */
export const openDay = (w: Work, on: Day): Day => {
  const closed = w.business.closedThrough
  return closed && on <= closed ? w.today : on
}

interface Due {
  readonly id: number
}

/** What was made of something that comes again. */
export interface Made<D extends Due> {
  readonly due: D
  readonly id: number
}

/** Makes whatever is due to come again, until all have caught up. One that is refused, or breaks, keeps no other waiting. */
export const runAllDue = async <D extends Due, A>(
  till: Till,
  listDue: () => Promise<readonly D[]>,
  run: Pick<Command<{ repeatId: number | string }, A>, 'run'>,
): Promise<readonly Made<D>[]> => {
  const made: Made<D>[] = []
  const stuck = new Set<number>()
  for (let turn = 0; turn < 500; turn++) {
    const due = (await listDue()).find((r) => !stuck.has(r.id))
    if (!due) break
    const done = await run.run(till, { repeatId: due.id }).catch((problem: unknown) => {
      log.error({ err: problem, repeatId: due.id }, 'what comes again could not be made')
      return null
    })
    if (!done?.ok || done.value === 0) stuck.add(due.id)
    else made.push({ due, id: done.value })
  }
  return made
}
