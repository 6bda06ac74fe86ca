import { z } from 'zod'
import { listWebhooks } from '@/data/queries/webhooks'
import { deliveryViews } from '@/model/settings/webhooks'
import { addWebhook, dropWebhook, retryWebhook } from '@/services/access/webhooks'
import { change, listOf, noQuery, page, read, readCursor } from '../operation'

export const webhooks = [
  change('/webhooks', 'A program that is told what happens; the secret that signs it is told once.', addWebhook, {
    status: 201,
  }),
  read('/webhooks', 'The programs that are told what happens, without their secrets.', noQuery, async ({ db }) => ({
    items: await listWebhooks(db),
    next: null,
  })),
  change('/webhooks/{id}', 'Tells it nothing more.', dropWebhook, { method: 'DELETE', path: { webhookId: 'id' } }),
  read(
    '/webhooks/{id}/deliveries',
    'What it was told or waits to be, the newest first.',
    page,
    async ({ db, id, query }) =>
      listOf(
        await deliveryViews(
          db,
          { webhookId: id },
          { limit: query.limit, after: readCursor(z.number().int(), query.after) },
        ),
        query.limit,
        (row) => row,
        (row) => row.id,
      ),
  ),
  change('/webhook-deliveries/{id}/retry', 'Sends once more what could not be delivered.', retryWebhook, {
    path: { deliveryId: 'id' },
  }),
]
