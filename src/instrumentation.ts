/** Called by Next.js once when the server starts: from then on what happens by itself does, here or on another server. */
export const register = async (): Promise<void> => {
  const url = process.env.DATABASE_URL
  if (process.env.NEXT_RUNTIME !== 'nodejs' || !url) return
  const [{ keepTime }, { database }, { tick }] = await Promise.all([
    import('@/clockwork/keepTime'),
    import('@/data/connect'),
    import('@/clockwork/tick'),
  ])
  keepTime(url, () => tick(database()))
}
