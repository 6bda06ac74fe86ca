export interface PaperSum {
  readonly name: string
  readonly amount: string
  readonly total?: boolean
}
