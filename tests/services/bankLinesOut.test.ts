import { addBankAccount } from '@/services/bank/keepBankAccount'
import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { addBankRule, dropBankRule } from '@/services/bank/keepRule'
import { matchLine, unmatchLine } from '@/services/bank/matchLine'
import { closePeriod } from '@/services/books/closePeriod'
import { draftTaxReturn } from '@/services/books/taxReturn'
import { enterBill } from '@/services/buying/enterBill'
import { voidSupplierPayment } from '@/services/buying/paySupplier'
import { FORMAT, openBank, rowsOf } from './bankDesk'

let d: Awaited<ReturnType<typeof openBank>>
beforeEach(async () => {
  d = await openBank()
})
afterEach(() => d.s.close())

describe('a line that went out', () => {
  test('pays a bill, with what is let off for paying early', async () => {
    const bill = await d.s.answer(enterBill, {
      supplierId: d.supplier,
      on: '2026-03-05',
      theirNumber: 'GS-4711',
      lines: [{ accountId: await d.accountId('6000'), amount: '100.00' }],
    })
    // 2 % off within ten days.
    const one = await d.bring(rowsOf(0, [['2026-03-12', 'Gutwerk Strings GS-4711', -98]]))
    const [line] = one.lines
    const done = await d.take(one.id, line!.id)
    expect(done.settles).toMatchObject([{ kind: 'bill', amount: '98.00' }])
    expect([await d.holds('2000'), await d.holds('1020'), await d.holds('4120')]).toEqual([0n, -9_800n, -200n])
    const paymentId = done.settles[0]!.id!
    expect(await d.s.refusal(voidSupplierPayment, { paymentId, reason: 'x' })).toBe('is-on-statement')
    await d.s.run(unmatchLine, { lineId: line!.id })
    expect([await d.holds('2000'), await d.holds('1020')]).toEqual([-10_000n, 0n])
    expect(bill.id).toBeGreaterThan(0)
  })

  test('to a supplier pays their oldest bills first, early discounts taken; the rest is paid in advance', async () => {
    for (const [on, theirNumber, amount] of [
      ['2026-03-06', 'GS-2', '50.00'],
      ['2026-03-05', 'GS-1', '100.00'],
    ])
      await d.s.run(enterBill, {
        supplierId: d.supplier,
        on,
        theirNumber: theirNumber!,
        lines: [{ accountId: await d.accountId('6000'), amount: amount! }],
      })
    const one = await d.bring(
      rowsOf(0, [
        ['2026-03-12', 'ONLINE TRANSFER 77', -200],
        ['2026-03-12', 'DEPOSIT 12', 200],
      ]),
    )
    const [out, into] = one.lines.map((l) => l.id)
    const settles = [{ kind: 'supplier' as const, id: d.supplier, amount: '200.00' }]
    expect(await d.s.refusal(matchLine, { lineId: into!, settles })).toBe('invalid')
    expect(await d.s.refusal(matchLine, { lineId: out!, settles: [{ ...settles[0]!, id: 99 }] })).toBe('not-found')
    const done = await d.s.answer(matchLine, { lineId: out!, settles })
    expect(done.settles).toMatchObject([{ kind: 'supplier', amount: '200.00' }])
    // 2 % of both are let off: 98.00 and 49.00 are paid, 53.00 are ahead.
    const standing = async () => [
      await d.holds('2000'),
      await d.holds('4120'),
      await d.holds('1020'),
      await d.holds('1310'),
    ]
    expect(await standing()).toEqual([0n, -300n, -20_000n, 5_300n])
    await d.s.run(unmatchLine, { lineId: out! })
    expect(await standing()).toEqual([-15_000n, 0n, 0n, 0n])
    expect(await d.s.ties()).toEqual([])
  })

  test('is an expense with the tax in it, learned for the next time', async () => {
    const power = await d.accountId('6010')
    const one = await d.bring(rowsOf(0, [['2026-03-12', 'POWER CO 02/26', -54.13]]))
    await d.s.run(matchLine, {
      lineId: one.lines[0]!.id,
      settles: [{ kind: 'account', accountId: power, amount: '54.13', taxCode: 'STD' }],
    })
    // 54.13 ÷ 1.0825 = 50.00.
    expect([await d.holds('6010'), await d.holds('1300'), await d.holds('1020')]).toEqual([5_000n, 413n, -5_413n])
    const tax = await d.s.answer(draftTaxReturn, { from: '2026-03-01', through: '2026-03-20' })
    expect(tax.rows.map((r) => [r.side, r.net, r.tax])).toEqual([['purchases', '50.00', '4.13']])
    const two = await d.bring(rowsOf(-54.13, [['2026-03-18', 'POWER CO 03/26', -60]]))
    expect(await d.proposals(two.id)).toMatchObject([
      { degree: 0.8, settles: [{ kind: 'account', accountId: power, amount: '60.00', taxCode: 'STD' }] },
    ])
    await d.s.run(unmatchLine, { lineId: one.lines[0]!.id })
    expect([await d.holds('6010'), await d.holds('1300')]).toEqual([0n, 0n])
    expect((await d.s.answer(draftTaxReturn, { from: '2026-03-01', through: '2026-03-20' })).totals.due).toBe('0.00')
  })

  test('is remembered with its text, or nothing of it is kept', async () => {
    const accountId = await d.accountId('6110')
    const one = await d.bring(
      rowsOf(0, [
        ['2026-03-10', 'ACCOUNT FEE 02', -4],
        ['2026-03-11', 'ACCOUNT FEE 03', -5],
      ]),
    )
    const [first, second] = one.lines.map((l) => l.id)
    const of = (amount: string) => ({ kind: 'account' as const, accountId, amount })
    expect(
      await d.s.refusal(matchLine, { lineId: first!, settles: [of('3.00'), of('1.00')], always: 'account fee' }),
    ).toBe('invalid')
    expect([await d.holds('6110'), (await d.statement(one.id)).lines[0]!.state]).toEqual([0n, 'open'])
    await d.s.run(matchLine, { lineId: first!, settles: [of('4.00')], always: 'account fee' })
    // The same text means one thing only: the second is refused whole.
    expect(await d.s.refusal(matchLine, { lineId: second!, settles: [of('5.00')], always: 'Account Fee' })).toBe(
      'taken',
    )
    expect(await d.holds('6110')).toBe(400n)
    const two = await d.bring(rowsOf(-9, [['2026-03-12', 'ACCOUNT FEE 04', -6]]))
    expect(two.lines.map((l) => l.state)).toEqual(['settled'])
    expect(await d.holds('6110')).toBe(1_000n)
  })

  test('is posted by a rule of the owner, but not in a closed month', async () => {
    const account = await d.accountId('6110')
    const rule = await d.s.answer(addBankRule, { contains: 'account fee', accountId: account, always: true })
    expect(await d.s.refusal(addBankRule, { contains: 'ACCOUNT FEE', accountId: account })).toBe('taken')
    expect(await d.s.refusal(addBankRule, { contains: 'x', accountId: await d.accountId('1100') })).toBe('invalid')
    await d.s.run(closePeriod, { through: '2026-02-28' })
    const one = await d.bring(
      rowsOf(0, [
        ['2026-02-27', 'Account fee', -4],
        ['2026-03-10', 'Account fee', -5],
      ]),
    )
    expect(one.lines.map((l) => l.state)).toEqual(['open', 'settled'])
    expect(await d.holds('6110')).toBe(500n)
    const settles = [{ kind: 'account' as const, accountId: account, amount: '4.00' }]
    expect(await d.s.refusal(matchLine, { lineId: one.lines[0]!.id, settles })).toBe('period-closed')
    await d.s.run(dropBankRule, { ruleId: rule.id })
  })

  test('of another account of ours is no news on that account’s own statement', async () => {
    const savings = await d.s.answer(addBankAccount, { name: 'Savings', format: FORMAT })
    const rule = { contains: 'to savings', accountId: savings.accountId, always: true }
    const { id: ruleId } = (await d.s.answer(addBankRule, rule))!
    const came = await d.bring(rowsOf(0, [['2026-03-11', 'To savings', 200]]), savings.id)
    expect(came.lines.map((l) => l.state)).toEqual(['open'])
    const went = await d.bring(rowsOf(300, [['2026-03-11', 'To savings', -200]]))
    expect(went.lines.map((l) => l.state)).toEqual(['settled'])
    await d.s.run(dropBankRule, { ruleId })
  })
})
