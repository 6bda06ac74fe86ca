import type { ACCOUNT_KINDS } from '../kinds'

/** Asset and expense accounts usually stand in debit, the others in credit. */
export type AccountKind = (typeof ACCOUNT_KINDS)[number]

/** What an account is for. A posting names a role; the business decides which account plays it. Each role is played once. */
export const ROLES = [
  'drawer',
  'cheques',
  'bank',
  'card-clearing',
  'receivables',
  'set-off',
  'stock',
  'tax-on-purchases',
  'paid-ahead',
  'payables',
  'received-not-billed',
  'customer-deposits',
  'layaway-deposits',
  'on-account',
  'billed-ahead',
  'unearned-charges',
  'tax-due',
  'tax-on-deposits',
  'owner-capital',
  'retained-earnings',
  'opening-balances',
  'sales',
  'work',
  'charges',
  'sales-returns',
  'sales-discounts',
  'purchase-discounts',
  'charge-income',
  'late-charges',
  'cancellation-fees',
  'cost-of-goods-sold',
  'stock-adjustments',
  'card-fees',
  'bank-fees',
  'bad-debts',
  'over-short',
  'rounding',
] as const
export type AccountRole = (typeof ROLES)[number]

/** Accounts that papers alone keep: an own entry there would part them from what they sum. */
const KEPT_BY_PAPERS: ReadonlySet<AccountRole> = new Set<AccountRole>([
  'receivables',
  'set-off',
  'stock',
  'paid-ahead',
  'payables',
  'received-not-billed',
  'customer-deposits',
  'layaway-deposits',
  'on-account',
  'billed-ahead',
  'unearned-charges',
  'tax-on-deposits',
])

/**
 * Whether papers alone keep an account.
 *
 * @example stock → true; rent, which has no role → false
 */
export const isKeptByPapers = ({ role }: { readonly role: AccountRole | null }): boolean =>
  role !== null && KEPT_BY_PAPERS.has(role)

interface Merged {
  readonly kind: AccountKind
  readonly role: AccountRole | null
  readonly hidden: boolean
}

/**
 * Whether an account of the owner's own may be merged into another one: of the same type, still offered, and not one whose
 * balance is the sum of documents, cash or a bank.
 *
 * @example rent into insurance → true; into cost of goods sold → true; a loan into payables → false
 */
export const mayTakeIn = (from: Merged, into: Merged): boolean =>
  into.kind === from.kind && !into.hidden && (into.role === null || into.kind === 'income' || into.kind === 'expense')

export interface ChartAccount {
  readonly code: string
  readonly name: string
  readonly kind: AccountKind
  readonly role?: AccountRole
}

/** The chart a new business starts with: every role, and the everyday accounts an owner needs for their own entries. */
export const STARTING_CHART: readonly ChartAccount[] = [
  { code: '1000', name: 'Cash in the drawer', kind: 'asset', role: 'drawer' },
  { code: '1010', name: 'Checks on hand', kind: 'asset', role: 'cheques' },
  { code: '1020', name: 'Bank', kind: 'asset', role: 'bank' },
  { code: '1030', name: 'Card payments in transit', kind: 'asset', role: 'card-clearing' },
  { code: '1100', name: 'Accounts receivable', kind: 'asset', role: 'receivables' },
  { code: '1110', name: 'Set off between customers and suppliers', kind: 'asset', role: 'set-off' },
  { code: '1200', name: 'Stock', kind: 'asset', role: 'stock' },
  { code: '1300', name: 'Tax paid on purchases', kind: 'asset', role: 'tax-on-purchases' },
  { code: '1310', name: 'Paid in advance to suppliers', kind: 'asset', role: 'paid-ahead' },
  { code: '1500', name: 'Tools and equipment', kind: 'asset' },
  { code: '2000', name: 'Accounts payable', kind: 'liability', role: 'payables' },
  { code: '2010', name: 'Goods received, not invoiced', kind: 'liability', role: 'received-not-billed' },
  { code: '2100', name: 'Held for customers: deposits', kind: 'liability', role: 'customer-deposits' },
  { code: '2110', name: 'Held for customers: layaway', kind: 'liability', role: 'layaway-deposits' },
  { code: '2120', name: 'Held for customers: on account', kind: 'liability', role: 'on-account' },
  { code: '2150', name: 'Deferred revenue (invoiced, not handed over)', kind: 'liability', role: 'billed-ahead' },
  { code: '2160', name: 'Unearned finance charges', kind: 'liability', role: 'unearned-charges' },
  { code: '2200', name: 'Sales tax payable', kind: 'liability', role: 'tax-due' },
  { code: '2290', name: 'Tax on deposits', kind: 'asset', role: 'tax-on-deposits' },
  { code: '3000', name: 'Owner’s capital', kind: 'equity', role: 'owner-capital' },
  { code: '3100', name: 'Owner’s drawings', kind: 'equity' },
  { code: '3200', name: 'Retained earnings', kind: 'equity', role: 'retained-earnings' },
  { code: '3900', name: 'Opening balances', kind: 'equity', role: 'opening-balances' },
  { code: '4000', name: 'Sales of goods', kind: 'income', role: 'sales' },
  { code: '4010', name: 'Work and repairs', kind: 'income', role: 'work' },
  { code: '4020', name: 'Delivery and other charges', kind: 'income', role: 'charges' },
  { code: '4030', name: 'Rental', kind: 'income' },
  { code: '4100', name: 'Sales returns', kind: 'income', role: 'sales-returns' },
  { code: '4110', name: 'Discounts for early payment', kind: 'income', role: 'sales-discounts' },
  { code: '4120', name: 'Discounts from suppliers', kind: 'income', role: 'purchase-discounts' },
  { code: '4200', name: 'Installment charges earned', kind: 'income', role: 'charge-income' },
  { code: '4210', name: 'Late fees', kind: 'income', role: 'late-charges' },
  { code: '4220', name: 'Cancellation fees', kind: 'income', role: 'cancellation-fees' },
  { code: '5000', name: 'Cost of goods sold', kind: 'expense', role: 'cost-of-goods-sold' },
  { code: '5100', name: 'Stock adjustments', kind: 'expense', role: 'stock-adjustments' },
  { code: '6000', name: 'Rent', kind: 'expense' },
  { code: '6010', name: 'Utilities and telephone', kind: 'expense' },
  { code: '6020', name: 'Small tools and supplies', kind: 'expense' },
  { code: '6030', name: 'Insurance', kind: 'expense' },
  { code: '6100', name: 'Card fees', kind: 'expense', role: 'card-fees' },
  { code: '6110', name: 'Bank fees', kind: 'expense', role: 'bank-fees' },
  { code: '6200', name: 'Bad debts', kind: 'expense', role: 'bad-debts' },
  { code: '6300', name: 'Cash over and short', kind: 'expense', role: 'over-short' },
  { code: '6310', name: 'Cash rounding', kind: 'expense', role: 'rounding' },
]
