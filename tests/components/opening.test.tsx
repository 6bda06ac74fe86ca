import { render, screen, waitFor, within } from '@testing-library/react'
import { expect, test } from 'vitest'
import { day } from '@/core/day'
import { OpeningDesk } from '@/ui/books/OpeningDesk'
import { answerCalls, refuses } from './calls'
import { userEvent } from './hand'
import { button, field, press, type } from './hands'
import { router, said } from './world'

const open = (more: Partial<Parameters<typeof OpeningDesk>[0]> = {}) =>
  render(
    <OpeningDesk
      on={day('2026-03-02')}
      today={day('2026-03-10')}
      currency="USD"
      accounts={[
        { code: '1020', name: 'Bank' },
        { code: '1500', name: 'Tools' },
      ]}
      places={[{ id: 1, name: 'Shop' }]}
      pieces={false}
      {...more}
    />,
  )
const list = (title: string) => within(screen.getByRole('region', { name: title }))
const bring = (title: string, name: string) =>
  userEvent.upload(screen.getByLabelText(`Import: ${title}`), new File(['x'], name))
const read = (rows: readonly object[], problems: readonly object[] = []) => ({ status: 200, body: { rows, problems } })
const invoice = (row: number, number: string) => ({
  row,
  name: 'Hazel Adair',
  customerId: 4,
  number,
  on: '2025-12-10',
  due: '2026-01-09',
  amount: '120.00',
})

test('what is typed and what a spreadsheet says are entered together', async () => {
  const sent = answerCalls({
    'POST /books/opening/read': ({ query }) =>
      query.get('list') === 'receivables'
        ? read([invoice(2, 'OLD-7')])
        : read([
            { row: 2, name: 'Rosin', goodsId: 9, quantity: '5', unitCost: '6', lot: { code: 'L1' }, serials: ['A'] },
          ]),
    'GET /suppliers': { status: 200, body: { items: [{ id: 3, name: 'Gutwerk Strings' }], next: null } },
    'POST /books/opening': { status: 201, body: { id: 77 } },
  })
  open({ pieces: true })
  await bring('Unpaid invoices', 'invoices.xlsx')
  await screen.findByText('1 row from invoices.xlsx.')
  await bring('Stock', 'stock.csv')
  await screen.findByText('1 row from stock.csv.')
  expect(field('Amount: Hazel Adair, row 1').value).toBe('120.00')
  await userEvent.type(screen.getByRole('combobox', { name: 'Add a bill of a supplier' }), 'gut')
  await userEvent.click(await screen.findByText('Gutwerk Strings'))
  await type('Number: Gutwerk Strings, row 1', 'GS-1')
  await type('Date: Gutwerk Strings, row 1', '1/15/2026')
  await type('Amount: Gutwerk Strings, row 1', '60')
  await userEvent.type(screen.getByRole('combobox', { name: 'Add an account: number or name' }), '10')
  await userEvent.click(await screen.findByText('Bank'))
  await type('Debit: Bank, row 1', '500')
  await press('Enter opening balances')
  await waitFor(() => expect(router.push).toHaveBeenLastCalledWith('/books/entries/77'))
  expect(sent.find((s) => s.path === '/books/opening' && !s.preview)?.body).toEqual({
    on: '2026-03-02',
    receivables: [{ customerId: 4, number: 'OLD-7', on: '2025-12-10', due: '2026-01-09', amount: '120.00' }],
    // Due at once, where no other day is given.
    payables: [{ supplierId: 3, number: 'GS-1', on: '2026-01-15', due: '2026-01-15', amount: '60.00' }],
    held: [],
    stock: [{ goodsId: 9, quantity: '5', unitCost: '6', lot: { code: 'L1' }, serials: ['A'] }],
    accounts: [{ code: '1020', debit: '500.00' }],
  })
  expect(said).toEqual(['Opening balances entered.'])
})

test('a spreadsheet takes the place of the one before; a wrong one is not taken at all', async () => {
  const answers = [
    read([invoice(2, 'OLD-7'), invoice(3, 'OLD-8')]),
    read([], [{ row: 3, code: 'Hazel', message: 'date: “x” is no date.' }]),
    read([invoice(2, 'OLD-9')]),
    refuses({ path: 'base64', message: 'There is no column customer.' }),
  ]
  answerCalls({ 'POST /books/opening/read': () => answers.shift()! })
  open()
  await bring('Unpaid invoices', 'one.csv')
  await waitFor(() => expect(list('Unpaid invoices').getAllByRole('row')).toHaveLength(3))
  await bring('Unpaid invoices', 'two.csv')
  await screen.findByText('Nothing taken from two.csv. Correct these rows, then choose it again.')
  expect(screen.getByText('date: “x” is no date.')).toBeTruthy()
  expect(field('Number: Hazel Adair, row 2').value).toBe('OLD-8')
  await bring('Unpaid invoices', 'three.csv')
  await waitFor(() => expect(field('Number: Hazel Adair, row 1').value).toBe('OLD-9'))
  expect(list('Unpaid invoices').getAllByRole('row')).toHaveLength(2)
  expect(screen.queryByText('date: “x” is no date.')).toBeNull()
  await bring('Unpaid invoices', 'four.csv')
  await screen.findByText('There is no column customer.')
  await press('Remove Hazel Adair, row 1')
  expect(screen.queryByRole('region', { name: 'Unpaid invoices' })).toBeNull()
})

test('of many rows some are in sight, all are kept, and what is refused stands at its row', async () => {
  const many = Array.from({ length: 45 }, (_, i) => invoice(i + 2, `OLD-${i}`))
  const sent = answerCalls({
    'POST /books/opening/read': read(many),
    'POST /books/opening': refuses({
      path: 'receivables.1.on',
      message: 'OLD-1 is dated after the first day. Enter it as an invoice.',
    }),
  })
  open()
  await bring('Unpaid invoices', 'many.csv')
  await screen.findByText('15 more rows')
  await press('15 more rows')
  expect(list('Unpaid invoices').getAllByRole('row')).toHaveLength(46)
  await press('Enter opening balances')
  await waitFor(() => expect(screen.getAllByText(/OLD-1 is dated after the first day/).length).toBeGreaterThan(0))
  expect(field('Date: Hazel Adair, row 2').getAttribute('aria-invalid')).toBe('true')
  const body = sent.find((s) => s.path === '/books/opening' && !s.preview)?.body as { receivables: unknown[] }
  expect(body.receivables).toHaveLength(45)
  expect(button('Enter opening balances').disabled).toBe(false)
})
