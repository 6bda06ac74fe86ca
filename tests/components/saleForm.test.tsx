import { render, screen, waitFor } from '@testing-library/react'
import { userEvent } from './hand'
import { describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import { present } from '@/core/present'
import { emptyLine, type LineDraft } from '@/ui/sale/lineDraft'
import { SaleForm } from '@/ui/sale/SaleForm'
import { NO_FACTS } from '@/ui/sale/saleFacts'
import { INES } from './buyer'
import { answerCalls, refuses } from './calls'
import { router } from './world'
import { STD_CODES } from './stdCodes'

const lineOf = (change: Partial<LineDraft>): LineDraft => ({ ...emptyLine('STD'), description: 'A bow', ...change })
const open = (lines: readonly LineDraft[]) =>
  render(
    <SaleForm
      sale={null}
      today={day('2026-03-02')}
      settings={{ currency: 'USD', areas: [], roundPer: 'document', codes: STD_CODES }}
      pricesIncludeTax={false}
      kinds={['sales']}
      buyer={INES}
      facts={NO_FACTS}
      lines={lines}
    />,
  )
const field = (label: string) => screen.getByLabelText<HTMLInputElement>(label)
const noteOf = (input: HTMLElement): string =>
  document.getElementById(input.getAttribute('aria-describedby') ?? '')?.textContent ?? ''
const write = () => userEvent.click(screen.getByRole('button', { name: 'Save draft' }))

describe('the lines of a sale while they are typed', () => {
  test('add up with tax at every key', async () => {
    answerCalls({})
    open([lineOf({ quantity: '2', unitPrice: '19.90' })])
    // 2 × 19.90 = 39.80; 8.25 % of it is 3.2835, 3.28; together 43.08.
    expect(screen.getByText('43.08')).toBeTruthy()
    await userEvent.clear(field('Line 1: quantity'))
    await userEvent.type(field('Line 1: quantity'), '3')
    // 59.70 + 4.93 (4.92525 rounded half up) = 64.63.
    await waitFor(() => expect(screen.getByText('64.63')).toBeTruthy())
  })

  test('take what comes off a line and off the whole', () => {
    answerCalls({})
    open([lineOf({ quantity: '1', unitPrice: '100.00', less: '10%' })])
    // 90.00 + 7.43 (7.425 rounded half up).
    expect(screen.getByText('97.43')).toBeTruthy()
  })

  test('a credit limit passed is told with how far', () => {
    answerCalls({})
    // 40.00 committed and 129.90 more (120.00 + 9.90) are 169.90: 19.90 above 150.00.
    open([lineOf({ quantity: '1', unitPrice: '120.00' })])
    expect(screen.getByText(/over their credit limit/).textContent).toContain('19.90')
  })

  test('letters in a quantity are told at the field as soon as it is left', async () => {
    answerCalls({})
    open([lineOf({ quantity: '1', unitPrice: '10.00' })])
    await userEvent.clear(field('Line 1: quantity'))
    await userEvent.type(field('Line 1: quantity'), 'two')
    await userEvent.tab()
    expect(noteOf(field('Line 1: quantity'))).toBe('Write a number, such as 2 or 1.5.')
    expect(field('Line 1: quantity').value).toBe('two')
  })

  test('what is refused of line 2 stands in line 2, though a blank line lies between', async () => {
    const sent = answerCalls({
      'POST /sales': refuses({ path: 'lines.1.quantity', message: 'The quantity must be above zero.' }),
    })
    open([
      lineOf({ quantity: '1', unitPrice: '10.00' }),
      emptyLine('STD'),
      lineOf({ quantity: '0', unitPrice: '5.00' }),
    ])
    await write()
    await waitFor(() => expect(noteOf(field('Line 3: quantity'))).toBe('The quantity must be above zero.'))
    expect(noteOf(field('Line 1: quantity'))).toBe('')
    expect(screen.getByRole('alert').textContent).toBe('Line 3: The quantity must be above zero.')
    expect((present(sent[0]).body as { lines: unknown[] }).lines).toHaveLength(2)
    expect(router.push).not.toHaveBeenCalled()
  })

  test('go as the call takes them, and the sale opens', async () => {
    const sent = answerCalls({
      'POST /sales': { status: 201, body: { id: 9, number: 1700, lines: [] } },
    })
    open([lineOf({ quantity: '2', unitPrice: '19.90', less: '5%+1.00' })])
    await write()
    await waitFor(() => expect(router.push).toHaveBeenCalledWith('/sales/9'))
    expect(sent.find((c) => c.path === '/sales')?.body).toMatchObject({
      customerId: 5,
      lines: [
        { description: 'A bow', quantity: '2', unitPrice: '19.90', discountPercent: '5', discountAmount: '1.00' },
      ],
    })
  })

  test('two clicks send one sale', async () => {
    const sent = answerCalls({ 'POST /sales': { status: 201, body: { id: 9, number: 1700, lines: [] } } })
    open([lineOf({ quantity: '1', unitPrice: '5.00' })])
    await userEvent.dblClick(screen.getByRole('button', { name: 'Save draft' }))
    await waitFor(() => expect(router.push).toHaveBeenCalled())
    expect(sent.filter((c) => c.path === '/sales' && c.method === 'POST')).toHaveLength(1)
  })

  test('a new line goes in at the end, and Enter in a figure leads on to it', async () => {
    answerCalls({})
    open([lineOf({ quantity: '1', unitPrice: '5.00' })])
    field('Line 1: quantity').focus()
    await userEvent.keyboard('{Enter}')
    expect(document.activeElement).toBe(field('Line 1: price'))
    await userEvent.keyboard('{Enter}')
    await waitFor(() => expect(document.activeElement).toBe(field('Line 2: item')))
  })

  test('rows pasted from a spreadsheet become lines', async () => {
    answerCalls({})
    open([])
    field('Line 1: item').focus()
    await userEvent.paste('2\tRosin\t9.50\n1\tA string\t12.00')
    await waitFor(() => expect(field('Line 2: quantity').value).toBe('1'))
    expect(field('Line 1: price').value).toBe('9.50')
  })
})
