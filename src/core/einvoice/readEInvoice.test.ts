import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { ublCharge, ublInvoice, ublLine, ublTax, ublTotals } from '../../../tests/files/ubl'
import { sumMoney, toDecimalString } from '../money'
import { decodeXml } from '../xml'
import { readEInvoice } from './index'

const read = (text: string) => readEInvoice(text, 'USD')
const told = (text: string) => {
  const done = read(text)
  if (!done.ok) throw new Error(done.error.message)
  const { lines, net, tax, gross, ...rest } = done.value
  return {
    ...rest,
    lines: lines.map((l) => [l.description, l.quantity.toString(), toDecimalString(l.net), toDecimalString(l.tax)]),
    totals: [net, tax, gross].map(toDecimalString),
  }
}
const refused = (text: string) => {
  const done = read(text)
  return done.ok ? 'read' : `${done.error.path}: ${done.error.message}`
}

describe('a UBL 2.1 invoice', () => {
  test('is read with its lines, their tax, its supplier and days', () => {
    expect(told(ublInvoice({ order: 'O-2026-0003' }))).toEqual({
      number: 'GW-77',
      on: '2026-02-27',
      due: '2026-03-29',
      supplier: { name: 'Gutwerk Strings', taxId: '', iban: 'DE89370400440532013000' },
      order: 'O-2026-0003',
      lines: [
        ['Rosin & cloth', '4', '30.00', '3.00'],
        ['Carriage', '1', '10.00', '1.00'],
      ],
      totals: ['40.00', '4.00', '44.00'],
    })
  })

  test('an allowance is spread over its lines, a charge is a line, each rate has its tax', () => {
    const text = ublInvoice({
      lines: ublLine(1, 'Rosin', '4', '30.00', { percent: '20' }) + ublLine(2, 'Book', '1', '10.00', { percent: '5' }),
      charges: ublCharge(false, '4.00', 'Regular customer') + ublCharge(true, '8.00', 'Freight'),
      // 27.00 at 20 %, 9.00 at 5 %, 8.00 of freight at 10 %.
      tax: ublTax('6.65', [
        ['20', '5.40'],
        ['5', '0.45'],
        ['10', '0.80'],
      ]),
      totals: ublTotals('40.00', '44.00', '50.65'),
    })
    expect(told(text).lines).toEqual([
      ['Rosin', '4', '27.00', '5.40'],
      ['Book', '1', '9.00', '0.45'],
      ['Freight', '1', '8.00', '0.80'],
    ])
  })

  test.each([
    ['cut off', ublInvoice().slice(0, 900), 'no valid XML'],
    ['no XML', 'number;amount\n1;2', 'no valid XML'],
    [
      'with entities',
      ublInvoice({ head: '<!DOCTYPE x [<!ENTITY a SYSTEM "file:///etc/passwd">]>' }),
      'declares entities',
    ],
    ['another root', '<a/>', 'no e-invoice in UBL or CII'],
    ['a credit note', ublInvoice().replaceAll('Invoice', 'CreditNote'), 'a credit note'],
    ['of another format', ublInvoice({ root: 'urn:example:Invoice-9' }), 'another format'],
    ['of another version', ublInvoice().replace('>2.1<', '>2.3<'), 'version: This file is UBL 2.3'],
    ['in another currency', ublInvoice({ currency: 'EUR' }), 'currency: This invoice is in EUR'],
    ['an amount of another currency', ublInvoice().replace('"USD">30', '"GBP">30'), 'is in GBP'],
    [
      'lines that do not add up',
      ublInvoice({ totals: ublTotals('41.00', '41.00', '45.00') }),
      'totals.lines: The sum of lines adds up to 40.00, but the file says 41.00',
    ],
    ['a net that does not', ublInvoice({ totals: ublTotals('40.00', '39.00', '43.00') }), 'totals.net'],
    ['a total that does not', ublInvoice({ totals: ublTotals('40.00', '40.00', '45.00') }), 'totals.gross'],
    [
      'what is payable does not',
      ublInvoice({ totals: ublTotals('40.00', '40.00', '44.00', '43.00') }),
      'totals.payable',
    ],
    [
      'an unknown unit',
      ublInvoice({ lines: ublLine(1, 'X', '1', '40.00', { unit: 'ZZZ' }) }),
      'lines.0.unit: The unit “ZZZ” of line 1 is not known',
    ],
    [
      'a unit called as what every object has',
      ublInvoice({ lines: ublLine(1, 'X', '1', '40.00', { unit: 'constructor' }) }),
      'lines.0.unit: The unit “constructor” of line 1 is not known',
    ],
    ['a quantity of none', ublInvoice({ lines: ublLine(1, 'X', '0', '40.00') }), 'lines.0.quantity'],
    [
      'a quantity in words',
      ublInvoice({ lines: ublLine(1, 'X', 'four', '40.00') }),
      'lines.0.quantity: The quantity of line 1 is “four”',
    ],
    ['below zero', ublInvoice({ lines: ublLine(1, 'X', '1', '-40.00') }), 'lines.0.amount'],
    ['half a cent', ublInvoice({ lines: ublLine(1, 'X', '1', '40.005') }), 'more places than USD has'],
    ['no lines', ublInvoice({ lines: ' ' }), 'lines: There is no line'],
    ['no number', ublInvoice({ id: '' }), 'number'],
    ['no such day', ublInvoice().replace('2026-02-27', '2026-02-30'), 'on: IssueDate'],
    ['more off than there is', ublInvoice({ charges: ublCharge(false, '41.00', 'x') }), 'charges'],
    [
      'tax on nothing',
      ublInvoice({ lines: ublLine(1, 'X', '1', '0.00'), totals: ublTotals('0.00', '0.00', '4.00') }),
      'tax: Tax stands',
    ],
  ])('%s is refused, and says why', (_, text, says) => expect(refused(text)).toContain(says))

  test('without a rate its tax is shared by all lines', () => {
    expect(told(ublInvoice({ tax: ublTax('4.00', []) })).lines.map((l) => l[3])).toEqual(['3.00', '1.00'])
  })

  test('adds up whatever it is made of', () => {
    const line = fc.tuple(
      fc.integer({ min: 1, max: 99 }),
      fc.integer({ min: 0, max: 9999 }),
      fc.constantFrom('5', '10', '20'),
    )
    const cents = (n: number) => (n / 100).toFixed(2)
    fc.assert(
      fc.property(fc.array(line, { minLength: 1, maxLength: 6 }), fc.nat(99), fc.nat(999), (lines, percent, charge) => {
        const sum = lines.reduce((all, [, net]) => all + net, 0)
        const off = Math.floor((sum * percent) / 100)
        const net = sum - off + charge
        const tax = net === 0 ? 0 : Math.round(net / 9)
        fc.pre(net + tax > 0)
        const text = ublInvoice({
          lines: lines
            .map(([n, l, rate], i) => ublLine(i + 1, `L${i}`, String(n), cents(l), { percent: rate }))
            .join(''),
          charges: ublCharge(false, cents(off), 'off') + ublCharge(true, cents(charge), 'on'),
          tax: ublTax(cents(tax), [['20', cents(Math.min(tax, 7))]]),
          totals: ublTotals(cents(sum), cents(net), cents(net + tax)),
        })
        const done = read(text)
        if (!done.ok) throw new Error(done.error.message)
        const { value } = done
        expect(
          sumMoney(
            value.lines.map((l) => l.net),
            'USD',
          ),
        ).toEqual(value.net)
        expect(
          sumMoney(
            value.lines.map((l) => l.tax),
            'USD',
          ),
        ).toEqual(value.tax)
        expect(value.lines.every((l) => l.net.minor >= 0n && l.tax.minor >= 0n)).toBe(true)
      }),
    )
  })
})

describe('a hostile file', () => {
  test.each([
    ['elements a million deep', '<a>'.repeat(1_000_000)],
    ['a million attributes', `<a ${'b="" '.repeat(200_000)}/>`],
    ['a name of a prototype', '<Invoice><__proto__><polluted>1</polluted></__proto__></Invoice>'],
    ['a million open brackets', '<'.repeat(1_000_000)],
  ])('%s is refused at once', (_, text) => {
    const before = performance.now()
    expect(refused(text)).not.toBe('read')
    expect(performance.now() - before).toBeLessThan(4000)
    expect(({} as { polluted?: string }).polluted).toBeUndefined()
  })

  test('is read in the letters it says it is in, and in no other', () => {
    const text = '<?xml version="1.0" encoding="ISO-8859-1"?><a>Größe</a>'
    expect(decodeXml(Uint8Array.from(text, (c) => c.charCodeAt(0)))).toBe(text)
    expect(decodeXml(new TextEncoder().encode('<a>ß</a>'))).toBe('<a>ß</a>')
    expect(decodeXml(Uint8Array.of(0xff, 0xfe, 0x3c, 0x00))).toContain('<')
    expect(decodeXml(Uint8Array.of(0x3c, 0xff))).toBeNull()
    expect(decodeXml(new TextEncoder().encode('<?xml version="1.0" encoding="EBCDIC-1"?><a/>'))).toBeNull()
  })
})
