import { render, screen, waitFor } from '@testing-library/react'
import { afterEach, expect, test } from 'vitest'
import { day } from '@/core/day'
import { ReceivedActs } from '@/ui/buying/ReceivedActs'
import { answerCalls } from './calls'
import { userEvent } from './hand'
import { choose, field, noteOf, press, type } from './hands'
import { said } from './world'

// A panel that is open when its test ends keeps the page behind it from being clicked.
afterEach(() => document.body.removeAttribute('style'))

test('freight that is on no bill joins what goods cost, off the account it was put on', async () => {
  const sent = answerCalls({
    'POST /landed-costs': { status: 201, body: { id: 3, number: 'L-2026-0003', amount: '18.50', shares: [] } },
  })
  render(
    <ReceivedActs
      id={7}
      supplierId={3}
      supplier="Halden"
      returnsTo=""
      canBill={false}
      canUndo={false}
      back={[{ id: 1, name: 'Rosin', left: '2', track: 'none' }]}
      labels=""
      accounts={[{ id: 50, code: '6500', name: 'Freight' }]}
      currency="USD"
      today={day('2026-03-02')}
    />,
  )
  await press(/^More/)
  await userEvent.click(screen.getByText('Add freight or duty'))
  await type('Amount', '18.50')
  await press(/^Add to cost of goods/)
  await waitFor(() => expect(noteOf(field('Account it is on'))).toBe('Choose the account the cost is on.'))
  await choose('Account it is on', '50')
  await userEvent.selectOptions(screen.getByLabelText('Spread by'), 'quantity')
  await press(/^Add to cost of goods/)
  await waitFor(() => expect(said).toEqual(['L-2026-0003: 18.50 added to what the goods cost.']))
  expect(sent.findLast((s) => s.path === '/landed-costs' && !s.preview)?.body).toEqual({
    amount: '18.50',
    fromAccountId: 50,
    by: 'quantity',
    on: '2026-03-02',
    receivedIds: [7],
  })
})
