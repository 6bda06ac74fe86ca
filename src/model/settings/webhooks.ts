import type { WebhookEvent } from '@/core/kinds'
import type { Db } from '@/data/connect'
import { listDeliveries, listWebhooks } from '@/data/queries/webhooks'

/** Where what an event is about is read over HTTP. */
const ABOUT: Readonly<Record<WebhookEvent, string>> = { paid: 'receipts', ordered: 'sales', 'handed-over': 'handovers' }

/** The address, under /api/v1, of what an event is about. */
export const pathOfEvent = (event: WebhookEvent, subjectId: number): string => `/${ABOUT[event]}/${subjectId}`

/** What was told to other programs or waits for it, the newest first. */
export const deliveryViews = async (
  db: Db,
  ...of: Parameters<typeof listDeliveries> extends [Db, ...infer R] ? R : never
) =>
  (await listDeliveries(db, ...of)).map(({ happenedAt, nextTryAt, ...d }) => ({
    ...d,
    path: pathOfEvent(d.event, d.subjectId),
    happenedAt: happenedAt.toISOString(),
    nextTryAt: d.state === 'waiting' ? nextTryAt.toISOString() : null,
  }))

/** So many deliveries are shown of a program at first, and with each page so many more. */
const LATELY = 20
const OLDER = 100

/** The programs that are told what happens, each with what it was told lately: so far back, and whether there is more. */
export const readWebhooks = async (db: Db, page: number) => {
  const most = LATELY + (page - 1) * OLDER
  return Promise.all(
    (await listWebhooks(db)).map(async (w) => {
      const deliveries = await deliveryViews(db, { webhookId: w.id }, { limit: most + 1 })
      return { ...w, deliveries: deliveries.slice(0, most), more: deliveries.length > most }
    }),
  )
}
