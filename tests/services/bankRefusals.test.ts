import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { addBankAccount } from '@/services/bank/keepBankAccount'
import { matchLine } from '@/services/bank/matchLine'
import { takeReceipt } from '@/services/money/takeReceipt'
import { openBank, rowsOf } from './bankDesk'

let d: Awaited<ReturnType<typeof openBank>>
beforeEach(async () => {
  d = await openBank()
})
afterEach(() => d.s.close())

describe('money between own accounts', () => {
  test('is seen on both and posted once', async () => {
    const savings = await d.s.answer(addBankAccount, { name: 'Savings', format: d.bank.format! })
    expect(savings.accountId).not.toBe(d.bank.accountId)
    const out = await d.bring(rowsOf(500, [['2026-03-10', 'To savings', -200]]))
    const into = await d.bring(rowsOf(0, [['2026-03-11', 'From house bank', 200]]), savings.id)
    expect((await d.proposals(out.id))[0]).toMatchObject({
      settles: [{ kind: 'transfer', accountId: savings.accountId }],
    })
    await d.take(out.id, out.lines[0]!.id)
    const [other] = await d.proposals(into.id)
    expect(other!.settles).toMatchObject([{ kind: 'entry', amount: '200.00' }])
    await d.take(into.id, into.lines[0]!.id)
    expect(await d.holds('1020')).toBe(-20_000n)
    expect((await d.statement(into.id)).difference).toBe('0.00')
  })
})

describe('what does not fit', () => {
  test('is refused, and nothing is posted', async () => {
    const invoice = await d.invoice('2026-03-05', '100.00')
    const one = await d.bring(
      rowsOf(0, [
        ['2026-03-11', 'X', 90],
        ['2026-03-12', 'Y', -10],
      ]),
    )
    const [came, went] = one.lines.map((l) => l.id)
    const due = { kind: 'due' as const, id: invoice.dues[0]!.id, amount: '100.00' }
    const refusal = (lineId: number | undefined, ...settles: object[]) => d.s.refusal(matchLine, { lineId, settles })
    expect(await refusal(came, due)).toBe('settles-differ')
    expect(await refusal(came, { ...due, kind: 'bill', amount: '90.00' })).toBe('invalid')
    expect(await refusal(went, { ...due, amount: '10.00' })).toBe('invalid')
    expect(await refusal(came, { ...due, id: 9999, amount: '90.00' })).toBe('not-found')
    expect(await refusal(came, { kind: 'receipt', amount: '90.00' })).toBe('invalid')
    expect(await refusal(came, { kind: 'receipt', id: 77, amount: '90.00' })).toBe('not-found')
    expect(await refusal(came, { kind: 'account', accountId: await d.accountId('1100'), amount: '90.00' })).toBe(
      'invalid',
    )
    expect(await refusal(came, { kind: 'account', accountId: await d.accountId('1020'), amount: '90.00' })).toBe(
      'invalid',
    )
    expect(await refusal(9999, { kind: 'account', accountId: 1, amount: '90.00' })).toBe('not-found')
    const receipt = await d.s.answer(takeReceipt, {
      customerId: d.s.customer,
      method: 'transfer',
      amount: '50.00',
      on: '2026-03-11',
    })
    // More than the receipt is, and money that went the other way.
    expect(await refusal(came, { kind: 'receipt', id: receipt.id, amount: '90.00' })).toBe('not-on-account')
    expect((await d.proposals(one.id)).filter((p) => p.degree >= 0.5)).toEqual([])
    expect(await d.holds('1020')).toBe(5_000n)
  })
})
