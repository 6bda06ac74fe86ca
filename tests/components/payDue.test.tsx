import { render, screen, waitFor } from '@testing-library/react'
import { describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import { PayDue } from '@/ui/buying/PayDue'
import { SpreadForm } from '@/ui/buying/SpreadForm'
import { answerCalls, refuses, type Sent } from './calls'
import { userEvent } from './hand'
import { choose, field, noteOf, press } from './hands'
import { said } from './world'

const TODAY = day('2026-03-02')
const bodyOf = (sent: readonly Sent[], path: string) => sent.findLast((s) => s.path === path && !s.preview)?.body

describe('what is due to suppliers', () => {
  const due = {
    bills: [
      { id: 4, says: 'Halden, HS-1: $62.79' },
      { id: 6, says: 'Rosin works, RW-2: $4.00' },
    ],
    sum: '$66.79',
    comesIn: '$0.00',
    goesOut: '$70.79',
    byCheck: [{ id: 7, says: 'Brack, B-9: $4.00' }],
  }

  test('is shown before it is paid at once; then the file for the bank is there', async () => {
    const sent = answerCalls({
      'POST /payment-runs': { status: 201, body: { payments: [{}, {}], file: '<Document/>' } },
    })
    render(<PayDue due={due} currency="USD" today={TODAY} />)
    await press('Pay what is due')
    expect(screen.getAllByRole('listitem').map((x) => x.textContent)).toEqual(due.bills.map((b) => b.says))
    expect(bodyOf(sent, '/payment-runs')).toBeUndefined()
    await press(/^Pay from the bank/)
    await waitFor(() => expect(said).toEqual(['2 payments made.']))
    expect(bodyOf(sent, '/payment-runs')).toEqual({ on: '2026-03-02', billIds: [4, 6] })
    const file = await screen.findByRole('link', { name: 'File for the bank' })
    expect(decodeURIComponent(file.getAttribute('href') ?? '')).toBe('data:application/xml;charset=utf-8,<Document/>')
  })

  test('is written as checks to those whose bank account is not known, and printed', async () => {
    const sent = answerCalls({
      'POST /payment-runs': { status: 201, body: { payments: [{ id: 31 }, { id: 32 }], file: '' } },
    })
    render(<PayDue due={due} currency="USD" today={TODAY} />)
    await press('Write checks')
    expect(screen.getAllByRole('listitem').map((x) => x.textContent)).toEqual(['Brack, B-9: $4.00'])
    await press(/^Write the checks/)
    await waitFor(() => expect(said).toEqual(['2 payments made.']))
    expect(bodyOf(sent, '/payment-runs')).toEqual({ on: '2026-03-02', billIds: [7], check: 'next' })
    const print = await screen.findByRole('link', { name: 'Print checks' })
    expect(print.getAttribute('href')).toBe('/api/v1/export/checks.pdf?payments=31,32')
  })

  test('is not asked for where nothing is due', () => {
    render(
      <PayDue
        due={{ bills: [], sum: '$0.00', comesIn: '$0.00', goesOut: '$0.00', byCheck: [] }}
        currency="USD"
        today={TODAY}
      />,
    )
    expect(screen.queryByRole('button')).toBeNull()
  })
})

describe('a cost of getting goods here', () => {
  const open = () => {
    render(
      <SpreadForm
        costs={[{ id: 9, says: 'Freight, 9.00' }]}
        received={[
          { id: 3, says: 'G-3' },
          { id: 2, says: 'G-2' },
        ]}
        currency="USD"
        today={TODAY}
        onDone={() => {}}
      />,
    )
  }
  const send = () => press(/^Add to cost of goods/)

  test('joins what the goods cost, of all receipts that are ticked', async () => {
    const sent = answerCalls({ 'POST /landed-costs': { status: 201, body: { number: 'V-1', amount: '9.00' } } })
    open()
    await userEvent.click(screen.getByLabelText('G-2'))
    await choose('Spread by', 'Weight')
    await send()
    await waitFor(() => expect(said).toEqual(['V-1: 9.00 added to what the goods cost.']))
    expect(bodyOf(sent, '/landed-costs')).toEqual({
      on: '2026-03-02',
      billLineId: '9',
      receivedIds: [3, 2],
      by: 'weight',
    })
  })

  test('stays open with its reason where it cannot be spread', async () => {
    const message = 'No weight is known of what came. Spread it by value or quantity.'
    answerCalls({ 'POST /landed-costs': refuses({ path: 'by', message }) })
    open()
    await send()
    expect(await screen.findByText(message)).toBeTruthy()
    expect(said).toEqual([])
    expect(noteOf(field('Cost'))).toBe('')
  })
})
