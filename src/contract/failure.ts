import type { StatementProblem } from '@/core/bank'
import type { ReceiptMethod } from '@/core/ledger'
import type { Day } from '@/core/day'
import type { Decimal, Money } from '@/core/money'

export interface FieldProblem {
  readonly path: string
  readonly message: string
}

/** Everything that may be refused, with the numbers concerned. */
export type Failure =
  | { readonly code: 'invalid'; readonly errors: readonly FieldProblem[] }
  | { readonly code: 'not-found'; readonly what: string; readonly id: number | string }
  | { readonly code: 'already-set-up' }
  | { readonly code: 'not-set-up' }
  | { readonly code: 'wrong-passphrase' }
  | { readonly code: 'too-many-tries' }
  | { readonly code: 'code-needed' }
  | { readonly code: 'wrong-code' }
  | { readonly code: 'codes-wait' }
  | { readonly code: 'codes-sealed-elsewhere' }
  | { readonly code: 'codes-not-begun' }
  | { readonly code: 'codes-are-on' }
  | { readonly code: 'prove-again' }
  | { readonly code: 'shown-once' }
  | { readonly code: 'under-way' }
  | { readonly code: 'posted-already' }
  | { readonly code: 'shop-full' }
  | { readonly code: 'key-reused' }
  | { readonly code: 'taken'; readonly what: string; readonly value: string }
  | { readonly code: 'period-closed'; readonly through: Day }
  | { readonly code: 'date-ahead'; readonly on: Day; readonly today: Day }
  /** It works from a later day on: until then `what` was not there, or something later would be undone. */
  | { readonly code: 'not-before'; readonly from: Day; readonly what: string }
  | { readonly code: 'close-before-today'; readonly today: Day }
  | { readonly code: 'not-closed'; readonly through: Day | null }
  | { readonly code: 'recovered-already'; readonly number: string }
  | {
      readonly code: 'billed-is-credited'
      readonly line: string
      readonly left: Decimal
      readonly asked: Decimal
    }
  | { readonly code: 'no-bank'; readonly name: string }
  | { readonly code: 'no-own-bank' }
  | { readonly code: 'cost-was-spread'; readonly number: string }
  | { readonly code: 'nothing-to-order' }
  | { readonly code: 'no-e-invoice' }
  | { readonly code: 'e-invoice-unreadable' }
  | { readonly code: 'no-supplier'; readonly goods: string }
  | { readonly code: 'order-closed'; readonly number: string }
  | { readonly code: 'less-than-came'; readonly line: string; readonly least: Decimal }
  | { readonly code: 'more-than-ordered'; readonly line: string; readonly left: Decimal; readonly asked: Decimal }
  | { readonly code: 'more-than-came'; readonly line: string; readonly left: Decimal; readonly asked: Decimal }
  | { readonly code: 'bill-not-open'; readonly number: string; readonly open: Money; readonly asked: Money }
  | { readonly code: 'bill-is-paid'; readonly number: string }
  | { readonly code: 'advance-was-used' }
  | { readonly code: 'not-here-any-more'; readonly goods: string; readonly there: Decimal; readonly asked: Decimal }
  | { readonly code: 'more-than-came-back'; readonly line: string; readonly left: Decimal; readonly asked: Decimal }
  | { readonly code: 'more-than-went-back'; readonly line: string; readonly left: Decimal; readonly asked: Decimal }
  | { readonly code: 'all-went-back'; readonly number: string }
  | { readonly code: 'receipt-went-on'; readonly number: string }
  | { readonly code: 'went-back'; readonly number: string; readonly line: string }
  | { readonly code: 'bill-was-credited'; readonly number: string }
  | { readonly code: 'more-than-bill'; readonly number: string; readonly left: Money; readonly asked: Money }
  | { readonly code: 'came-since'; readonly number: string; readonly line: string }
  | { readonly code: 'nothing-on-sale' }
  | { readonly code: 'joined'; readonly name: string; readonly to: number }
  | { readonly code: 'same-customer' }
  | {
      readonly code: 'rows-wrong'
      readonly count: number
      readonly first: { readonly row: number; readonly message: string }
    }
  | { readonly code: 'link-closed' }
  | { readonly code: 'offer-lapsed'; readonly on: Day }
  | { readonly code: 'newer-offer' }
  | { readonly code: 'sale-changed'; readonly number: number }
  | { readonly code: 'changed-since'; readonly name: string }
  | { readonly code: 'offer-reworked' }
  | { readonly code: 'estimate-reworked'; readonly sentOn: Day }
  | { readonly code: 'not-offered' }
  | { readonly code: 'nothing-to-pay' }
  | { readonly code: 'more-than-to-pay'; readonly open: Money; readonly asked: Money }
  | { readonly code: 'card-refused'; readonly why: string }
  | { readonly code: 'shopfront-closed' }
  | { readonly code: 'basket-gone' }
  | { readonly code: 'basket-empty' }
  | { readonly code: 'basket-moved' }
  | { readonly code: 'no-address'; readonly name: string }
  | { readonly code: 'letter-gone'; readonly to: string }
  | { readonly code: 'letter-going'; readonly to: string }
  | { readonly code: 'letter-not-waiting'; readonly state: 'bounced' | 'dropped' }
  | { readonly code: 'no-such-step'; readonly step: string }
  | { readonly code: 'walk-in-stays' }
  | { readonly code: 'two-of-one-choice'; readonly group: string }
  | { readonly code: 'no-such-kind'; readonly kind: string; readonly kinds: readonly string[] }
  | { readonly code: 'already-agreed'; readonly on: Day }
  | { readonly code: 'not-agreed' }
  | { readonly code: 'sale-closed'; readonly as: string; readonly on: Day }
  | { readonly code: 'held-first'; readonly held: Money }
  | { readonly code: 'goods-or-bills-first' }
  | { readonly code: 'less-than-done'; readonly line: string; readonly least: Decimal }
  | { readonly code: 'price-fixed'; readonly line: string }
  | {
      readonly code: 'more-than-offered'
      readonly line: string
      readonly offered: Decimal
      readonly asked: Decimal
    }
  | {
      readonly code: 'more-than-agreed'
      readonly line: string
      readonly left: Decimal
      readonly asked: Decimal
    }
  | { readonly code: 'nothing-to-hand-over' }
  | {
      readonly code: 'not-at-place'
      readonly goods: string
      readonly place: string
      readonly there: Decimal
      readonly asked: Decimal
      /** The place where most of them lie instead; null where they lie nowhere else. */
      readonly instead: { readonly place: string; readonly there: Decimal } | null
    }
  /** Pieces that are told apart, and are not where they were said to be. */
  | { readonly code: 'no-such-serial'; readonly serial: string; readonly goods: string }
  | { readonly code: 'serial-elsewhere'; readonly serial: string; readonly place: string }
  | { readonly code: 'serial-there'; readonly serial: string; readonly place: string }
  /** `with` is a customer's name, or the number of the document it left with. */
  | { readonly code: 'serial-gone'; readonly serial: string; readonly with: string; readonly on: Day }
  | { readonly code: 'no-such-lot'; readonly lot: string; readonly goods: string; readonly lots: readonly string[] }
  | { readonly code: 'lot-past'; readonly lot: string; readonly goods: string; readonly expired: Day }
  | { readonly code: 'lot-expires'; readonly lot: string; readonly expires: Day | null }
  | {
      readonly code: 'not-in-lot'
      readonly lot: string
      readonly goods: string
      readonly there: Decimal
      readonly asked: Decimal
    }
  | { readonly code: 'carrier-refused'; readonly carrier: string; readonly why: string }
  | { readonly code: 'pick-open'; readonly number: string }
  | { readonly code: 'changed-meanwhile'; readonly what: string }
  | { readonly code: 'pick-sent'; readonly number: string }
  | { readonly code: 'whole-serials'; readonly goods: string; readonly asked: Decimal }
  | { readonly code: 'tracking-is-fixed'; readonly goods: string }
  | {
      readonly code: 'not-enough-stock'
      readonly goods: string
      readonly onHand: Decimal
      readonly asked: Decimal
    }
  | { readonly code: 'nothing-to-bill'; readonly what: 'handed-over' | 'remaining' }
  | {
      readonly code: 'more-than-to-bill'
      readonly line: string
      readonly left: Decimal
      readonly asked: Decimal
    }
  | { readonly code: 'already-issued'; readonly number: string }
  | { readonly code: 'not-issued' }
  | { readonly code: 'not-creditable' }
  | {
      readonly code: 'more-than-billed'
      readonly line: string
      readonly left: Decimal
      readonly asked: Decimal
    }
  | { readonly code: 'more-than-invoice-left'; readonly left: Money; readonly asked: Money }
  | {
      readonly code: 'more-than-handed-over'
      readonly line: string
      readonly left: Decimal
      readonly asked: Decimal
    }
  | { readonly code: 'more-than-open'; readonly open: Money; readonly asked: Money }
  | { readonly code: 'due-not-open'; readonly dueId: number }
  | { readonly code: 'before-invoice'; readonly on: Day; readonly issuedOn: Day }
  | { readonly code: 'more-than-received'; readonly received: Money; readonly asked: Money }
  | { readonly code: 'tendered-too-little'; readonly total: Money; readonly tendered: Money }
  | { readonly code: 'who-pays' }
  | { readonly code: 'other-customer' }
  | { readonly code: 'already-voided'; readonly number: string }
  | { readonly code: 'void-counter-sale'; readonly number: string }
  | { readonly code: 'held-was-used' }
  | { readonly code: 'more-than-held'; readonly held: Money; readonly asked: Money }
  | { readonly code: 'nothing-asked' }
  | { readonly code: 'same-place' }
  | { readonly code: 'banked-already'; readonly number: string }
  | { readonly code: 'cannot-bounce'; readonly number: string; readonly method: ReceiptMethod }
  | { readonly code: 'is-set-off'; readonly number: string; readonly setOff: string }
  | { readonly code: 'nothing-to-set-off'; readonly name: string; readonly owed: Money; readonly owe: Money }
  | { readonly code: 'nothing-to-retry' }
  | { readonly code: 'not-late'; readonly due: Day }
  | { readonly code: 'charged-already' }
  | { readonly code: 'no-late-charge' }
  | { readonly code: 'not-this-arrangement'; readonly needs: string }
  | { readonly code: 'no-plan' }
  | { readonly code: 'which-plan'; readonly count: number }
  | { readonly code: 'before-plan'; readonly startedOn: Day }
  | { readonly code: 'nothing-open' }
  | { readonly code: 'layaway-not-paid-up'; readonly left: Money }
  | { readonly code: 'layaway-billed-at-handover' }
  | { readonly code: 'reminded-lately'; readonly on: Day; readonly again: Day }
  | { readonly code: 'nothing-late'; readonly name: string }
  | { readonly code: 'drawer-short'; readonly there: Money; readonly asked: Money }
  | { readonly code: 'not-to-bank'; readonly number: string }
  | { readonly code: 'nothing-to-bank' }
  | { readonly code: 'entry-unbalanced'; readonly difference: Money }
  | { readonly code: 'account-kept-by-papers'; readonly account: string }
  | { readonly code: 'opening-differs'; readonly difference: Money }
  | { readonly code: 'no-backup-folder' }
  | { readonly code: 'backup-failed'; readonly why: string }
  | { readonly code: 'is-on-statement' }
  | { readonly code: 'entry-reversed'; readonly by: number }
  | { readonly code: 'statement-refused'; readonly problem: StatementProblem }
  | { readonly code: 'other-account'; readonly said: string; readonly number: string }
  | { readonly code: 'columns-unknown'; readonly headings: readonly string[] }
  | { readonly code: 'line-is-settled' }
  | { readonly code: 'line-not-settled' }
  | { readonly code: 'statement-is-done' }
  | { readonly code: 'statement-not-done'; readonly open: number; readonly difference: Money | null }
  | { readonly code: 'settles-differ'; readonly line: Money; readonly sum: Money }
  | { readonly code: 'not-on-account'; readonly what: string }
  | { readonly code: 'return-is-filed'; readonly on: Day }
  | { readonly code: 'return-overlaps'; readonly from: Day; readonly through: Day }
  | { readonly code: 'return-not-filed' }
  | { readonly code: 'return-not-paid' }
  | { readonly code: 'return-is-paid'; readonly on: Day }
  | { readonly code: 'no-tax-due' }
  | { readonly code: 'account-is-needed'; readonly account: string }
  | { readonly code: 'year-not-over'; readonly year: number }
  | { readonly code: 'year-is-closed'; readonly year: number }
  | { readonly code: 'year-not-closed'; readonly year: number }
  | { readonly code: 'nothing-in-year'; readonly year: number }
  | { readonly code: 'close-order'; readonly through: Day }
  | { readonly code: 'first-payment-too-large'; readonly total: Money; readonly first: Money }
  | { readonly code: 'payment-does-not-cover-charge' }
