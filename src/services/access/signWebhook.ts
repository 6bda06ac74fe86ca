import { createHmac, randomBytes } from 'node:crypto'

/** How the secrets of the open standard for signed webhooks begin. */
const PREFIX = 'whsec_'

export const newSigningSecret = (): string => `${PREFIX}${randomBytes(32).toString('base64')}`

/**
 * The three headers that say who sent a message, when, and that nobody changed it (Standard Webhooks 1.0): HMAC-SHA256 over
 * `id.timestamp.body`.
 */
export const signedHeaders = (
  secret: string,
  { id, at, body }: { readonly id: string; readonly at: Date; readonly body: string },
): Readonly<Record<string, string>> => {
  const timestamp = String(Math.floor(at.getTime() / 1000))
  const key = Buffer.from(secret.slice(PREFIX.length), 'base64')
  const signature = createHmac('sha256', key).update(`${id}.${timestamp}.${body}`).digest('base64')
  return { 'webhook-id': id, 'webhook-timestamp': timestamp, 'webhook-signature': `v1,${signature}` }
}
