const EVERY = 30_000

/** Called by Next.js once when the server starts: from then on the clockwork ticks. */
export const register = async (): Promise<void> => {
  if (process.env.NEXT_RUNTIME !== 'nodejs' || !process.env.DATABASE_URL) return
  const [{ log }, { database }, { tick }] = await Promise.all([
    import('@/log'),
    import('@/data/connect'),
    import('@/clockwork/tick'),
  ])
  let running = false
  const once = async () => {
    if (running) return
    running = true
    try {
      await tick(database())
    } catch (problem) {
      log.error({ err: problem }, 'the clockwork stopped for this time')
    } finally {
      running = false
    }
  }
  void once()
  setInterval(() => void once(), EVERY).unref()
}
