import { render, screen, waitFor } from '@testing-library/react'
import { userEvent } from './hand'
import { useState } from 'react'
import { describe, expect, test, vi } from 'vitest'
import { ForWhom } from '@/ui/sale/ForWhom'
import type { Buyer } from '@/ui/sale/useBuyer'
import { OtherSalePanel, UsualPanel } from '@/ui/sale/TakeFrom'
import { answerCalls, gate } from './calls'
import { button, field, press } from './hands'
import { said } from './world'

const HAZEL = {
  id: 3,
  name: 'Hazel Adair',
  contact: '',
  email: 'hazel@mail.example',
  phone: '',
  taxExempt: false,
  pricesIncludeTax: false,
  priceLevel: 'SCHOOL',
  priceLevelName: 'Schools',
  owed: '108.00',
  late: '50.00',
  held: '20.00',
  creditLimit: null,
  committed: '0.00',
  addresses: [],
}

describe('who a sale is for', () => {
  const Open = () => {
    const [buyer, setBuyer] = useState<Buyer | null>(null)
    return <ForWhom buyer={buyer} onBuyer={setBuyer} />
  }
  const type = (name: string) => userEvent.type(field('Customer'), name)

  test('is found, with what they owe', async () => {
    answerCalls({
      'GET /customers': { status: 200, body: { items: [HAZEL], next: null } },
      'GET /customers/3': { status: 200, body: HAZEL },
    })
    render(<Open />)
    await type('haz')
    await userEvent.click(await screen.findByText('Hazel Adair'))
    expect(await screen.findByText('Owes 108.00, 50.00 late · 20.00 held · Price list: Schools')).toBeTruthy()
  })

  test('is whoever was chosen last, whoever’s answer comes last', async () => {
    const people = [
      { id: 3, name: 'Hazel Adair', owed: '0.00' },
      { id: 4, name: 'Orla Finch', owed: '0.00' },
    ]
    const first = gate()
    answerCalls(
      {
        'GET /customers': { status: 200, body: { items: people } },
        'GET /customers/3': { status: 200, body: { ...HAZEL, ...people[0] } },
        'GET /customers/4': { status: 200, body: { ...HAZEL, ...people[1] } },
      },
      (path) => (path === '/customers/3' ? first.opened : 0),
    )
    const chosen = vi.fn()
    render(<ForWhom buyer={null} onBuyer={chosen} />)
    for (const name of ['Hazel Adair', 'Orla Finch']) {
      await userEvent.clear(field('Customer'))
      await userEvent.type(field('Customer'), 'a')
      await userEvent.click(await screen.findByText(name))
    }
    await waitFor(() => expect(chosen).toHaveBeenCalled())
    first.open()
    await new Promise((done) => setTimeout(done, 200))
    expect(chosen.mock.calls.map(([b]) => b.name)).toEqual(['Orla Finch'])
  })

  test('is added where nobody is like them, and their address is asked for at once', async () => {
    const sent = answerCalls({
      'GET /customers': { status: 200, body: { items: [], next: null } },
      'GET /customers/look-alikes': { status: 200, body: { items: [], next: null } },
      'POST /customers': { status: 201, body: { id: 3 } },
      'GET /customers/3': { status: 200, body: { ...HAZEL, email: '' } },
      'PATCH /customers/3': { status: 200, body: {} },
    })
    render(<Open />)
    await type('Hazel Adair')
    await userEvent.click(await screen.findByText('Add “Hazel Adair” as a new customer'))
    await waitFor(() => expect(said).toEqual(['Hazel Adair is added to your people.']))
    await userEvent.type(await screen.findByLabelText('Email for the estimate'), 'hazel@mail.example')
    await userEvent.tab()
    await waitFor(() => expect(sent.find((s) => s.method === 'PATCH')?.body).toEqual({ email: 'hazel@mail.example' }))
  })

  test('who looks like somebody known is shown before a double is made', async () => {
    const sent = answerCalls({
      'GET /customers': { status: 200, body: { items: [], next: null } },
      'GET /customers/look-alikes': {
        status: 200,
        body: { items: [{ ...HAZEL, why: 'nearly the same name' }], next: null },
      },
      'GET /customers/3': { status: 200, body: HAZEL },
    })
    render(<Open />)
    await type('Hazel Adaire')
    await userEvent.click(await screen.findByText(/as a new customer/))
    expect(await screen.findByText('Did you mean one of these?')).toBeTruthy()
    expect(button('No, add “Hazel Adaire” as new')).toBeTruthy()
    await press(/^Hazel Adair/)
    expect(await screen.findByText(/Owes 108.00/)).toBeTruthy()
    expect(sent.some((s) => s.method === 'POST')).toBe(false)
  })
})

test.each([
  ['what they usually take', UsualPanel, 'No purchases yet.'],
  ['their other sales', OtherSalePanel, 'No other sales yet.'],
])('%s: where nobody answers it is not said that there is nothing', async (_, Taken, nothing) => {
  const away = { status: 503, body: { type: 'x', detail: 'The database does not answer just now.' } }
  answerCalls({ 'GET /customers/3/usual': away, 'GET /sales': away })
  render(<Taken customerId={3} customer="Hazel" onTake={vi.fn()} onClose={vi.fn()} />)
  expect((await screen.findByRole('alert')).textContent).toBe('The database does not answer just now.')
  expect(screen.queryByText(nothing)).toBeNull()
})
