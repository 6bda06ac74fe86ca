import type { WayBack } from './send'

/** What the journal says of something that was taken back within seconds. */
const REASON = 'Undone right away'

/** A paper taken back by the call that voids it, on its own day. */
export const voidedBy = (path: string, on: string, say: string): WayBack => ({
  method: 'POST',
  path,
  body: { on, reason: REASON },
  say,
})
