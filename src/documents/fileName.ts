/** A file and what it is called when it is kept. */
export interface NamedFile<Body = Buffer> {
  readonly body: Body
  readonly name: string
}

/** What the file of a document is called: its kind and its own number, as everybody knows it. */
export const fileName = (kind: string, number: string | null, type: 'pdf' | 'xml'): string =>
  `${kind}-${(number ?? '').replace(/[^\w.-]+/g, '-')}.${type}`
