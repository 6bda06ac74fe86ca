import { render, screen, waitFor, within } from '@testing-library/react'
import { userEvent } from './hand'
import { describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import { Areas } from '@/ui/settings/Areas'
import { MoneyTermsForm } from '@/ui/settings/MoneyTermsForm'
import { TaxForm } from '@/ui/settings/TaxForm'
import { answerCalls, refuses, type Sent } from './calls'
import { choose, field, noteOf, press, tick, type } from './hands'
import { said } from './world'

const TODAY = day('2026-03-02')
const kept = { status: 200, body: {} }
const settingsSent = (sent: readonly Sent[]) => sent.findLast((s) => s.path === '/settings')?.body

describe('how money is promised', () => {
  const open = (change: object = {}) =>
    render(
      <MoneyTermsForm
        currency="USD"
        usual={{
          terms: { net: 30 },
          deposit: { percent: '40' },
          layaway: { firstPercent: '20', months: 4, every: { days: 14 }, fee: { amount: '12.00' } },
          installments: { count: 6, roundUpTo: 5 },
          late: { charge: { percent: '3' }, graceDays: 10 },
        }}
        ageLimits={[30, 60, 90]}
        reminderDays={[7, 21, 35]}
        bounceFee="15.00"
        stopSupplyDays={0}
        smallestCoin={5}
        taxOnDeposits={false}
        taxBackOnBadDebts
        {...change}
      />,
    )

  test('sends what was changed alone; of arrangements, what the form does not show stays as it was', async () => {
    const sent = answerCalls({ 'PATCH /settings': kept })
    open()
    await type('Payment due in (days)', '14')
    await tick('Sales tax is due when a deposit is received (not with the invoice)')
    await press('Save payment defaults')
    await waitFor(() => expect(said).toEqual(['Saved. Applies to new sales.']))
    expect(settingsSent(sent)).toEqual({
      usualArrangements: {
        terms: { net: 14 },
        deposit: { percent: '40' },
        layaway: { firstPercent: '20', months: 4, every: { days: 14 }, fee: { amount: '12.00' } },
        installments: { count: 6, roundUpTo: 5, graceDays: 10 },
        late: { charge: { percent: '3' }, graceDays: 10 },
      },
      taxOnDeposits: true,
    })
  })

  test('has its smallest coin as an amount of its currency, whatever its digits', async () => {
    const sent = answerCalls({ 'PATCH /settings': kept })
    open({ currency: 'KWD', bounceFee: '1.000' })
    // Five thousandths of a dinar
    expect(field('Smallest coin').value).toBe('0.005')
    await type('Smallest coin', '0.01')
    await press('Save payment defaults')
    await waitFor(() => expect(settingsSent(sent)).toMatchObject({ smallestCoin: 10 }))
  })

  test.each([
    ['Age columns (days)', '30, 60', 'A list is wanted here'],
    ['Age columns (days)', '60, 30, 90', 'The limits rise: 30, 60, 90.'],
    ['Send reminders after (days late)', '7, 7', 'The days rise: 7, 21, 35.'],
    ['Payment due in (days)', '1.5', 'whole'],
    ['Deposit, %', '140', '.'],
    ['Smallest coin', '', 'number'],
  ])('%s as “%s” is told at its field before it is sent', async (label, text, says) => {
    const sent = answerCalls({})
    open()
    await type(label, text)
    await press('Save payment defaults')
    await waitFor(() => expect(field(label).getAttribute('aria-invalid')).toBe('true'))
    expect(noteOf(field(label))).toMatch(/^[A-Z].*\.$/)
    if (says !== 'A list is wanted here') expect(noteOf(field(label))).toContain(says)
    expect(sent).toEqual([])
    expect(field(label).value).toBe(text)
  })
})

describe('taxes', () => {
  const codes = [
    {
      id: 1,
      code: 'STD',
      name: 'Sales tax',
      treatment: 'taxed' as const,
      reason: '',
      owed: [],
      components: [
        { name: 'State', rate: '0.0625' },
        { name: 'City', rate: '0.02' },
      ],
      says: 'State 6.25 % + City 2 %',
      otherTimes: [
        { id: 1, says: 'at first: State 6.25 %', begins: false },
        { id: 8, says: 'from 1 Jul 2026: State 7 %', begins: true },
      ],
    },
    {
      ...{ id: 2, code: 'ZERO', name: 'Zero', treatment: 'zero' as const },
      ...{ reason: 'Books', owed: [], components: [], says: '0 %', otherTimes: [] },
    },
  ]

  test('are added with a rate written as a percentage', async () => {
    const sent = answerCalls({ 'POST /tax-codes': { status: 201, body: {} } })
    render(<TaxForm codes={codes} today={TODAY} />)
    expect(screen.getByText('from 1 Jul 2026: State 7 %')).toBeTruthy()
    await type('Code', 'CITY')
    await type('Name', 'City tax')
    await type('Percent', '8,25')
    await press('Add')
    expect(noteOf(field('Percent'))).toBe('A percentage is written like 8.25.')
    expect(sent).toEqual([])
    await type('Percent', '8.25')
    await press('Add')
    await waitFor(() => expect(said).toEqual(['Tax code CITY can be used now.']))
    expect(sent[0]?.body).toEqual({
      code: 'CITY',
      name: 'City tax',
      treatment: 'taxed',
      reason: '',
      components: [{ name: 'City tax', rate: '0.0825' }],
    })
    expect(field('Code').value).toBe('')
  })

  test('that charge nothing have a reason instead of a rate', async () => {
    const sent = answerCalls({ 'POST /tax-codes': { status: 201, body: {} } })
    render(<TaxForm codes={codes} today={TODAY} />)
    await type('Code', 'RC')
    await type('Name', 'Abroad')
    await choose('Treatment', 'Reverse charge')
    expect(screen.queryByLabelText('Percent')).toBeNull()
    await type('Reason on documents (optional)', 'The customer owes the tax')
    await press('Add')
    await waitFor(() => expect(said).toEqual(['Tax code RC can be used now.']))
    expect(sent[0]?.body).toEqual({
      code: 'RC',
      name: 'Abroad',
      treatment: 'reverse-charge',
      reason: 'The customer owes the tax',
      components: [],
    })
    // What we owe on purchases is written as a percentage, too.
    await type('Code', 'RC2')
    await type('Name', 'Abroad')
    await choose('Treatment', 'Reverse charge')
    await type('Percent you owe on purchases (optional)', '19')
    await press('Add')
    await waitFor(() => expect(said).toContain('Tax code RC2 can be used now.'))
    expect(sent[1]?.body).toMatchObject({ treatment: 'reverse-charge', components: [{ name: 'Abroad', rate: '0.19' }] })
  })

  test('change from a day on, each component by itself; only what is taxed has rates', async () => {
    const sent = answerCalls({ 'POST /tax-codes/1/rates': { status: 201, body: {} } })
    render(<TaxForm codes={codes} today={TODAY} />)
    expect([...screen.getByLabelText<HTMLSelectElement>('Tax code').options].map((o) => o.text)).toEqual(['STD'])
    expect(field('Percent, State').value).toBe('6.25')
    await type('Percent, City', '2.5')
    await type('From', '+60')
    await press('Change the rate')
    await waitFor(() => expect(sent).toHaveLength(1))
    expect(sent[0]?.body).toEqual({
      from: '2026-05-01',
      components: [
        { name: 'State', rate: '0.0625' },
        { name: 'City', rate: '0.025' },
      ],
    })
  })

  test('are deleted, or one of their rates, where they were a mistake; what is used says so', async () => {
    const sent = answerCalls({
      'DELETE /tax-codes/2': refuses({ path: 'taxCodeId', message: 'A sale uses it: ZERO stays.' }),
      'DELETE /tax-codes/8': { status: 200, body: {} },
    })
    render(<TaxForm codes={codes} today={TODAY} />)
    await press('Delete STD from 1 Jul 2026: State 7 %')
    expect(sent).toEqual([])
    await press('Delete for good?')
    await waitFor(() => expect(said).toEqual(['STD from 1 Jul 2026: State 7 % deleted.']))
    await press('Delete ZERO')
    await press('Delete for good?')
    await waitFor(() => expect(said).toContain('A sale uses it: ZERO stays.'))
  })

  test('are called by other words, and their components; what is taxed has no reason', async () => {
    const sent = answerCalls({
      'PATCH /tax-codes/1': { status: 200, body: { code: 'STD' } },
    })
    render(<TaxForm codes={codes} today={TODAY} />)
    await press('Edit STD')
    const panel = () => within(screen.getByRole('dialog'))
    expect(panel().queryByLabelText('Reason on documents (optional)')).toBeNull()
    await userEvent.clear(panel().getByLabelText('Name'))
    await userEvent.type(panel().getByLabelText('Name'), 'Tax on sales')
    await type('Name of City', 'Town')
    await press('Save')
    await waitFor(() => expect(said).toEqual(['STD saved. Invoices already issued keep the old name.']))
    expect(sent[0]?.body).toEqual({
      name: 'Tax on sales',
      components: [
        { name: 'State', to: 'State' },
        { name: 'City', to: 'Town' },
      ],
    })
  })

  test('that charge nothing are called by other words with their reason', async () => {
    answerCalls({ 'PATCH /tax-codes/2': refuses({ path: 'reason', message: 'Too long.' }) })
    render(<TaxForm codes={codes} today={TODAY} />)
    await press('Edit ZERO')
    const reason = within(screen.getByRole('dialog')).getByLabelText<HTMLInputElement>('Reason on documents (optional)')
    expect(reason.value).toBe('Books')
    await press('Save')
    await waitFor(() => expect(noteOf(reason)).toBe('Too long.'))
  })

  test('have areas that choose one', async () => {
    const sent = answerCalls({ 'POST /tax-areas': { status: 201, body: {} } })
    render(
      <Areas
        areas={[{ id: 4, code: 'OUT', name: 'Out of state', taxCode: 'ZERO' }]}
        codes={[
          { code: 'STD', name: 'Sales tax' },
          { code: 'ZERO', name: 'Zero-rated' },
        ]}
      />,
    )
    expect(screen.getByText('taxable goods use Zero-rated')).toBeTruthy()
    await type('Code', 'ISLE')
    await type('Name of the region', 'The isle')
    await choose('Tax code', 'ZERO')
    await press('Add')
    await waitFor(() => expect(said).toEqual(['The isle added. Assign it to delivery addresses.']))
    expect(sent[0]?.body).toEqual({ code: 'ISLE', name: 'The isle', taxCode: 'ZERO' })
  })
})
