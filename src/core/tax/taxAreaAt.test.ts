import { describe, expect, test } from 'vitest'
import { pickTax, taxAreaAt } from './index'

const at = (text: string, taxArea: string, more: object = {}) => ({
  kind: 'deliver-to',
  text,
  taxArea,
  isDefault: false,
  ...more,
})
const THEIRS = [
  at('7 Mill Lane', 'MILL', { kind: 'bill-to', isDefault: true }),
  at('1 Near Road', ''),
  at('2 Far Road\nOuterton', 'OUT', { isDefault: true }),
  at('3 Isle Street', 'ISLE'),
]

describe('the tax area of where something goes', () => {
  test.each([
    ['an address on file', '3 Isle Street', 'ISLE'],
    ['one that lies in none', '1 Near Road', ''],
    ['one in a field of a single line', '2 far road, Outerton', 'OUT'],
    ['none named: the usual one', '', 'OUT'],
    ['one nobody wrote down: the usual one', '9 Elsewhere', 'OUT'],
    ['where bills go, which is no place to deliver to', '7 Mill Lane', 'OUT'],
  ])('is that of %s', (_, deliverTo, area) => expect(taxAreaAt(THEIRS, deliverTo)).toBe(area))

  test('is that of the first address where none is the usual one, and none where there is none', () => {
    expect(
      taxAreaAt(
        THEIRS.slice(2).map((a) => ({ ...a, isDefault: false })),
        '',
      ),
    ).toBe('OUT')
    expect(taxAreaAt([], '3 Isle Street')).toBe('')
  })
})

describe('the tax of a line', () => {
  const code = (name: string, treatment: 'taxed' | 'zero' | 'exempt') => ({ name, treatment })
  const [own, named, byArea] = [code('STD', 'taxed'), code('LOW', 'taxed'), code('OUT', 'taxed')]
  const exempt = code('EXEMPT', 'exempt')
  const zero = code('ZERO', 'zero')
  test.each([
    ['its own', { own }, 'STD'],
    ['what the address picks', { own, byArea }, 'OUT'],
    ['its own where that charges nothing, wherever it goes', { own: zero, byArea }, 'ZERO'],
    ['what was chosen, wherever it goes', { own, byArea, named }, 'LOW'],
    ['none for who is exempt, whatever was chosen', { own, byArea, named, exempt }, 'EXEMPT'],
  ])('is %s', (_, of, name) => expect(pickTax(of).name).toBe(name))
})
