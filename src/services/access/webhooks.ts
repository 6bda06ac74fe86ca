import { addWebhookInput, endWebhookInput, retryDeliveryInput } from '@/contract/inputs/access/webhooks'
import { found, refuse, refuseAt } from '@/contract/refuse'
import { present } from '@/core/present'
import { endWebhook, insertWebhook, listDeliveries, listWebhooks, retryDelivery } from '@/data/queries/webhooks'
import { deliveryViews } from '@/model/settings/webhooks'
import { defineCommand } from '../command'
import { seal } from './seal'
import { newSigningSecret } from './signWebhook'

/** More programs than that are told nothing by a business of one person. */
const MOST = 10

/** Tells a program what happens from now on. The secret that signs it is told once. */
export const addWebhook = defineCommand(
  'add-webhook',
  addWebhookInput,
  async (w, { url, events }) => {
    const there = await listWebhooks(w.tx)
    if (there.length >= MOST) refuseAt('url', `There are ${MOST} webhooks already. End one first.`)
    if (there.some((x) => x.url === url)) refuse({ code: 'taken', what: 'address', value: url })
    const secret = newSigningSecret()
    const id = await insertWebhook(w.tx, { url, events, secret: seal(secret), madeOn: w.today })
    return { id, answer: async () => ({ id, url, events, madeOn: w.today, secret }) }
  },
  { answerIsSecret: true },
)

/** Tells it nothing more; what waits for it is not sent. */
export const dropWebhook = defineCommand('end-webhook', endWebhookInput, async (w, { webhookId }) => {
  found((await endWebhook(w.tx, webhookId, w.today)) || null, 'webhook', webhookId)
  return { id: webhookId, answer: async () => ({}) }
})

/** Sends once more, at once, what could not be delivered. */
export const retryWebhook = defineCommand('retry-webhook', retryDeliveryInput, async (w, { deliveryId }) => {
  found((await listDeliveries(w.tx, { id: deliveryId }))[0], 'delivery', deliveryId)
  if (!(await retryDelivery(w.tx, deliveryId))) refuse({ code: 'nothing-to-retry' })
  return { id: deliveryId, answer: async () => present((await deliveryViews(w.tx, { id: deliveryId }))[0]) }
})
