import { setImmediate } from 'node:timers/promises'

/**
 * How long it is worked before others have their turn, in milliseconds: little, because a page asks the database several times and waits
 * so long for each of its answers.
 */
const AT_ONCE = 5

/** Does something with each of many, in their order; whoever else asks something meanwhile is answered in between. */
export const eachInTurn = async <T>(all: readonly T[], work: (one: T, at: number) => void): Promise<void> => {
  let since = performance.now()
  for (const [at, one] of all.entries()) {
    work(one, at)
    if (performance.now() - since < AT_ONCE) continue
    await setImmediate()
    since = performance.now()
  }
}
