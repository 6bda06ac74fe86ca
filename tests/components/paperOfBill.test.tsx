import { render, screen, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { day } from '@/core/day'
import { LARGEST_FILE } from '@/core/kinds'
import { BillForm } from '@/ui/buying/BillForm'
import { answerCalls, refuses } from './calls'
import { userEvent } from './hand'
import { press, type } from './hands'
import { router, said } from './world'

const entered = {
  status: 201,
  body: { id: 5, number: 'I-5', supplier: 'Halden', open: '9.90', priceDifference: '0.00' },
}
const photo = (size = 8) => new File([new Uint8Array(size)], 'bill.jpg', { type: 'image/jpeg' })

beforeEach(() => {
  URL.createObjectURL = () => 'blob:bill'
  URL.revokeObjectURL = () => {}
})
afterEach(() => vi.restoreAllMocks())

const open = () =>
  render(
    <BillForm
      supplier={{ id: 3, name: 'Halden String Works', taxCode: null }}
      goods={[]}
      accounts={[{ id: 41, code: '6010', name: 'Utilities and telephone' }]}
      codes={[]}
      currency="USD"
      today={day('2026-03-02')}
    />,
  )
const choose = (file: File) => userEvent.upload(screen.getByLabelText(/^From a file/), file)
const enter = async () => {
  await type('Number on their bill', 'HS-1')
  await type('Net', '9.90')
  await press(/^Enter bill/)
}

test('a photo of a bill stands beside it, and is kept with it when it is entered', async () => {
  const sent = answerCalls({ 'POST /bills': entered, 'POST /files': { status: 201, body: { id: 1 } } })
  open()
  await choose(photo())
  expect((await screen.findByAltText<HTMLImageElement>('Their bill')).src).toBe('blob:bill')
  await enter()
  await waitFor(() => expect(sent.find((s) => s.path === '/files')).toBeDefined())
  expect(sent.find((s) => s.path === '/files')?.body).toEqual({
    ownerKind: 'bill',
    ownerId: 5,
    name: 'bill.jpg',
    base64: 'AAAAAAAAAAA=',
  })
  expect(said).toEqual(['I-5: 9.90 owed to Halden.'])
})

test('one that is not kept is told, with where it can be added', async () => {
  answerCalls({ 'POST /bills': entered, 'POST /files': refuses({ path: 'base64', message: 'The disk is full.' }) })
  open()
  await choose(photo())
  await enter()
  await waitFor(() =>
    expect(said).toEqual([
      'I-5: 9.90 owed to Halden.',
      'bill.jpg is not kept with I-5. The disk is full. Add it on the page of the bill.',
    ]),
  )
  expect(router.push).toHaveBeenCalledWith('/buying/bills/5')
})

test('one that is too large is refused when it is chosen', async () => {
  open()
  await choose(photo(LARGEST_FILE + 1))
  screen.getByText(/^bill.jpg is larger than 4 MB/)
  expect(screen.queryByAltText('Their bill')).toBeNull()
})
