/** Something the quick line offers to do: go somewhere, or a command of the HTTP interface, told beforehand. */
export interface QuickOffer {
  readonly text: string
  readonly note?: string
  readonly go?: string
  /** Enter completes the line to this, and nothing more. */
  readonly fill?: string
  readonly send?: {
    readonly path: string
    readonly body: unknown
    readonly said: string
    readonly thenTo?: string
  }
}
