export interface TradeFacts {
  readonly kinds: readonly string[]
  readonly shopfrontOpen: boolean
  readonly linksOpenAll: boolean
  readonly hasMailServer: boolean
  readonly levels: readonly {
    readonly id: number
    readonly code: string
    readonly name: string
    readonly percentOff: string
    readonly pricesIncludeTax: boolean | null
  }[]
}
