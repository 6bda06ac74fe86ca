/** What can be asked of a sale sheet by its address: `?do=bill`. */
export const DOINGS = [
  'offer',
  'agree',
  'hand-over',
  'bill',
  'ask-deposit',
  'pay-how',
  'decline',
  'cancel',
  'put-off',
  'repeat',
  'link',
  'pay-off',
  'reschedule',
  'card',
  'give-up',
  'promise',
  'held',
  'write-off',
  'charge-late',
] as const
export type Doing = (typeof DOINGS)[number]

export interface SheetLine {
  readonly id: number
  readonly kind: string
  readonly description: string
  readonly fromShelf: boolean
  readonly choice: 'none' | 'optional' | 'alternative'
  readonly choiceGroup: string
  readonly chosen: boolean
  readonly quantity: string
  readonly agreed: string
  readonly setAside: string
  readonly toHandOver: string
  readonly toBill: string
  readonly readyToBill: string
}
