import type { Day } from '@/core/day'
import type { Repeating } from '@/core/sale'

/** How something comes again as it is kept, with how far it has come. */
interface Kept extends Repeating {
  readonly nextOn: Day | null
  readonly done: number
  readonly stoppedOn: Day | null
}

/** How something comes again as it is answered. */
export const rhythmView = ({ every, firstOn, nextOn, done, untilDay, times, stoppedOn }: Kept) => ({
  every,
  firstOn,
  nextOn,
  done,
  until: untilDay,
  times,
  stoppedOn,
})
