/** Why something was not done: in a sentence, and field by field. */
export interface Refused {
  readonly detail: string
  readonly errors: readonly { readonly path: string; readonly message: string }[]
}

/** What came back: an answer, or why there is none. `unanswered` where nobody answered, so that it may have been done. */
export type Sent<T> =
  | { readonly ok: true; readonly value: T }
  | ({ readonly ok: false; readonly status?: number; readonly type?: string; readonly unanswered?: true } & Refused)

interface Call {
  readonly method: string
  readonly body?: unknown
  /** A file as it is, instead of a body. */
  readonly file?: { readonly type: string; readonly content: Blob }
  readonly key?: string
  /** What is said where nobody answers. */
  readonly unanswered: string
}

/** What the owner is told where nobody answers. */
export const UNANSWERED = 'No connection to Iron Till. What you typed is still here; try again in a moment.'

/** A key nobody else makes, for a command that must not happen twice. */
export const newKey = (): string =>
  [...crypto.getRandomValues(new Uint8Array(16))].map((b) => b.toString(16).padStart(2, '0')).join('')

/** The one HTTP client of our pages, the owner's and the customer's. */
export const request = async <T>(address: string, { method, body, file, key, unanswered }: Call): Promise<Sent<T>> => {
  try {
    const response = await fetch(address, {
      method,
      headers: {
        ...(file ? { 'content-type': file.type } : body === undefined ? {} : { 'content-type': 'application/json' }),
        ...(key ? { 'idempotency-key': key } : {}),
      },
      body: file?.content ?? (body === undefined ? undefined : JSON.stringify(body)),
    })
    const answer = (await response.json()) as T & Partial<Refused> & { readonly type?: string }
    return response.ok
      ? { ok: true, value: answer }
      : {
          ok: false,
          status: response.status,
          type: answer.type,
          detail: answer.detail ?? 'That did not work. Nothing was saved.',
          errors: answer.errors ?? [],
        }
  } catch {
    return { ok: false, unanswered: true, detail: unanswered, errors: [] }
  }
}

/** Sends the owner's file as it is; whatever takes it finds out what it is, where its type is not said. */
export const sendFile = <T>(path: string, content: Blob, type = 'application/octet-stream'): Promise<Sent<T>> =>
  request<T>(`/api/v1${path}`, { method: 'POST', key: newKey(), file: { type, content }, unanswered: UNANSWERED })
