/** Called by Next.js once when the server starts: from then on what happens by itself does, here or on another server. */
export const register = async (): Promise<void> => {
  const url = process.env.DATABASE_URL
  if (process.env.NEXT_RUNTIME !== 'nodejs' || !url) return
  const [{ tellHealth }, { keepTime }, { database }, { tick }] = await Promise.all([
    import('@/api/health'),
    import('@/clockwork/keepTime'),
    import('@/data/connect'),
    import('@/clockwork/tick'),
  ])
  // The front door (scripts/door.mjs) asks it past the framework, so that pages keep nobody waiting who watches over us.
  Object.assign(globalThis, { ironTillHealth: tellHealth })
  keepTime(url, () => tick(database()))
}
