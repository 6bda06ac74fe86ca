import { expect, test } from 'vitest'
import { money } from '../money'
import { sayEntry, type AccountKind, type AccountRole } from './index'

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
