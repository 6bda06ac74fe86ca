/**
 * Lets so many do something at once; the others wait, first come, first served. `waiting` says how many do.
 *
 * @example const { inTurn } = turns(2); await Promise.all([inTurn(a), inTurn(b), inTurn(c)]) // c begins when a or b has ended
 */
export const turns = (atOnce: number) => {
  let there = 0
  const waiting: (() => void)[] = []
  return {
    waiting: (): number => waiting.length,
    /** Does work in its turn. Whatever it comes to, the next one goes on. */
    inTurn: async <T>(work: () => Promise<T>): Promise<T> => {
      if (there < atOnce) there++
      else await new Promise<void>((go) => waiting.push(go))
      try {
        return await work()
      } finally {
        const next = waiting.shift()
        if (next) next()
        else there--
      }
    },
  }
}
