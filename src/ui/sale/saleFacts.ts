/** What a sale says beside its lines, while it is typed. */
export interface SaleFacts {
  readonly title: string
  readonly noteAbove: string
  readonly note: string
  readonly wantedBy: string
  readonly kind: string
  readonly channel: 'counter' | 'phone' | 'shopfront'
  readonly billTo: string
  readonly deliverTo: string
  readonly deliverNote: string
  readonly purchaseOrder: string
  readonly rolledUp: boolean
  /** Off the whole, as typed. */
  readonly less: string
  /** The customer is told by mail when the day of their order moves. */
  readonly tell: boolean
}

export const NO_FACTS: SaleFacts = {
  title: '',
  noteAbove: '',
  note: '',
  wantedBy: '',
  kind: '',
  channel: 'phone',
  billTo: '',
  deliverTo: '',
  deliverNote: '',
  purchaseOrder: '',
  rolledUp: false,
  less: '',
  tell: true,
}
