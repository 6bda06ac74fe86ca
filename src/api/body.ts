import type { Asked } from './asked'
import { problem } from './problem'

/** What may be sent: strangers little, the owner a file of 4 MB in base64 and a little more. */
export const BODY = { public: 16_000, owner: 6_200_000 } as const

/** The body, read no further than it may be long. Null where it is longer. */
const readBytes = async (request: Asked, most: number): Promise<Uint8Array | null> => {
  if (Number(request.headers.get('content-length') ?? 0) > most) return null
  if (!request.body) return new Uint8Array()
  const parts: Uint8Array[] = []
  let length = 0
  for await (const part of request.body) {
    length += part.length
    if (length > most) return null
    parts.push(part)
  }
  return Buffer.concat(parts)
}

const tooLarge = (most: number): Response =>
  problem(413, 'too-large', `The request is larger than ${most === BODY.owner ? '6 MB' : '16 kB'}. Send it in parts.`)

/** A file as it is, of the type that is asked for. */
export const readFileBody = async (request: Asked, type: string): Promise<{ value: Uint8Array } | Response> => {
  const bytes = await readBytes(request, BODY.owner)
  if (bytes === null) return tooLarge(BODY.owner)
  const kinds = type.split(', ').map((t) => t.split('/')[1] ?? '')
  const sent = request.headers.get('content-type') ?? ''
  if (!kinds.some((kind) => new RegExp(`[/+]${kind}\\b`, 'i').test(sent)))
    return problem(415, 'other-file', `Send the file as it is, with content-type ${type}.`)
  return { value: bytes }
}

/** Where in a value a NUL stands, which no text may hold. */
const findNul = (value: unknown, path: string): string | null => {
  if (typeof value === 'string') return value.includes('\0') ? path : null
  if (typeof value !== 'object' || value === null) return null
  for (const [key, inner] of Object.entries(value)) {
    if (key.includes('\0')) return path
    const found = findNul(inner, path === '' ? key : `${path}.${key}`)
    if (found !== null) return found
  }
  return null
}

/** The JSON of a request, or why it cannot be taken. An empty body is undefined. */
export const readBody = async (request: Asked, most: number = BODY.public): Promise<{ value: unknown } | Response> => {
  const bytes = await readBytes(request, most)
  if (bytes === null) return tooLarge(most)
  const text = new TextDecoder().decode(bytes)
  if (text.trim() === '') return { value: undefined }
  if (!/\bjson\b/i.test(request.headers.get('content-type') ?? ''))
    return problem(415, 'not-json', 'Send JSON, with content-type application/json.')
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch {
    return problem(400, 'broken-json', 'The body is not valid JSON. Nothing was saved.')
  }
  const at = /\\u0000/.test(text) ? findNul(value, '') : null
  return at === null
    ? { value }
    : problem(422, 'invalid', 'A character that is no text (NUL) stands in it. Type it anew.', [
        { path: at, message: 'A character that is no text (NUL) stands here. Type it anew.' },
      ])
}
