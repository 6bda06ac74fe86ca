import { expect, test } from 'vitest'
import { oneLess, oneMore, typedQuantity } from '@/ui/quantity'

test.each([
  ['2', '3', '1'],
  // Exactly: no binary fraction makes 0.10000000000000009 of it.
  ['1.1', '2.1', '0.1'],
  ['1', '2', '1'],
  ['0.5', '1.5', '0.5'],
  ['', '1', ''],
  ['two', '1', 'two'],
])('%j and one more is %s, one less %s', (typed, more, less) => {
  expect([oneMore(typed), oneLess(typed)]).toEqual([more, less])
})

test('what is no quantity yet counts for nothing', () => {
  expect(['2.5', '-1', '1e3', '1.', ''].map((typed) => typedQuantity(typed).toString())).toEqual([
    '2.5',
    '0',
    '0',
    '0',
    '0',
  ])
})
