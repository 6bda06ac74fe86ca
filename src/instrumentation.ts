import type { Instrumentation } from 'next'

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

/** Called by Next.js when a page breaks: whoever looks for the reason finds it in the log, as that of a call. */
export const onRequestError: Instrumentation.onRequestError = async (broken, { path, method }) => {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return
  const { logBroken } = await import('@/api/answering')
  logBroken({ method, url: path }, broken)
}
