import { findProposals } from '@/model/bank/proposals'
import type { Asked } from '@/model/where'

/** Told at most so often how far it is. */
const STEP = 0.01

/**
 * Proposals for a long statement as they are looked for, line by line (application/x-ndjson): `{"done": 0.4}` while it goes on,
 * `{"proposals": […]}` in the end. Whoever stops reading stops the work.
 */
export const proposalsAsFound = async ({ db, business }: Asked, statementId: number): Promise<Response | null> => {
  const control = new AbortController()
  const encoder = new TextEncoder()
  const look = await findProposals(db, statementId, business.currency)
  if (!look) return null
  const body = new ReadableStream<Uint8Array>({
    start: async (out) => {
      const tell = (told: object) => out.enqueue(encoder.encode(`${JSON.stringify(told)}\n`))
      let last = 0
      try {
        tell({ done: 0 })
        const proposals = await look({
          signal: control.signal,
          onProgress: (done) => {
            if (done - last < STEP || control.signal.aborted) return
            last = done
            tell({ done })
          },
        })
        tell({ proposals })
        out.close()
      } catch (problem) {
        if (!control.signal.aborted) out.error(problem)
      }
    },
    cancel: () => control.abort(),
  })
  return new Response(body, { headers: { 'content-type': 'application/x-ndjson', 'cache-control': 'no-store' } })
}
