import { describe, expect, test } from 'vitest'
import { ciiCharge, ciiInvoice, ciiLine, ciiTax, ciiTotals } from '../../../tests/files/cii'
import { ublCharge, ublInvoice, ublLine, ublTax, ublTotals } from '../../../tests/files/ubl'
import { toDecimalString } from '../money'
import { readEInvoice } from './index'

const told = (text: string) => {
  const done = readEInvoice(text, 'USD')
  if (!done.ok) return done.error
  const { lines, net, tax, gross, ...rest } = done.value
  return {
    ...rest,
    lines: lines.map((l) => ({
      ...l,
      quantity: l.quantity.toString(),
      net: toDecimalString(l.net),
      tax: toDecimalString(l.tax),
      taxPercent: l.taxPercent?.toString(),
    })),
    totals: [net, tax, gross].map(toDecimalString),
  }
}

describe('the same invoice in both syntaxes of the norm', () => {
  test('says the same; in CII, the number of its tax too', () => {
    const cii = told(ciiInvoice())
    expect(cii).toMatchObject({
      number: 'GW-77',
      on: '2026-02-27',
      due: '2026-03-29',
      supplier: { name: 'Gutwerk Strings', taxId: 'DE123456789', iban: 'DE89370400440532013000' },
      totals: ['40.00', '4.00', '44.00'],
    })
    expect(cii).toEqual({
      ...told(ublInvoice()),
      supplier: { name: 'Gutwerk Strings', taxId: 'DE123456789', iban: 'DE89370400440532013000' },
    })
  })

  // 50.00 of lines less 5.00, 8.00 of freight: 53.00, 3.00 paid already.
  const lines = (line: typeof ublLine) =>
    line(1, 'Strings', '2.5', '30.00', { unit: 'MTR', percent: '10' }) +
    line(2, 'Books', '1', '20.00', { percent: '5' })
  test.each([
    [
      'an allowance, a charge and two rates',
      ublInvoice({
        lines: lines(ublLine),
        charges: ublCharge(false, '5.00', 'Rebate') + ublCharge(true, '8.00', 'Freight'),
        tax: ublTax('4.40', [
          ['10', '3.50'],
          ['5', '0.90'],
        ]),
        totals: ublTotals(
          '50.00',
          '53.00',
          '57.40',
          '54.40',
          '<cbc:PrepaidAmount currencyID="USD">3.00</cbc:PrepaidAmount>',
        ),
      }),
      ciiInvoice({
        lines: lines(ciiLine),
        charges: ciiCharge(false, '5.00', 'Rebate') + ciiCharge(true, '8.00', 'Freight'),
        taxes: ciiTax([
          ['10', '3.50'],
          ['5', '0.90'],
        ]),
        totals: ciiTotals(
          '50.00',
          '53.00',
          '4.40',
          '57.40',
          '54.40',
          '<ram:TotalPrepaidAmount>3.00</ram:TotalPrepaidAmount>',
        ),
      }),
    ],
    ['an order', ublInvoice({ order: 'PO-2026-0004' }), ciiInvoice({ order: 'PO-2026-0004' })],
    // What the books keep in dollars another total says once more in euros.
    [
      'tax in two currencies',
      ublInvoice(),
      ciiInvoice({
        totals: ciiTotals(
          '40.00',
          '40.00',
          '4.00',
          '44.00',
          '44.00',
          '<ram:TaxTotalAmount currencyID="EUR">3.70</ram:TaxTotalAmount>',
        ),
      }),
    ],
    // What is wrong with one is wrong with the other, and is said in the same words.
    ['another currency', ublInvoice({ currency: 'EUR' }), ciiInvoice({ currency: 'EUR' })],
    ['no lines', ublInvoice({ lines: ' ' }), ciiInvoice({ lines: ' ' })],
    [
      'an unknown unit',
      ublInvoice({ lines: ublLine(1, 'X', '1', '40.00', { unit: 'QQQ' }) }),
      ciiInvoice({ lines: ciiLine(1, 'X', '1', '40.00', { unit: 'QQQ' }) }),
    ],
    [
      'a total that does not add up',
      ublInvoice({ totals: ublTotals('40.00', '40.00', '45.00') }),
      ciiInvoice({ totals: ciiTotals('40.00', '40.00', '4.00', '45.00') }),
    ],
    [
      'half a cent',
      ublInvoice({ lines: ublLine(1, 'X', '1', '40.005') }),
      ciiInvoice({ lines: ciiLine(1, 'X', '1', '40.005') }),
    ],
  ])('%s', (_, ubl, cii) => {
    const [a, b] = [told(ubl), told(cii)]
    expect({ ...b, ...('supplier' in b && 'supplier' in a ? { supplier: a.supplier } : {}) }).toEqual(a)
  })
})

describe('what is no bill', () => {
  test.each([
    ['a credit note', ciiInvoice({ type: '381' }), 'This is a credit note. Enter it on the bill it credits.'],
    [
      'an invoice of an older format',
      ciiInvoice().replaceAll('CrossIndustryInvoice:100', 'CrossIndustryInvoice:1p0'),
      'This is no e-invoice in UBL or CII. Type this bill by hand.',
    ],
    ['a day in another form', ciiInvoice({ issued: '27.02.2026' }), 'IssueDate is “27.02.2026”, which is no day.'],
  ])('%s is refused with a sentence', (_, text, says) => {
    const read = told(text)
    expect('message' in read && read.message).toContain(says)
  })

  test('an invoice without tax has none', () => {
    const free = ciiInvoice({ taxes: ciiTax([['0', '0.00']]), totals: ciiTotals('40.00', '40.00', '0.00', '40.00') })
    expect(told(free)).toMatchObject({ totals: ['40.00', '0.00', '40.00'] })
  })
})
