import { addMoney, isZeroMoney, negateMoney, subtractMoney, sumMoney, zeroMoney, type Money } from '../money'
import { rowsBy } from '../rowsBy'
import type { AccountKind, AccountRole } from './accounts'
import { inDebit, type AccountSum, type ReportRow } from './reports'

const CASH_ROLES: ReadonlySet<string> = new Set<AccountRole>(['drawer', 'cheques', 'bank', 'card-clearing'])

/**
 * Whether an account is cash by what it is for; the account of every bank account is cash, too.
 *
 * @example drawer → true; receivables, and an account without a role → false
 */
export const isCashRole = (role?: string | null): boolean => CASH_ROLES.has(role ?? '')

export const CASH_PARTS = ['operating', 'investing', 'financing'] as const
export type CashPart = (typeof CASH_PARTS)[number]

interface Account {
  readonly kind: AccountKind
  readonly role: AccountRole | null
}

/**
 * What money that went over an account was for: trade; things that stay, such as tools; the owner and lenders. Accounts that
 * documents and tax keep have a role, so that an asset or a liability without one is the owner's own.
 *
 * @example cashPartOf({ kind: 'asset', role: 'receivables' }) // operating
 * @example cashPartOf({ kind: 'asset', role: null }) // investing
 * @example cashPartOf({ kind: 'liability', role: null }) // financing
 */
export const cashPartOf = ({ kind, role }: Account): CashPart => {
  if (kind === 'equity') return 'financing'
  if (role !== null || kind === 'income' || kind === 'expense') return 'operating'
  return kind === 'asset' ? 'investing' : 'financing'
}

/** What moved on an account in entries that moved cash, too: one of several for the same account, or all of it. */
export interface CashMove extends AccountSum {
  readonly role: AccountRole | null
}

/** An account that is cash: what it held before a span, and at its end. */
export interface CashHeld {
  readonly id: number
  readonly code: string
  readonly name: string
  readonly opening: Money
  readonly closing: Money
}

export interface CashFlow {
  /** By account what came in, negative what went out; accounts at zero are left out. */
  readonly parts: Readonly<Record<CashPart, { readonly rows: readonly ReportRow[]; readonly total: Money }>>
  /** What came in less what went out. */
  readonly change: Money
  readonly opening: Money
  readonly closing: Money
  readonly held: readonly CashHeld[]
  /** Closing less opening less change: always zero. */
  readonly difference: Money
}

/**
 * Where cash came from and went, directly from the accounts on the other side of it. Since each entry balances, what its other lines
 * say in credit is what came in.
 *
 * @example 500.00 received for an invoice, 80.00 of rent paid → receivables 500.00, rent −80.00, change 420.00
 */
export const cashFlow = (moves: readonly CashMove[], held: readonly CashHeld[], currency: string): CashFlow => {
  const byAccount = [...rowsBy(moves, (m) => m.id).values()]
  const part = (wanted: CashPart) => {
    const rows = byAccount
      .flatMap((of): ReportRow[] => {
        const [m] = of
        if (!m || cashPartOf(m) !== wanted) return []
        const amount = sumMoney(
          of.map((one) => negateMoney(inDebit(one))),
          currency,
        )
        return [{ id: m.id, code: m.code, name: m.name, amount }]
      })
      .filter((r) => !isZeroMoney(r.amount))
    return {
      rows,
      total: sumMoney(
        rows.map((r) => r.amount),
        currency,
      ),
    }
  }
  const parts = { operating: part('operating'), investing: part('investing'), financing: part('financing') }
  const change = CASH_PARTS.reduce((sum, p) => addMoney(sum, parts[p].total), zeroMoney(currency))
  const sumAt = (at: 'opening' | 'closing'): Money =>
    sumMoney(
      held.map((h) => h[at]),
      currency,
    )
  const [opening, closing] = [sumAt('opening'), sumAt('closing')]
  const difference = subtractMoney(subtractMoney(closing, opening), change)
  return { parts, change, opening, closing, held, difference }
}
