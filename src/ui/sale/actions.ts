/** What the sale sheet's panels need to know of a line. Plain text and numbers: it travels to the browser. */
export interface SheetLine {
  readonly id: number
  readonly description: string
  readonly fromShelf: boolean
  readonly quantity: string
  readonly agreed: string
  readonly setAside: string
  readonly toHandOver: string
  readonly toBill: string
  readonly readyToBill: string
}

export type Doing =
  'offer' | 'agree' | 'hand-over' | 'bill' | 'ask-deposit' | 'pay-how' | 'decline' | 'cancel'
export const DOINGS: readonly Doing[] = [
  'offer',
  'agree',
  'hand-over',
  'bill',
  'ask-deposit',
  'pay-how',
  'decline',
  'cancel',
]
