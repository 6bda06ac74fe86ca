import { keptLock } from '@/data/locks'
import { log } from '@/log'

/** How long from one round to the next, and how often it is looked whether the clock is ours, in milliseconds. */
const [EVERY, LOOK] = [30_000, 3_000]

/**
 * Does what happens by itself every half minute, on one of all servers of a business: the one that keeps the clock. Where
 * that one is gone or stands still, another keeps it within half a minute.
 */
export const keepTime = (url: string, round: () => Promise<void>): void => {
  const clock = keptLock(url, 'clock')
  let [asking, running] = [false, false]
  let last = -EVERY
  const isMine = async (): Promise<boolean> => {
    if (asking) return false
    asking = true
    // While the database is away the clock is nobody's.
    return clock
      .isMine()
      .catch(() => false)
      .finally(() => (asking = false))
  }
  // Asked while a round is under way, too: who does not ask loses it.
  const look = async () => {
    if (!(await isMine()) || running || performance.now() - last < EVERY) return
    running = true
    last = performance.now()
    try {
      await round()
    } catch (problem) {
      log.error({ err: problem }, 'the clockwork stopped for this time')
    } finally {
      running = false
    }
  }
  void look()
  setInterval(() => void look(), LOOK).unref()
}
