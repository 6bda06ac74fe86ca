import type { Database } from '@/data/connect'
import { claimDelivery, noteDelivery, type Claimed } from '@/data/queries/webhooks'
import { pathOfEvent } from '@/model/settings/webhooks'
import { unseal } from '@/services/access/seal'
import { signedHeaders } from '@/services/access/signWebhook'

/** A program that does not answer holds the round up for so long, once: what else waits for it is left to the next round. */
const PATIENCE = 10_000
/** After a minute, five, half an hour, two hours, twelve hours, a day; then it failed. */
const AGAIN = [1, 5, 30, 120, 720, 1440] as const
/** In one round, so that the clockwork comes to its other work. */
const MOST = 100

/** Why nothing was answered, in a few words: the reason a connection was refused is below the one of the call. */
const whyOf = (problem: unknown): string => {
  if (!(problem instanceof Error)) return String(problem).slice(0, 200)
  if (problem.name === 'TimeoutError') return 'It did not answer in time.'
  const { cause } = problem
  if (!(cause instanceof Error)) return problem.message.slice(0, 200)
  return ('code' in cause ? String(cause.code) : cause.message).slice(0, 200)
}

/** Sends one message: what happened, and where it is read. Who gets it knows nothing more without a token. */
const tell = async ({ id, event, subjectId, happenedAt, url, secret }: Claimed) => {
  const body = JSON.stringify({
    type: event,
    timestamp: happenedAt,
    data: { id: subjectId, path: `/api/v1${pathOfEvent(event, subjectId)}` },
  })
  try {
    const answer = await fetch(url, {
      method: 'POST',
      body,
      headers: {
        'content-type': 'application/json',
        ...signedHeaders(unseal(secret), { id: `msg_${id}`, at: new Date(), body }),
      },
      // Another address was not agreed to.
      redirect: 'manual',
      signal: AbortSignal.timeout(PATIENCE),
    })
    await answer.body?.cancel()
    return { ok: answer.status >= 200 && answer.status < 300, answered: String(answer.status) }
  } catch (problem) {
    return { ok: false, answered: whyOf(problem) }
  }
}

/** Tells the owner's programs what happened and waits; how many messages were tried. */
export const tellWebhooks = async (db: Database): Promise<number> => {
  let tried = 0
  const silent: number[] = []
  while (tried < MOST) {
    const next = await claimDelivery(db, silent)
    if (!next) break
    tried++
    const { ok, answered } = await tell(next)
    if (!ok) silent.push(next.webhookId)
    const minutes = AGAIN[next.tries - 1]
    await noteDelivery(
      db,
      next.id,
      ok
        ? { state: 'delivered', answered }
        : minutes === undefined
          ? { state: 'failed', answered }
          : { state: 'waiting', answered, minutes },
    )
  }
  return tried
}
