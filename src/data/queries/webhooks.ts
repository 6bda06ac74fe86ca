import { and, desc, eq, isNull, sql } from 'drizzle-orm'
import type { WebhookEvent } from '@/core/kinds'
import type { Day } from '@/core/day'
import { insertOne } from '../builtOnce'
import type { Db } from '../connect'
import { webhook, webhookDelivery } from '../schema'

export const insertWebhook = insertOne(webhook)

/** Webhooks that are told what happens, the oldest first; without their secrets. */
export const listWebhooks = (db: Db) =>
  db
    .select({ id: webhook.id, url: webhook.url, events: webhook.events, madeOn: webhook.madeOn })
    .from(webhook)
    .where(isNull(webhook.endedOn))
    .orderBy(webhook.id)

/** Ends a webhook, and what waits for it; false where there is none. */
export const endWebhook = async (db: Db, id: number, endedOn: Day): Promise<boolean> => {
  const ended = await db
    .update(webhook)
    .set({ endedOn, secret: '' })
    .where(and(eq(webhook.id, id), isNull(webhook.endedOn)))
    .returning({ id: webhook.id })
  await db
    .update(webhookDelivery)
    .set({ state: 'failed', answered: 'The webhook was ended.' })
    .where(and(eq(webhookDelivery.webhookId, id), eq(webhookDelivery.state, 'waiting')))
  return ended.length > 0
}

/** What was sent or waits, the newest first. */
export const listDeliveries = (
  db: Db,
  of: { readonly id?: number; readonly webhookId?: number },
  { limit = 50, after }: { readonly limit?: number; readonly after?: number } = {},
) =>
  db
    .select({
      id: webhookDelivery.id,
      webhookId: webhookDelivery.webhookId,
      event: webhookDelivery.event,
      subjectId: webhookDelivery.subjectId,
      happenedAt: webhookDelivery.happenedAt,
      state: webhookDelivery.state,
      tries: webhookDelivery.tries,
      nextTryAt: webhookDelivery.nextTryAt,
      answered: webhookDelivery.answered,
    })
    .from(webhookDelivery)
    .where(
      and(
        of.id === undefined ? undefined : eq(webhookDelivery.id, of.id),
        of.webhookId === undefined ? undefined : eq(webhookDelivery.webhookId, of.webhookId),
        after === undefined ? undefined : sql`${webhookDelivery.id} < ${after}`,
      ),
    )
    .orderBy(desc(webhookDelivery.id))
    .limit(limit)

export interface Claimed {
  readonly id: number
  readonly webhookId: number
  readonly event: WebhookEvent
  readonly subjectId: number
  readonly happenedAt: string
  readonly tries: number
  readonly url: string
  readonly secret: string
}

/** Takes the next that is due, of other webhooks than some; nobody else takes it while it is being sent. */
export const claimDelivery = async (db: Db, but: readonly number[] = []): Promise<Claimed | null> => {
  const [row] = await db.execute<{
    id: number
    webhook_id: number
    event: WebhookEvent
    subject_id: number
    happened_at: string
    tries: number
    url: string
    secret: string
  }>(sql`
    update webhook_delivery d set tries = tries + 1, next_try_at = now() + interval '2 minutes'
      from webhook w
     where w.id = d.webhook_id
       and d.id = (select id from webhook_delivery where state = 'waiting' and next_try_at <= now() and webhook_id <> all(${sql.param([...but])}::int[])
                    order by next_try_at, id limit 1 for update skip locked)
    returning d.id, d.webhook_id, d.event, d.subject_id, to_char(d.happened_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as happened_at,
              d.tries, w.url, w.secret`)
  return row
    ? {
        id: row.id,
        webhookId: row.webhook_id,
        event: row.event,
        subjectId: row.subject_id,
        happenedAt: row.happened_at,
        tries: row.tries,
        url: row.url,
        secret: row.secret,
      }
    : null
}

/** Writes down what became of a delivery; `minutes`: it is tried again after them. */
export const noteDelivery = async (
  db: Db,
  id: number,
  {
    state,
    answered,
    minutes = 0,
  }: Pick<typeof webhookDelivery.$inferSelect, 'state' | 'answered'> & { readonly minutes?: number },
): Promise<void> => {
  await db.execute(sql`
    update webhook_delivery set state = ${state}, answered = ${answered}, next_try_at = now() + make_interval(mins => ${minutes})
     where id = ${id}`)
}

/** Sends what failed or waits at once, counting its tries anew; false where it was delivered, or its webhook was ended. */
export const retryDelivery = async (db: Db, id: number): Promise<boolean> =>
  (
    await db.execute(sql`
      update webhook_delivery d set state = 'waiting', tries = 0, next_try_at = now()
        from webhook w where w.id = d.webhook_id and w.ended_on is null and d.id = ${id} and d.state <> 'delivered' returning d.id`)
  ).length > 0
