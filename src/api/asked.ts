/** What of a request is looked at to answer it: the platform's own `Request`, or the server's (`directly`). */
export interface Asked {
  readonly method: string
  /** Whole; by what name we are called stands among the headers. */
  readonly url: string
  readonly headers: { get(name: string): string | null }
  /** Read no sooner and no further than somebody goes on. */
  readonly body: AsyncIterable<Uint8Array> | null
}
