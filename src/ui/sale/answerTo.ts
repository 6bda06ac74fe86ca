import type { NextAction } from '@/core/sale'
import type { Doing, SaleActId } from './saleActs'

/** The act that answers a step: on the sheet its primary one, on Today the one of its row. Null where it is for the owner to judge. */
const ANSWER: Readonly<Record<NextAction, Doing | 'take' | null>> = {
  'write-again': null,
  remind: 'remind',
  'promise-broken': 'take',
  'card-refused': 'take',
  'charge-late': 'charge-late',
  'give-back': 'held',
  collect: 'take',
  'ask-deposit': 'take',
  'hand-over': 'hand-over',
  bill: 'bill',
  buy: null,
  'ask-again': null,
  'confirm-order': 'agree',
  renew: 'offer',
  offer: 'offer',
}

/** What answers a step of a sale; an invoice that is drafted already is issued instead of made. */
export const answerTo = (step: NextAction, hasDraft: boolean): SaleActId | null =>
  step === 'bill' && hasDraft ? 'issue' : ANSWER[step]
