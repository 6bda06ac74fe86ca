/** Called by Next.js once when the server starts: from then on what happens by itself does, here or on another server. */
export const register = async (): Promise<void> => {
  const url = process.env.DATABASE_URL
  if (process.env.NEXT_RUNTIME !== 'nodejs' || !url) return
  const [{ DIRECTLY }, { keepTime }, { database }, { tick }] = await Promise.all([
    import('@/api/directly'),
    import('@/clockwork/keepTime'),
    import('@/data/connect'),
    import('@/clockwork/tick'),
  ])
  // Found there by the front door (scripts/door.mjs), see docs/decisions/18-the-front-door.md.
  Object.assign(globalThis, { ironTill: DIRECTLY })
  keepTime(url, () => tick(database()))
}
