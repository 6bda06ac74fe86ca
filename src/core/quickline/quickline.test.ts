import { afterEach, describe, expect, test } from 'vitest'
import { EN_US, localeOf, writeAs } from '../locale'
import { readQuickLine } from './index'

test.each([
  ['take 250 cash from Adair', { verb: 'take', amount: '250', method: 'cash', who: 'Adair' }],
  ['Take 12*45 from  Hazel Adair', { verb: 'take', amount: '540', method: 'cash', who: 'Hazel Adair' }],
  ['take 99.50 transfer from Wick', { verb: 'take', amount: '99.5', method: 'transfer', who: 'Wick' }],
  [
    'estimate Adair: 2 rosin, 1 rehair',
    {
      verb: 'estimate',
      who: 'Adair',
      lines: [
        { quantity: '2', what: 'rosin' },
        { quantity: '1', what: 'rehair' },
      ],
    },
  ],
  ['order Wick: cello case', { verb: 'order', who: 'Wick', lines: [{ quantity: '1', what: 'cello case' }] }],
  ['estimate Adair', { verb: 'estimate', who: 'Adair', lines: [] }],
  ['order for Forster: bow', { verb: 'order', who: 'Forster', lines: [{ quantity: '1', what: 'bow' }] }],
  ['take nothing from Adair', { verb: 'find', text: 'take nothing from Adair' }],
  ['agree 1042', { verb: 'agree', sale: '1042' }],
  ['Accept 1042', { verb: 'agree', sale: '1042' }],
  ['invoice 1042', { verb: 'bill', sale: '1042' }],
  ['email 1042', { verb: 'mail', sale: '1042' }],
  ['take 20 check from Wick', { verb: 'take', amount: '20', method: 'cheque', who: 'Wick' }],
  ['Hand over 1042', { verb: 'hand over', sale: '1042' }],
  ['decline 1042: too dear', { verb: 'decline', sale: '1042', reason: 'too dear' }],
  ['customer Ines Marlowe ines@mail.example', { verb: 'customer', name: 'Ines Marlowe', email: 'ines@mail.example' }],
  ['customer Ines', { verb: 'customer', name: 'Ines', email: '' }],
  ['remind Hazel Adair', { verb: 'remind', who: 'Hazel Adair' }],
  ['bill the school', { verb: 'find', text: 'bill the school' }],
  ['2026-0147', { verb: 'find', text: '2026-0147' }],
])('%s', (typed, intent) => {
  expect(readQuickLine(typed)).toEqual(intent)
})

describe('counts in a line', () => {
  afterEach(() => writeAs(EN_US))
  test.each([
    ['en-US', '1,500 screws, 2 rosin,3 x strings', '1500 screws | 2 rosin | 3 strings'],
    ['en-US', '1.5 set-up, 12,000 tacks', '1.5 set-up | 12000 tacks'],
    ['en-US', '2 rosin,1,500 screws', '2 rosin | 1500 screws'],
    ['en-IN', '1,00,000 tacks, bow', '100000 tacks | 1 bow'],
    ['de-DE', '1.500 Schrauben, 2,5 Saite', '1500 Schrauben | 2.5 Saite'],
    ['de-DE', '3 Harz,2,5 Saite, 1.250,5 Leim', '3 Harz | 2.5 Saite | 1250.5 Leim'],
    ['de-CH', '1’500 Schrauben, 2 X Harz', '1500 Schrauben | 2 Harz'],
    // What is no count belongs to the name.
    ['en-US', '4/4 violin, 3/4 cello case', '1 4/4 violin | 1 3/4 cello case'],
    ['de-DE', '4/4 Geige, A440,2 Gabel', '1 4/4 Geige | 1 A440 | 2 Gabel'],
  ])('are read as %s writes them: %s', (locale, things, said) => {
    writeAs(localeOf(locale))
    const read = readQuickLine(`order Wick: ${things}`)
    expect('lines' in read && read.lines.map((l) => `${l.quantity} ${l.what}`).join(' | ')).toBe(said)
  })
})
