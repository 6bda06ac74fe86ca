import type {
  CHANNELS,
  GOODS_KINDS,
  POST_STATES,
  REPEAT_EVERY,
  REPEAT_MAKES,
  TREATMENTS,
  WEBHOOK_STATES,
  WebhookEvent,
} from '../kinds'
import type { PaperLanguage } from '../formats'
import type { AccountKind, MonthStepKey, ReceiptMethod } from '../ledger'
import type { LayawayStands } from '../plan'
import type { Stands } from '../sale'
import type { TaxBasis, TaxSide } from '../tax'

/**
 * What a person reads where the program keeps a value: each kind of value has its names once, and the compiler names the one
 * that is missing. The values themselves stay as they are, in the database and over HTTP.
 */
type Names<V extends string> = Readonly<Record<V, string>>

export const STATUS_NAMES: Names<Stands> = {
  draft: 'Draft',
  offered: 'Offered',
  lapsed: 'Lapsed',
  agreed: 'Ordered',
  owing: 'Owing',
  settled: 'Settled',
  declined: 'Declined',
  cancelled: 'Canceled',
}

/**
 * The status of a sale as it is read. One that is done and paid, with money of the customer left over, says so.
 *
 * @example statusName('agreed', true) // Ordered
 * @example statusName('owing', false) // Refund due
 */
export const statusName = (stands: Stands, owes: boolean): string =>
  stands === 'owing' && !owes ? 'Refund due' : STATUS_NAMES[stands]

export const METHOD_NAMES: Names<ReceiptMethod> = {
  cash: 'Cash',
  card: 'Card',
  cheque: 'Check',
  transfer: 'Transfer',
  'set-off': 'Set off',
}

export const CHANNEL_NAMES: Names<(typeof CHANNELS)[number]> = {
  counter: 'In store',
  phone: 'Phone',
  shopfront: 'Online',
}

export const GOODS_KIND_NAMES: Names<(typeof GOODS_KINDS)[number]> = {
  stock: 'Stock',
  work: 'Work',
  charge: 'Charge',
  kit: 'Kit',
}

export const MAIL_STATE_NAMES: Names<(typeof POST_STATES)[number]> = {
  waiting: 'Waiting',
  sent: 'Sent',
  bounced: 'Bounced',
  dropped: 'Discarded',
}

export const LAYAWAY_NAMES: Names<LayawayStands> = {
  'paying in': 'In progress',
  behind: 'Behind',
  'paid up': 'Paid up',
  'handed over': 'Handed over',
  'given up': 'Canceled',
}

/** Languages documents are written in, as they are called in English. */
export const LANGUAGE_NAMES: Names<PaperLanguage> = {
  en: 'English',
  de: 'German',
  fr: 'French',
  es: 'Spanish',
  he: 'Hebrew',
}

export const ACCOUNT_KIND_NAMES: Names<AccountKind> = {
  asset: 'Asset',
  liability: 'Liability',
  equity: 'Equity',
  income: 'Income',
  expense: 'Expense',
}

/** What of the balance sheet is in no account: earned, and carried to none by closing a year. */
export const PROFIT_NOT_CARRIED = 'Profit not yet carried to retained earnings'

export const TREATMENT_NAMES: Names<(typeof TREATMENTS)[number]> = {
  taxed: 'Taxed',
  zero: 'Zero-rated',
  exempt: 'Exempt',
  'reverse-charge': 'Reverse charge',
  'out-of-scope': 'Out of scope',
}

export const REPEAT_EVERY_NAMES: Names<(typeof REPEAT_EVERY)[number]> = {
  week: 'Every week',
  'two-weeks': 'Every two weeks',
  month: 'Every month',
  quarter: 'Every three months',
  'half-year': 'Every six months',
  year: 'Every year',
}

export const REPEAT_MAKES_NAMES: Names<(typeof REPEAT_MAKES)[number]> = {
  offer: 'Estimate',
  order: 'Order',
  invoice: 'Invoice',
}

/**
 * What a language is called; its own mark where it is not one of ours.
 *
 * @example languageName('de') // German
 */
export const languageName = (language: string): string =>
  Object.hasOwn(LANGUAGE_NAMES, language) ? LANGUAGE_NAMES[language as PaperLanguage] : language
export const TAX_BASIS_NAMES: Names<TaxBasis> = { invoiced: 'With the invoice', paid: 'When it is paid' }
export const TAX_STATE_NAMES: Names<'draft' | 'filed' | 'paid'> = { draft: 'Draft', filed: 'Filed', paid: 'Paid' }
export const TAX_SIDE_NAMES: Names<TaxSide> = { sales: 'On sales', purchases: 'On purchases' }
export const MONTH_STEP_NAMES: Names<MonthStepKey> = {
  drawer: 'Drawer counted',
  slips: 'Checks at the bank',
  statement: 'Bank statement',
  unbilled: 'Handed over, invoiced',
  held: 'Held money explained',
  tax: 'Tax',
  profit: 'Profit',
  closed: 'Period closed',
}

export const WEBHOOK_EVENT_NAMES: Names<WebhookEvent> = {
  paid: 'Paid',
  ordered: 'Ordered',
  'handed-over': 'Handed over',
}

export const WEBHOOK_STATE_NAMES: Names<(typeof WEBHOOK_STATES)[number]> = {
  waiting: 'Waiting',
  delivered: 'Delivered',
  failed: 'Failed',
}
