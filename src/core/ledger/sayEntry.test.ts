import { expect, test } from 'vitest'
import { money } from '../money'
import { sayEntry, sayLine, type AccountKind, type AccountRole } from './index'

const line = (account: string, kind: AccountKind, role: AccountRole | null, minor: bigint) => ({
  account,
  kind,
  role,
  amount: money(minor, 'USD'),
})

test('a deposit in plain words: the money is there, and it is theirs', () => {
  const said = sayEntry([
    line('Bank', 'asset', 'bank', 31_176n),
    line('Deposits', 'liability', 'customer-deposits', -31_176n),
  ])
  expect(said).toBe('311.76 more in Bank; 311.76 more is held for customers: theirs until it is earned.')
})
test('a bill: owed, earned, and owed to the tax office', () => {
  const said = sayEntry([
    line('Owed', 'asset', 'receivables', 10_825n),
    line('Work', 'income', 'work', -10_000n),
    line('Sales tax', 'liability', null, -825n),
  ])
  expect(said).toBe('Customers owe 108.25 more; 100.00 earned: Work; you owe 8.25 more: Sales tax.')
})
test('an entry without lines says nothing', () => {
  expect(sayEntry([])).toBe('')
})

test.each([
  [
    'liability',
    'on-account',
    '1.00 less is held for customers',
    '1.00 more is held for customers: theirs until it is earned',
  ],
  [
    'liability',
    'unearned-charges',
    '1.00 of finance charge is now income',
    '1.00 of finance charge is owed, but not earned yet',
  ],
  [
    'liability',
    'billed-ahead',
    '1.00 less is invoiced ahead of handover',
    '1.00 invoiced before the goods went: not income yet',
  ],
  ['asset', 'receivables', 'customers owe 1.00 more', 'customers owe 1.00 less'],
  ['asset', null, '1.00 more in X', '1.00 less in X'],
  ['liability', null, 'you owe 1.00 less: X', 'you owe 1.00 more: X'],
  ['equity', 'owner-capital', 'owner’s equity down 1.00: X', 'owner’s equity up 1.00: X'],
  ['income', 'sales', '1.00 taken off what you earned: X', '1.00 earned: X'],
  ['expense', 'rounding', '1.00 spent or lost: X', '1.00 less spent: X'],
] as const)('%s, %s: in debit “%s”, in credit “%s”', (kind, role, debit, credit) => {
  expect([100n, -100n].map((minor) => sayLine(line('X', kind, role, minor)))).toEqual([debit, credit])
})
