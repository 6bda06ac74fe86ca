import { present } from '@/core/present'
import { formatMoney, type Money } from '../money'
import type { AccountKind, AccountRole } from './accounts'

interface SaidLine {
  readonly account: string
  readonly kind: AccountKind
  readonly role: AccountRole | null
  readonly amount: Money
}

const HELD: readonly AccountRole[] = ['customer-deposits', 'layaway-deposits', 'on-account']

/**
 * What a line of an entry means, for somebody who does not think in debits and credits. Positive amounts are debits.
 *
 * @example credit of 120.00 on deposits → "120.00 more is held for customers: theirs until it is earned"
 */
export const sayLine = ({ account, kind, role, amount }: SaidLine): string => {
  const up = amount.minor > 0n
  const sum = formatMoney(up ? amount : { ...amount, minor: -amount.minor })
  if (role === 'receivables') return up ? `customers owe ${sum} more` : `customers owe ${sum} less`
  if (role && HELD.includes(role))
    return up ? `${sum} less is held for customers` : `${sum} more is held for customers: theirs until it is earned`
  if (role === 'unearned-charges')
    return up ? `${sum} of finance charge is now income` : `${sum} of finance charge is owed, but not earned yet`
  if (role === 'billed-ahead')
    return up ? `${sum} less is invoiced ahead of handover` : `${sum} invoiced before the goods went: not income yet`
  switch (kind) {
    case 'asset':
      return `${sum} ${up ? 'more' : 'less'} in ${account}`
    case 'liability':
      return `you owe ${sum} ${up ? 'less' : 'more'}: ${account}`
    case 'equity':
      return `owner’s equity ${up ? 'down' : 'up'} ${sum}: ${account}`
    case 'income':
      return up ? `${sum} taken off what you earned: ${account}` : `${sum} earned: ${account}`
    case 'expense':
      return up ? `${sum} spent or lost: ${account}` : `${sum} less spent: ${account}`
  }
}

/** A whole entry in one sentence. */
export const sayEntry = (lines: readonly SaidLine[]): string => {
  const said = lines.map(sayLine).join('; ')
  return said === '' ? '' : `${present(said[0]).toUpperCase()}${said.slice(1)}.`
}
