import { render, screen, waitFor } from '@testing-library/react'
import { afterEach, describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import { Feed } from '@/ui/bank/Feed'
import { BudgetForm } from '@/ui/books/BudgetForm'
import { answerCalls, refuses, type Sent } from './calls'
import { field, noteOf, press, rowsOf, type } from './hands'
import { said } from './world'

// A panel that is open when its test ends keeps the page behind it from being clicked.
afterEach(() => document.body.removeAttribute('style'))
const bodyOf = (sent: readonly Sent[], path: string) => sent.findLast((s) => s.path === path && !s.preview)?.body

describe('statements that come by themselves', () => {
  test('are switched on, asked for now, and switched off', async () => {
    const sent = answerCalls({
      'PATCH /bank/accounts/3': { status: 200, body: {} },
      'POST /bank/accounts/3/fetch': { status: 200, body: { statementIds: [7, 8] } },
    })
    const { rerender } = render(<Feed account={{ id: 3, name: 'River', feed: false, fedThrough: null }} />)
    await press('Let statements of River come automatically')
    await waitFor(() => expect(said).toEqual(['They come each morning from now on.']))
    expect(bodyOf(sent, '/bank/accounts/3')).toEqual({ feed: true })
    rerender(<Feed account={{ id: 3, name: 'River', feed: true, fedThrough: day('2026-03-09') }} />)
    expect(screen.getByText(/come automatically; those through 9 Mar 2026 are here/)).toBeTruthy()
    await press('Ask now')
    await waitFor(() => expect(said).toContain('2 statements came.'))
    await press('Stop')
    await waitFor(() => expect(bodyOf(sent, '/bank/accounts/3')).toEqual({ feed: false }))
  })
})

describe('a budget', () => {
  const rows = [
    { accountId: 4, code: '4030', name: 'Rental', income: true, before: '900.00', amount: '' },
    { accountId: 6, code: '6000', name: 'Rent', income: false, before: '1100.00', amount: '1200.00' },
    { accountId: 5, code: '4100', name: 'Sales returns', income: true, before: '-40.00', amount: '' },
    { accountId: 7, code: '6010', name: 'Utilities', income: false, before: '0.00', amount: '' },
  ]
  test('is typed account by account; what is left empty has none, and a refusal stands at its row', async () => {
    const sent = answerCalls({
      'POST /books/budget': refuses({
        path: 'lines.2.amount',
        message: 'A budget is for an account of income or expenses.',
      }),
    })
    render(<BudgetForm year={2026} rows={rows} currency="USD" />)
    expect(rowsOf(screen.getByRole('table')).map((r) => r.split(' | ').slice(0, 2).join(' '))).toEqual([
      'Account 2025',
      'Income',
      'Rental 900.00',
      'Sales returns −40.00',
      'Costs and expenses',
      'Rent 1,100.00',
      'Utilities ',
    ])
    await type('Budget: Utilities', '300')
    await type('Budget: Sales returns', '-50.5')
    await press(/^Save budget/)
    await waitFor(() =>
      expect(noteOf(field('Budget: Utilities'))).toBe('A budget is for an account of income or expenses.'),
    )
    expect(bodyOf(sent, '/books/budget')).toEqual({
      year: 2026,
      lines: [
        { accountId: 6, amount: '1200.00' },
        { accountId: 5, amount: '-50.50' },
        { accountId: 7, amount: '300.00' },
      ],
    })
  })
})
