import type { Day } from '@/core/day'

/** An invoice as what can be done with it needs to know it. */
export interface ShownInvoice {
  readonly id: number
  readonly saleId: number
  readonly customerId: number
  readonly draft: boolean
  readonly on: Day
  readonly kind: 'invoice' | 'counter' | 'credit-note'
  readonly currency: string
  readonly left: string
  readonly open: string
  readonly lines: readonly {
    readonly lineId: number
    readonly description: string
    readonly quantity: string
  }[]
}
