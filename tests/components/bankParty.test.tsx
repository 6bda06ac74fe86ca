import { render, screen, waitFor } from '@testing-library/react'
import { expect, test } from 'vitest'
import { day } from '@/core/day'
import { OtherForm } from '@/ui/bank/OtherForm'
import { answerCalls } from './calls'
import { userEvent } from './hand'
import { field, press } from './hands'
import { said } from './world'

const line = (amount: string) => ({
  id: 2,
  on: day('2026-03-09'),
  amount,
  text: 'ONLINE TRANSFER 77',
  bankId: '',
  state: 'open' as const,
  settles: [],
})
const open = (amount: string) =>
  render(<OtherForm line={line(amount)} accounts={[]} taxCodes={[]} currency="USD" onDone={() => {}} />)

test.each([
  ['-200.00', 'Paid to a supplier', 'Supplier', '/suppliers', /^Enter payment/, 'Payment entered.', 'supplier'],
  ['200.00', 'A customer’s money', 'Customer', '/customers', /^Enter receipt/, 'Receipt entered.', 'customer'],
])('%s: %s, whoever is chosen', async (amount, what, who, path, act, says, kind) => {
  const found = { items: [{ id: 7, name: 'Halden String Works', owed: '0.00', tags: [] }], next: null }
  const sent = answerCalls({
    'POST /bank/matches': { status: 201, body: {} },
    [`GET ${path}`]: { status: 200, body: found },
  })
  open(amount)
  await userEvent.click(screen.getByLabelText(what))
  await press(act)
  await screen.findByText(`Choose a ${who.toLowerCase()}.`)
  await userEvent.type(field(who), 'Hal')
  await userEvent.click(await screen.findByRole('option', { name: /Halden/ }))
  await press(act)
  await waitFor(() => expect(said).toEqual([says]))
  expect(sent.findLast((s) => s.path === '/bank/matches' && !s.preview)?.body).toEqual({
    lineId: 2,
    settles: [{ kind, id: 7, amount: '200.00' }],
  })
})
