import { inflateRawSync } from 'node:zlib'

/** More than any form holds: an address could unfold to a thousand times its length. */
const MOST = 100_000

/** The text of what `contract/inAddress` made; null where an address holds none. */
export const fromAddress = (held: string): string | null => {
  try {
    const bytes = inflateRawSync(Buffer.from(held, 'base64url'), { maxOutputLength: MOST })
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch {
    return null
  }
}
