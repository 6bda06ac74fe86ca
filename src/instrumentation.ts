const EVERY = 30_000

/** Called by Next.js once when the server starts: from then on the clockwork ticks. */
export const register = async (): Promise<void> => {
  if (process.env.NEXT_RUNTIME !== 'nodejs' || !process.env.DATABASE_URL) return
  const [{ pino }, { database }, { tick }] = await Promise.all([
    import('pino'),
    import('@/data/connect'),
    import('@/clockwork/tick'),
  ])
  const log = pino({ level: process.env.TILL_LOG ?? 'warn' })
  let running = false
  const once = async () => {
    if (running) return
    running = true
    try {
      await tick(database())
    } catch (problem) {
      log.error(problem)
    } finally {
      running = false
    }
  }
  void once()
  setInterval(() => void once(), EVERY).unref()
}
