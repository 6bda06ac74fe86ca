import { render, screen, waitFor } from '@testing-library/react'
import { expect, test } from 'vitest'
import { day } from '@/core/day'
import { BillForm } from '@/ui/buying/BillForm'
import { answerCalls, refuses } from './calls'
import { userEvent } from './hand'
import { choose, field, press, type } from './hands'
import { said } from './world'

/** A supplier's bill, to be entered from their file. */
const open = () =>
  render(
    <BillForm
      supplier={{ id: 3, name: 'Halden String Works', taxCode: null }}
      goods={[]}
      accounts={[{ id: 40, code: '6000', name: 'Rent' }]}
      codes={[{ code: 'STD', name: 'Sales tax' }]}
      currency="USD"
      today={day('2026-03-02')}
    />,
  )
const upload = (content: string, name: string, kind: string) =>
  userEvent.upload(screen.getByLabelText(/^From a file/), new File([content], name, { type: kind }))

test('a bill is filled in from their file, exact to the cent; what fits nothing goes to an account, and it may be paid at once', async () => {
  const line = { goodsId: null }
  const read = {
    supplierId: 7,
    supplier: 'Gutwerk',
    theirNumber: 'GW-77',
    enteredAs: null,
    on: '2026-02-27',
    due: '2026-03-29',
    lines: [
      // A third of 10.00 each: the price is rounded, the amount is not.
      {
        ...line,
        receivedLineId: 8,
        description: 'Music stand',
        quantity: '3',
        unitCost: '3.3333',
        amount: '10.00',
        tax: '1.00',
      },
      {
        ...line,
        description: 'Carriage',
        quantity: '1',
        unitCost: '9',
        amount: '9.00',
        tax: '0.90',
      },
    ],
  }
  const paid = {
    id: 5,
    number: 'I-5',
    supplier: 'Halden',
    totals: { gross: '62.79' },
    open: '0.00',
    priceDifference: '0.00',
  }
  const sent = answerCalls({
    'POST /bills/read': { status: 200, body: read },
    'POST /bills': { status: 201, body: paid },
  })
  open()
  await upload('<Invoice/>', 'gw.xml', 'text/xml')
  await screen.findByText('Read. Compare it, then enter it.')
  expect(field('Number on their bill').value).toBe('GW-77')
  await choose('Paid at once from', 'My own pocket')
  await press(/^Enter bill/)
  await waitFor(() => expect(said).toEqual(['I-5: Paid to Halden.']))
  expect(sent.findLast((s) => s.path === '/bills' && !s.preview)?.body).toEqual({
    supplierId: '7',
    theirNumber: 'GW-77',
    on: '2026-02-27',
    due: '2026-03-29',
    paidFrom: 'own-pocket',
    lines: [
      { receivedLineId: 8, description: 'Music stand', quantity: '3', amount: '10.00', tax: '1.00' },
      { accountId: '40', description: 'Carriage', amount: '9.00', tax: '0.90' },
    ],
  })
})

test('a bill is filled in from a PDF that brings an e-invoice along; where something was typed, when that is asked for', async () => {
  const lines = [{ goodsId: null, description: 'Carriage', quantity: '1', unitCost: '9', amount: '9.00', tax: '0' }]
  const read = { supplierId: null, supplier: 'Halden', theirNumber: 'GW-9', enteredAs: null, on: '2026-02-27', lines }
  const sent = answerCalls({ 'POST /bills/read': { status: 200, body: read } })
  open()
  await upload('%PDF-1.7', 'gw.pdf', 'application/pdf')
  await waitFor(() => expect(field('Number on their bill').value).toBe('GW-9'))
  expect(screen.getByTitle('Their bill')).toBeTruthy()
  await type('Number on their bill', 'MINE')
  await upload('%PDF-1.7', 'gw.pdf', 'application/pdf')
  await screen.findByText('There is an e-invoice in this PDF.')
  expect(field('Number on their bill').value).toBe('MINE')
  await press('Fill in the form from it')
  expect(field('Number on their bill').value).toBe('GW-9')
  expect(sent.map((s) => s.path).filter((path) => path === '/bills/read')).toHaveLength(2)
})

test('a PDF without an e-invoice is looked at, which is no failure', async () => {
  const detail = 'There is no e-invoice in this PDF. Enter the bill from what it shows.'
  answerCalls({ 'POST /bills/read': { status: 422, body: { type: 'urn:iron-till:problem:no-e-invoice', detail } } })
  open()
  await upload('%PDF-1.7', 'gw.pdf', 'application/pdf')
  await waitFor(() => expect(screen.getByRole('status').textContent).toBe(detail))
  expect(screen.queryByRole('alert')).toBeNull()
  expect(screen.getByTitle('Their bill')).toBeTruthy()
})

test('a file that cannot be read says why, and nothing typed is lost', async () => {
  const message = 'This file is UBL 2.3. Only 2.1 is read: ask for that, or type the bill.'
  answerCalls({ 'POST /bills/read': refuses({ path: 'version', message }) })
  open()
  await type('Number on their bill', 'MINE-1')
  await upload('<a/>', 'a.xml', 'text/xml')
  expect(await screen.findByText(message)).toBeTruthy()
  expect(field('Number on their bill').value).toBe('MINE-1')
})
