import { render, screen, waitFor } from '@testing-library/react'
import { afterEach, expect, test } from 'vitest'
import { day } from '@/core/day'
import { ReceivedActs } from '@/ui/buying/ReceivedActs'
import { SpreadForm } from '@/ui/buying/SpreadForm'
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

test('freight of a bill goes over what came lately and over what is found', async () => {
  const sent = answerCalls({
    'POST /landed-costs': { status: 201, body: { id: 4, number: 'L-2026-0004', amount: '30.00', shares: [] } },
    'GET /goods-received': {
      status: 200,
      body: { items: [{ id: 12, number: 'G-2025-0012', supplier: 'Halden', on: '2025-06-02' }], next: null },
    },
  })
  render(
    <SpreadForm
      costs={[{ id: 5, says: 'Freight, 30.00' }]}
      received={[
        { id: 90, says: 'G-2026-0090, Halden, 1 Mar 2026' },
        { id: 89, says: 'G-2026-0089, Ulmer, 28 Feb 2026' },
      ]}
      currency="USD"
      today={day('2026-03-02')}
      onDone={() => {}}
    />,
  )
  await type('Other goods received', '0012')
  await userEvent.click(await screen.findByText('G-2025-0012, Halden, 2 Jun 2025'))
  expect(field('G-2025-0012, Halden, 2 Jun 2025').checked).toBe(true)
  // The newest was ticked at first; the field is empty for the next.
  await userEvent.click(field('G-2026-0090, Halden, 1 Mar 2026'))
  await userEvent.click(field('G-2026-0089, Ulmer, 28 Feb 2026'))
  expect(field('Other goods received').value).toBe('')
  await press(/^Add to cost of goods/)
  await waitFor(() => expect(said.at(-1)).toBe('L-2026-0004: 30.00 added to what the goods cost.'))
  expect(sent.find((s) => s.path === '/goods-received')?.query.get('search')).toBe('0012')
  expect(sent.findLast((s) => s.path === '/landed-costs' && !s.preview)?.body).toMatchObject({
    billLineId: '5',
    receivedIds: [89, 12],
  })
})
