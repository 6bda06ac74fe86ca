import { WEBHOOK_EVENTS, WEBHOOK_STATES } from '@/core/kinds'
import { z } from 'zod'
import { dayText, decimalText, list } from './texts'

/** What the calls of “Setting up” answer. */
const backupRun = z.object({
  id: z.int(),
  on: dayText,
  at: z.string(),
  ok: z.boolean(),
  name: z.string(),
  bytes: z.int(),
  rows: z.int(),
  problem: z.string(),
})

/** A program that is told what happens. */
const webhook = z.object({
  id: z.int(),
  url: z.string(),
  events: z.array(z.enum(WEBHOOK_EVENTS)),
  madeOn: dayText,
})

/** Something it was told, or waits to be. */
const delivery = z.object({
  id: z.int(),
  webhookId: z.int(),
  event: z.enum(WEBHOOK_EVENTS),
  subjectId: z.int(),
  /** Under /api/v1, where it is read. */
  path: z.string(),
  happenedAt: z.string(),
  state: z.enum(WEBHOOK_STATES),
  tries: z.int(),
  nextTryAt: z.string().nullable(),
  /** A status of HTTP, or why there was none. */
  answered: z.string(),
})

export const settingsAnswers = {
  'POST /backups': backupRun,
  'GET /backups': list(backupRun).extend({
    last: z.object({ on: dayText, name: z.string(), bytes: z.int(), rows: z.int() }).nullable(),
    warning: z.enum(['failed', 'old']).nullable(),
  }),
  'POST /setup': z.object({ name: z.string(), currency: z.string(), openingDate: dayText }),
  /** What was changed, as it is now; of the mail server only whether there is one. */
  'PATCH /settings': z.looseObject({ mailServer: z.boolean().optional() }),
  'POST /settings/tokens': z.object({ token: z.string() }),
  'GET /settings/tokens': list(
    z.object({
      id: z.int(),
      name: z.string(),
      createdAt: z.string(),
      expiresAt: z.string(),
      readOnly: z.boolean(),
      usedAt: z.string().nullable(),
    }),
  ),
  'DELETE /settings/tokens/{id}': z.object({}),
  'GET /settings/sessions': list(
    z.object({
      id: z.int(),
      browser: z.string(),
      createdAt: z.string(),
      usedAt: z.string(),
      expiresAt: z.string(),
    }),
  ),
  'DELETE /settings/sessions/{id}': z.object({}),
  'POST /webhooks': webhook.extend({ secret: z.string() }),
  'GET /webhooks': list(webhook),
  'DELETE /webhooks/{id}': z.object({}),
  'GET /webhooks/{id}/deliveries': list(delivery),
  'POST /webhook-deliveries/{id}/retry': delivery,
  'POST /settings/passphrase': z.object({}),
  /** What an app is told: as text, as an address, and as a picture of it. */
  'POST /settings/one-time-codes': z.object({ secret: z.string(), address: z.string(), picture: z.string() }),
  'POST /settings/one-time-codes/confirm': z.object({ spareCodes: z.array(z.string()) }),
  'POST /settings/one-time-codes/end': z.object({}),
  'GET /quick-line': list(
    z.object({
      text: z.string(),
      note: z.string().optional(),
      go: z.string().optional(),
      fill: z.string().optional(),
      send: z
        .object({ path: z.string(), body: z.unknown(), said: z.string(), thenTo: z.string().optional() })
        .optional(),
    }),
  ),
  'GET /today': z.object({
    today: dayText,
    items: z.array(
      z.object({
        saleId: z.int(),
        customer: z.string(),
        title: z.string(),
        action: z.string(),
        why: z.string(),
        amount: decimalText.optional(),
        quantity: decimalText.optional(),
      }),
    ),
  }),
}
