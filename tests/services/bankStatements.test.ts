import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { addBankAccount, changeBankAccount } from '@/services/bank/keepBankAccount'
import { finishStatement, matchLine, unmatchLine } from '@/services/bank/matchLine'
import { writeEntry } from '@/services/books/writeEntry'
import { takeReceipt } from '@/services/money/takeReceipt'
import { voidReceipt } from '@/services/money/voidReceipt'
import { bankSlip } from '@/services/till/toBank'
import { camt053, ofx } from '../files/statements'
import { openBank, rowsOf } from './bankDesk'

let d: Awaited<ReturnType<typeof openBank>>
beforeEach(async () => {
  d = await openBank()
})
afterEach(() => d.s.close())

describe('a statement', () => {
  test('is read once: what is known is told and not doubled, equal lines of one file are two', async () => {
    const text = rowsOf(100, [
      ['2026-03-10', 'Fee', -4.5],
      ['2026-03-10', 'Fee', -4.5],
    ])
    const one = await d.bring(text)
    expect([one.format, one.opening, one.closing, one.doubles, one.lines.length]).toEqual([
      'csv',
      '100.00',
      '91.00',
      0,
      2,
    ])
    expect(one.lines[0]).toMatchObject({ on: '2026-03-10', amount: '-4.50', text: 'Fee', state: 'open', settles: [] })
    // Nothing of it is in the books: 91.00 is the difference.
    expect(one.difference).toBe('91.00')
    const more = rowsOf(100, [
      ['2026-03-10', 'Fee', -4.5],
      ['2026-03-10', 'FEE', -4.5],
      ['2026-03-11', 'Adair', 20],
    ])
    const two = await d.bring(more)
    expect([two.doubles, two.lines.map((l) => l.text)]).toEqual([2, ['Adair']])
    expect((await d.bring(more)).doubles).toBe(3)
  })

  test('of another account, or whose columns nobody said, is refused, and nothing is kept', async () => {
    const other = await d.s.answer(addBankAccount, { name: 'Card', number: 'gb82 west 1234 5698 7654 32' })
    const numbered = await d.s.answer(addBankAccount, { name: 'Savings', number: '999' })
    expect(await d.refused(ofx(), numbered.id)).toBe('other-account')
    expect(await d.refused('a;b;c\n1;2;3\n', other.id)).toBe('columns-unknown')
    expect(await d.refused(camt053({ closing: '1.00' }), other.id)).toBe('statement-refused')
    expect(await d.refused('\u0001\u0002', other.id)).toBe('statement-refused')
    const camt = await d.bring(camt053(), other.id)
    expect([camt.format, camt.lines.map((l) => l.amount)]).toEqual(['camt.053', ['412.50', '-4.50']])
    // An account without a number takes that of its first statement.
    const third = await d.s.answer(addBankAccount, { name: 'Third' })
    await d.bring(ofx(), third.id)
    expect(await d.refused(camt053(), third.id)).toBe('other-account')
    await d.s.run(changeBankAccount, { bankAccountId: third.id, number: '' })
    await d.bring(camt053(), third.id)
  })

  test('is done when all is settled and its balance is the account’s; then it stays', async () => {
    const { id } = await d.s.answer(writeEntry, {
      on: '2026-03-02',
      text: 'Capital',
      lines: [
        { account: '1020', debit: '100.00' },
        { account: '3000', credit: '100.00' },
      ],
    })
    const one = await d.bring(
      rowsOf(0, [
        ['2026-03-02', 'Own money', 100],
        ['2026-03-10', 'Account fee', -4.5],
      ]),
    )
    const [capital, fee] = one.lines.map((l) => l.id)
    expect(await d.s.refusal(finishStatement, { statementId: one.id })).toBe('statement-not-done')
    expect((await d.take(one.id, capital!)).settles).toMatchObject([{ kind: 'entry', id, amount: '100.00' }])
    await d.s.run(matchLine, {
      lineId: fee!,
      settles: [{ kind: 'account', accountId: await d.accountId('6110'), amount: '4.50' }],
    })
    expect(await d.statement(one.id)).toMatchObject({ open: 0, difference: '0.00', done: false })
    await d.s.run(finishStatement, { statementId: one.id })
    expect(await d.s.refusal(unmatchLine, { lineId: fee! })).toBe('statement-is-done')
    expect(await d.s.refusal(finishStatement, { statementId: one.id })).toBe('statement-is-done')
  })
})

describe('a line that came in', () => {
  test('becomes a receipt for what it pays, and is undone on its own day', async () => {
    const invoice = await d.invoice('2026-03-05', '412.50')
    const one = await d.bring(rowsOf(0, [['2026-03-11', `ADAIR HAZEL ${invoice.number}`, 412.5]]))
    const [line] = one.lines
    const [first] = await d.proposals(one.id)
    expect(first).toMatchObject({ lineId: line!.id, degree: 0.98, settles: [{ kind: 'due', amount: '412.50' }] })
    const settled = await d.take(one.id, line!.id)
    expect(settled).toMatchObject({ state: 'settled', settles: [{ kind: 'due', amount: '412.50' }] })
    expect([await d.holds('1100'), await d.holds('1020'), await d.holds('1020', '2026-03-10')]).toEqual([
      0n,
      41_250n,
      0n,
    ])
    expect((await d.statement(one.id)).difference).toBe('0.00')
    const receiptId = settled.settles[0]!.id!
    expect(await d.s.refusal(voidReceipt, { receiptId, reason: 'x' })).toBe('is-on-statement')
    expect(await d.s.refusal(matchLine, { lineId: line!.id, settles: first!.settles })).toBe('line-is-settled')
    await d.s.run(unmatchLine, { lineId: line!.id })
    expect([await d.holds('1100', '2026-03-11'), await d.holds('1020', '2026-03-11')]).toEqual([41_250n, 0n])
    expect(await d.s.refusal(unmatchLine, { lineId: line!.id })).toBe('line-not-settled')
    // And once more: what was taken back on its own day is no candidate.
    expect((await d.proposals(one.id))[0]).toMatchObject({ settles: [{ kind: 'due' }] })
    await d.take(one.id, line!.id)
    expect(await d.s.ties()).toEqual([])
  })

  test('pays several invoices, an invoice in two, and leaves the rest on account', async () => {
    const [a, b] = [await d.invoice('2026-03-02', '50.00'), await d.invoice('2026-03-03', '30.00')]
    const one = await d.bring(
      rowsOf(0, [
        ['2026-03-10', 'Hazel Adair', 80],
        ['2026-03-12', 'Hazel Adair', 25],
      ]),
    )
    const [both, ahead] = one.lines.map((l) => l.id)
    const [first] = await d.proposals(one.id)
    expect(first!.settles).toEqual([
      { kind: 'due', id: a.dues[0]!.id, amount: '50.00' },
      { kind: 'due', id: b.dues[0]!.id, amount: '30.00' },
    ])
    await d.take(one.id, both!)
    await d.s.run(matchLine, { lineId: ahead!, settles: [{ kind: 'customer', id: d.s.customer, amount: '25.00' }] })
    expect([await d.holds('1100'), await d.holds('2120'), await d.holds('1020')]).toEqual([0n, -2_500n, 10_500n])
    const c = await d.invoice('2026-03-13', '60.00')
    const two = await d.bring(
      rowsOf(105, [
        ['2026-03-14', `part ${c.number}`, 20],
        ['2026-03-15', `rest ${c.number}`, 40],
      ]),
    )
    for (const { id } of two.lines) await d.take(two.id, id)
    expect(await d.holds('1100')).toBe(0n)
    expect((await d.statement(two.id)).difference).toBe('0.00')
    expect(await d.s.ties()).toEqual([])
  })

  test('of a customer pays the oldest first; a receipt counts once', async () => {
    await d.invoice('2026-03-02', '50.00')
    const b = await d.invoice('2026-03-03', '30.00')
    const { id: receiptId } = await d.s.answer(takeReceipt, {
      customerId: d.s.customer,
      method: 'transfer',
      amount: '20.00',
      on: '2026-03-05',
      for: [{ dueId: b.dues[0]!.id, amount: '20.00' }],
    })
    const one = await d.bring(
      rowsOf(0, [
        ['2026-03-10', 'Hazel Adair', 55],
        ['2026-03-11', 'Hazel Adair', 40],
      ]),
    )
    const [first, second] = one.lines.map((l) => l.id)
    await d.s.run(matchLine, { lineId: first!, settles: [{ kind: 'customer', id: d.s.customer, amount: '55.00' }] })
    // 50 for the older one, 5 of the 10 that are left on the other.
    expect([await d.holds('1100'), await d.holds('2120')]).toEqual([500n, 0n])
    const twice = [
      { kind: 'receipt' as const, id: receiptId, amount: '20.00' },
      { kind: 'receipt' as const, id: receiptId, amount: '20.00' },
    ]
    expect(await d.s.refusal(matchLine, { lineId: second!, settles: twice })).toBe('invalid')
    expect(await d.holds('1020')).toBe(7_500n)
  })

  test('is a receipt, a slip, a payout less its fee', async () => {
    const { s } = d
    await d.invoice('2026-03-02', '500.00')
    const take = (method: 'transfer' | 'card' | 'cheque', amount: string, on: string) =>
      s.answer(takeReceipt, { customerId: s.customer, method, amount, on })
    const transfer = await take('transfer', '100.00', '2026-03-04')
    await take('card', '60.00', '2026-03-05')
    await take('card', '40.00', '2026-03-05')
    const check = await take('cheque', '50.00', '2026-03-05')
    const onSlip = await take('cheque', '70.00', '2026-03-05')
    const slip = await s.answer(bankSlip, { on: '2026-03-06', cheques: [onSlip.id] })
    const one = await d.bring(
      rowsOf(0, [
        ['2026-03-05', 'TRANSFER', 100],
        ['2026-03-07', 'CARD PAYOUT', 97.1],
        ['2026-03-07', 'DEPOSIT', 70],
        ['2026-03-08', 'DEPOSIT', 50],
      ]),
    )
    const found = await d.proposals(one.id)
    expect(one.lines.map((l) => found.find((p) => p.lineId === l.id)!.settles[0]!.kind)).toEqual([
      'receipt',
      'card-takings',
      'banking-slip',
      'banking-slip',
    ])
    expect(found.find((p) => p.fee)).toMatchObject({ fee: '2.90', settles: [{ amount: '97.10' }] })
    for (const { id } of one.lines) await d.take(one.id, id)
    const settles = (await d.statement(one.id)).lines.map((l) => l.settles[0])
    expect(settles.map((x) => [x!.kind, x!.amount])).toEqual([
      ['receipt', '100.00'],
      ['card-takings', '97.10'],
      ['banking-slip', '70.00'],
      ['banking-slip', '50.00'],
    ])
    expect([await d.holds('1030'), await d.holds('1010'), await d.holds('6100')]).toEqual([0n, 0n, 290n])
    expect((await d.statement(one.id)).difference).toBe('0.00')
    expect([transfer.id, slip.id, check.id].every(Boolean)).toBe(true)
    // Undone, the check is on hand again, and the cards are on their way.
    await s.run(unmatchLine, { lineId: one.lines[3]!.id })
    await s.run(unmatchLine, { lineId: one.lines[1]!.id })
    expect([await d.holds('1030'), await d.holds('1010'), await d.holds('6100')]).toEqual([10_000n, 5_000n, 0n])
    await d.take(one.id, one.lines[1]!.id)
    expect(await s.ties()).toEqual([])
  })
})
