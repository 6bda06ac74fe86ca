import { z } from 'zod'
import { WEBHOOK_EVENTS } from '@/core/kinds'
import { id } from '@/contract/fields'

/** Another machine is told over an encrypted connection; a program of this one may be told without. */
const isSafe = (text: string): boolean => {
  if (!URL.canParse(text)) return false
  const { protocol, hostname, username, password } = new URL(text)
  const isHere = ['127.0.0.1', 'localhost', '[::1]'].includes(hostname)
  return username === '' && password === '' && (protocol === 'https:' || (protocol === 'http:' && isHere))
}

export const addWebhookInput = z.object({
  url: z
    .string({ error: 'An address is needed.' })
    .trim()
    .max(500, 'At most 500 characters.')
    .refine(
      isSafe,
      'An address begins with https://, without a name and password in it; http:// only on this machine.',
    ),
  events: z
    .array(z.enum(WEBHOOK_EVENTS, { error: `Say ${WEBHOOK_EVENTS.join(', ')}.` }), { error: 'Events are a list.' })
    .min(1, 'Choose what it is told.')
    .transform((all) => [...new Set(all)]),
})
export const endWebhookInput = z.object({ webhookId: id })
export const retryDeliveryInput = z.object({ deliveryId: id })
