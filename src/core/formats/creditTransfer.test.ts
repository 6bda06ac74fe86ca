import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { money } from '../money'
import { creditTransferText, formatIban, isIban } from './creditTransfer'

describe('an IBAN', () => {
  // Examples the standard's registry gives for each country.
  test.each(['DE89370400440532013000', 'GB29NWBK60161331926819', 'FR1420041010050500013M02606', 'NO9386011117947'])(
    '%s is one, and reads in groups of four',
    (iban) => {
      expect(isIban(iban)).toBe(true)
      expect(formatIban(iban).replace(/ /g, '')).toBe(iban)
      expect(
        formatIban(iban)
          .split(' ')
          .slice(0, -1)
          .every((g) => g.length === 4),
      ).toBe(true)
    },
  )
  test.each([
    '',
    'DE',
    'DE89 3704 0044 0532 0130 00',
    'de89370400440532013000',
    'DE8937040044053201300',
    '0089370400440532013000',
  ])('“%s” is none', (text) => expect(isIban(text)).toBe(false))
  test('with one digit mistyped is none any more', () => {
    const iban = 'DE89370400440532013000'
    fc.assert(
      fc.property(fc.integer({ min: 4, max: iban.length - 1 }), fc.integer({ min: 1, max: 9 }), (at, by) => {
        const digit = String((Number(iban[at]) + by) % 10)
        expect(isIban(iban.slice(0, at) + digit + iban.slice(at + 1))).toBe(false)
      }),
    )
  })
})

describe('a transfer for a banking app', () => {
  const about = { name: 'Tern Strings', iban: 'DE89370400440532013000', bic: 'COBADEFFXXX', about: 'Invoice 2026-0007' }
  test('says one fact a line, in the order of the standard', () => {
    expect(creditTransferText({ ...about, amount: money(1230n, 'EUR') })).toEqual({
      ok: true,
      value: 'BCD\n002\n1\nSCT\nCOBADEFFXXX\nTern Strings\nDE89370400440532013000\nEUR12.30\n\n\nInvoice 2026-0007',
    })
  })
  test.each([
    ['not-euro', { amount: money(1230n, 'USD') }],
    ['no-account', { amount: money(1230n, 'EUR'), iban: 'DE00' }],
    ['no-account', { amount: money(1230n, 'EUR'), name: ' ' }],
    ['amount', { amount: money(0n, 'EUR') }],
    ['amount', { amount: money(100_000_000_000n, 'EUR') }],
  ])('is none: %s', (error, change) => {
    expect(creditTransferText({ ...about, ...change })).toEqual({ ok: false, error })
  })
  test('always has eleven lines, however the name and the words are written', () => {
    fc.assert(
      fc.property(
        fc.string({ minLength: 1 }),
        fc.string(),
        fc.bigInt({ min: 1n, max: 99_999_999_999n }),
        (name, words, minor) => {
          const text = creditTransferText({ ...about, name, about: words, amount: money(minor, 'EUR') })
          if (text.ok) expect(text.value.split('\n')).toHaveLength(11)
          else expect(name.trim()).toBe('')
        },
      ),
    )
  })
})
