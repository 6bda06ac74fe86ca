import { render, screen, waitFor } from '@testing-library/react'
import { afterEach, describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import { AddBankAccount } from '@/ui/bank/BankAccountForm'
import { BringStatement } from '@/ui/bank/BringStatement'
import { FinishStatement } from '@/ui/bank/FinishStatement'
import { StatementDesk } from '@/ui/bank/StatementDesk'
import { NewTaxReturn } from '@/ui/books/NewTaxReturn'
import { TaxReturnActs } from '@/ui/books/TaxReturnActs'
import { YearAct } from '@/ui/books/YearAct'
import { MergeAccount } from '@/ui/books/AccountForms'
import { ImportCustomers } from '@/ui/people/ImportCustomers'
import { BackUpNow } from '@/ui/settings/BackUpNow'
import { CalendarLink } from '@/ui/settings/CalendarLink'
import { answerCalls, refuses, type Sent } from './calls'
import { userEvent } from './hand'
import { choose, field, noteOf, press, type } from './hands'
import { router, said } from './world'

const TODAY = day('2026-03-10')
// A panel that is open when its test ends keeps the page behind it from being clicked.
afterEach(() => document.body.removeAttribute('style'))
const bodyOf = (sent: readonly Sent[], path: string) => sent.findLast((s) => s.path === path && !s.preview)?.body
const DONE = { status: 201, body: {} }

const line = (id: number, amount: string, more: object = {}) => ({
  id,
  on: day('2026-03-09'),
  amount,
  text: `Line ${id}`,
  bankId: '',
  state: 'open' as const,
  settles: [],
  ...more,
})
const proposal = (lineId: number, why: string, degree = 0.9, id = 5) => ({
  lineId,
  degree,
  why,
  settles: [{ kind: 'due' as const, id, amount: '60.00' }],
})
const desk = (more: Partial<Parameters<typeof StatementDesk>[0]> = {}) =>
  render(
    <StatementDesk
      statementId={9}
      lines={[line(1, '60.00'), line(2, '-4.50')]}
      proposals={[proposal(1, 'Its number is in the text'), proposal(1, 'Another one', 0.6, 6)]}
      accounts={[{ id: 41, code: '6110', name: 'Bank fees' }]}
      taxCodes={[{ code: 'STD', name: 'Sales tax' }]}
      done={false}
      currency="USD"
      {...more}
    />,
  )

describe('the desk of a statement', () => {
  test('takes what is proposed, or another proposal', async () => {
    const sent = answerCalls({ 'POST /bank/matches': DONE })
    const { unmount } = desk()
    await press('Its number is in the text')
    const settles = [{ kind: 'due', id: 5, amount: '60.00' }]
    await waitFor(() => expect(bodyOf(sent, '/bank/matches')).toEqual({ lineId: 1, settles }))
    // What was taken is not offered again, until the page knows that it is settled.
    expect(screen.getByText('Its number is in the text …')).toBeTruthy()
    expect(screen.queryByRole('button', { name: /Another one/ })).toBeNull()
    unmount()
    desk()
    await press(/Another one/)
    await waitFor(() => expect(sent.filter((s) => s.path === '/bank/matches')).toHaveLength(2))
  })

  test('says what is refused, and keeps the line', async () => {
    answerCalls({ 'POST /bank/matches': refuses({ path: 'on', message: 'The books are closed through 28 Feb 2026.' }) })
    desk()
    await press('Its number is in the text')
    await screen.findByText('The books are closed through 28 Feb 2026.')
    expect(screen.getByRole('button', { name: 'Its number is in the text' })).toBeTruthy()
  })

  test('puts a line on an account, and remembers it for the next time', async () => {
    const sent = answerCalls({ 'POST /bank/matches': DONE })
    desk()
    await press(/than: Line 2/)
    await press(/^Post/)
    await waitFor(() => expect(noteOf(field('Account'))).toBe('Choose an account.'))
    await choose('Account', '6110 Bank fees')
    await choose('Tax in it', 'STD Sales tax')
    await userEvent.click(field('Always, automatically'))
    await press(/^Post/)
    await waitFor(() =>
      expect(bodyOf(sent, '/bank/matches')).toEqual({
        lineId: 2,
        settles: [{ kind: 'account', accountId: 41, amount: '4.50', taxCode: 'STD' }],
        always: 'Line',
      }),
    )
  })

  test('undoes a line, shows open ones alone, and changes nothing of what is done', async () => {
    const sent = answerCalls({ 'DELETE /bank/matches/2': { status: 200, body: {} } })
    const settled = line(2, '-4.50', {
      state: 'settled',
      settles: [{ kind: 'account', id: 7, accountId: 41, entryId: 7, amount: '4.50', text: 'Account fee' }],
    })
    const { unmount } = desk({ lines: [line(1, '60.00'), settled] })
    expect(screen.getByRole('link', { name: /Account fee/ }).getAttribute('href')).toBe('/books/entries/7')
    await press('Undo')
    await waitFor(() => expect(said).toEqual(['The line is open again.']))
    expect(sent.at(-1)?.method).toBe('DELETE')
    await userEvent.click(field('Open lines only'))
    expect(screen.queryByText(/Account fee/)).toBeNull()
    unmount()
    desk({ lines: [settled], proposals: [], done: true })
    expect(screen.queryByRole('button', { name: 'Undo' })).toBeNull()
  })
})

describe('a statement', () => {
  const file = new File(['Date;Text;Amount\n'], 'march.csv')
  const bring = async () => {
    render(<BringStatement accounts={[{ id: 3, name: 'House bank' }]} />)
    await userEvent.upload(screen.getByLabelText(/Import a statement/), file)
  }

  test('is imported, and its desk opened', async () => {
    const sent = answerCalls({ 'POST /bank/statements': { status: 201, body: { id: 8 } } })
    await bring()
    await waitFor(() => expect(router.push).toHaveBeenLastCalledWith('/money-in/statements/8'))
    expect(sent[0]?.query.get('name')).toBe('march.csv')
  })

  test('asks once for its columns, then goes on', async () => {
    let known = false
    const sent = answerCalls({
      'POST /bank/statements': () =>
        known
          ? { status: 201, body: { id: 9 } }
          : {
              status: 422,
              body: { type: 'urn:iron-till:problem:columns-unknown', detail: 'Choose them.', errors: [] },
            },
      'POST /bank/look': {
        status: 200,
        body: {
          format: 'csv',
          headings: ['Date', 'Text', 'Amount'],
          columns: { on: 'Date', text: 'Text' },
          rows: [['Date', 'Text', 'Amount']],
        },
      },
      'PATCH /bank/accounts/3': () => {
        known = true
        return { status: 200, body: {} }
      },
    })
    await bring()
    await screen.findByText('This is asked once for this account. The file begins like this:')
    await press(/^Import(?! a)/)
    await waitFor(() => expect(noteOf(field('Amount, with its sign'))).toMatch(/^Choose the column of the amount/))
    await choose('Amount, with its sign', 'Amount')
    await press(/^Import(?! a)/)
    await waitFor(() => expect(router.push).toHaveBeenLastCalledWith('/money-in/statements/9'))
    expect(sent.find((s) => s.method === 'PATCH')?.body).toMatchObject({
      format: { columns: { on: 'Date', text: 'Text', amount: 'Amount' } },
    })
  })

  test('that is refused says why', async () => {
    answerCalls({ 'POST /bank/statements': refuses({ path: '', message: 'Row 5 is shorter than the others.' }) })
    await bring()
    await screen.findByText(/Row 5 is shorter/)
  })

  test('belongs to an account, and is finished', async () => {
    const sent = answerCalls({
      'POST /bank/accounts': { status: 201, body: { name: 'Card' } },
      'POST /bank/statements/4/finish': { status: 200, body: {} },
    })
    render(
      <>
        <AddBankAccount first={false} />
        <FinishStatement id={4} />
      </>,
    )
    await press('Finish')
    await waitFor(() => expect(said).toEqual(['Done. It stays as it is.']))
    await press('New bank account')
    await userEvent.type(field('Name'), 'Card')
    await press(/^Add bank account/)
    await waitFor(() => expect(bodyOf(sent, '/bank/accounts')).toEqual({ name: 'Card', number: '' }))
  })
})

describe('tax, years and accounts', () => {
  test('a return is drafted, filed, paid', async () => {
    const sent = answerCalls({
      'POST /tax-returns': { status: 201, body: { id: 6 } },
      'POST /tax-returns/6/file': { status: 200, body: {} },
      'POST /tax-returns/6/pay': { status: 200, body: { paid: '8.00' } },
      'POST /tax-returns/6/unpay': { status: 200, body: {} },
    })
    const { unmount } = render(
      <NewTaxReturn from={day('2026-02-01')} through={day('2026-02-28')} basis="paid" today={TODAY} />,
    )
    await press('New tax return')
    await press(/^Look at it/)
    await waitFor(() => expect(router.push).toHaveBeenLastCalledWith('/books/tax/6'))
    expect(bodyOf(sent, '/tax-returns')).toEqual({ from: '2026-02-01', through: '2026-02-28', basis: 'paid' })
    unmount()
    const acts = (state: 'draft' | 'filed' | 'paid', due: string) =>
      render(<TaxReturnActs id={6} state={state} due={due} currency="USD" today={TODAY} />)
    const draft = acts('draft', '8.00')
    await press('Mark as filed')
    await press(/^Mark as filed Ctrl/)
    await waitFor(() => expect(said).toContain('Filed. Its figures stay as they are.'))
    draft.unmount()
    const filed = acts('filed', '-8.00')
    await press('Record refund')
    await press(/^Record refund Ctrl/)
    await waitFor(() => expect(said).toContain('8.00 came back.'))
    expect(bodyOf(sent, '/tax-returns/6/pay')).toEqual({ from: 'bank', amount: '8.00', on: '2026-03-10' })
    filed.unmount()
    const paid = acts('paid', '8.00')
    await press('Take payment back')
    await type('Reason', 'Sent twice')
    await press(/^Take payment back Ctrl/)
    await waitFor(() => expect(said).toContain('Taken back. The return is to be paid again.'))
    expect(bodyOf(sent, '/tax-returns/6/unpay')).toEqual({ on: '2026-03-10', reason: 'Sent twice' })
    paid.unmount()
    acts('filed', '0.00')
    expect(screen.queryByRole('button')).toBeNull()
  })

  test('a year is closed and opened again; an account merged', async () => {
    const sent = answerCalls({
      'POST /books/year-end': { status: 201, body: {} },
      'DELETE /books/year-end/2025': { status: 200, body: {} },
      'POST /accounts/4/merge': { status: 200, body: { name: 'Insurance' } },
    })
    const { unmount } = render(<YearAct year={2025} closed={false} currency="USD" />)
    await press('Close 2025')
    await press(/^Close 2025 Ctrl/)
    await waitFor(() => expect(bodyOf(sent, '/books/year-end')).toEqual({ year: 2025 }))
    unmount()
    const again = render(<YearAct year={2025} closed currency="USD" />)
    await press('Reopen 2025')
    await press(/^Reopen 2025 Ctrl/)
    await waitFor(() => expect(said).toContain('2025 is open again.'))
    again.unmount()
    render(
      <MergeAccount
        account={{ id: 4, name: 'Rent', hidden: false }}
        others={[{ id: 9, code: '6030', name: 'Insurance' }]}
        today={TODAY}
        onDone={() => undefined}
      />,
    )
    await choose('Into', '6030 Insurance')
    await userEvent.type(field('Reason'), 'One is enough')
    await press(/^Merge/)
    await waitFor(() =>
      expect(bodyOf(sent, '/accounts/4/merge')).toEqual({ into: 9, on: '2026-03-10', reason: 'One is enough' }),
    )
  })
})

describe('what is kept safe and taken along', () => {
  test('a backup, a calendar, an address book', async () => {
    const looked = {
      rows: 2,
      added: 1,
      problems: [{ row: 2, code: 'Orla', message: 'name: Orla is a customer already.' }],
      preview: [{ row: 1, name: 'Hazel', email: 'h@a.example', phone: '' }],
      written: false,
    }
    const sent = answerCalls({
      'POST /backups': { status: 201, body: { rows: 20 } },
      'POST /calendar': { status: 201, body: { secret: 's', path: '/api/v1/calendar/s.ics' } },
      'POST /customers/import': { status: 200, body: looked },
    })
    const { unmount } = render(
      <>
        <BackUpNow />
        <CalendarLink />
      </>,
    )
    await press('Back up now')
    await waitFor(() => expect(said).toEqual(['20 rows backed up and read back.']))
    await press('New address')
    await screen.findByText(/\/api\/v1\/calendar\/s\.ics$/)
    unmount()
    render(<ImportCustomers />)
    await userEvent.upload(screen.getByLabelText('File with customers'), new File(['BEGIN:VCARD'], 'a.vcf'))
    await screen.findByText('name: Orla is a customer already.')
    await press('Import 1 and skip 1')
    await waitFor(() => expect(bodyOf(sent, '/customers/import')).toMatchObject({ mode: 'good' }))
    await waitFor(() => expect(router.push).toHaveBeenLastCalledWith('/people'))
  })
})
