import { render, screen, waitFor, within } from '@testing-library/react'
import { describe, expect, test } from 'vitest'
import { arrangement } from '@/contract/arrangement'
import { sayIssues } from '@/contract/sayIssue'
import { day } from '@/core/day'
import { OwnEntry } from '@/ui/books/OwnEntry'
import { ReceiveForm } from '@/ui/buying/ReceiveForm'
import { CountForm } from '@/ui/goods/CountForm'
import { GoodsForm } from '@/ui/goods/GoodsForm'
import { NO_GOODS } from '@/ui/goods/goodsDraft'
import { MoneyInForm } from '@/ui/money/MoneyInForm'
import { withOneMore } from '@/ui/money/counterDraft'
import { parcelsBody } from '@/ui/parcels/pickDraft'
import { CustomerForm } from '@/ui/people/CustomerForm'
import { NO_CUSTOMER } from '@/ui/people/customerDraft'
import { writeOut } from '@/ui/sale/arrangementDraft'
import { GoodsBack } from '@/ui/sale/GoodsBack'
import { emptyLine, isBlank } from '@/ui/sale/lineDraft'
import { DrawerForms } from '@/ui/till/DrawerForms'
import { answerCalls, refuses, type Sent } from './calls'
import { userEvent } from './hand'
import { countLine } from './countLine'
import { field, noteOf, press, tick, type } from './hands'
import { openPanel } from './sheetSale'

/* What is typed is sent, or refused at its field: never left out, and never taken for something else. */

const TODAY = day('2026-03-02')
const NOT_SENT: readonly unknown[] = []

describe('the drawer', () => {
  test.each(['x', '1.5', '-3'])(
    'a count of “%s” coins is refused at the coin, and nothing is posted',
    async (typed) => {
      const sent = answerCalls({})
      render(<DrawerForms on={TODAY} today={TODAY} currency="USD" expected="120.00" accounts={[]} />)
      await type('How many of 50.00', '2')
      await type('How many of 0.25', typed)
      // What cannot be counted is not said to be short.
      expect(screen.queryByRole('status')).toBeNull()
      await press('Close the day')
      await waitFor(() => expect(field('How many of 0.25').getAttribute('aria-invalid')).toBe('true'))
      expect(noteOf(field('How many of 0.25'))).not.toBe('')
      expect(noteOf(field('How many of 50.00'))).toBe('')
      expect(sent).toEqual(NOT_SENT)
    },
  )
})

describe('rows of which something is typed', () => {
  test('an entry’s amounts without an account', async () => {
    const sent = answerCalls({})
    render(<OwnEntry today={TODAY} currency="USD" accounts={[{ code: '1020', name: 'Bank' }]} onDone={() => {}} />)
    await type('Description', 'Set right')
    await type('Debit of line 1', '10')
    await type('Credit of line 2', '10')
    await press('Post entry')
    await waitFor(() => expect(noteOf(field('Account of line 1'))).toBe('An account is needed.'))
    expect(noteOf(field('Account of line 2'))).toBe('An account is needed.')
    expect(sent).toEqual(NOT_SENT)
  })

  test('a contact’s phone without a name, and where to leave it without an address', async () => {
    const sent = answerCalls({})
    render(
      <CustomerForm
        id={null}
        start={{ ...NO_CUSTOMER, name: 'Ann Ash' }}
        currency="USD"
        today={TODAY}
        levels={[]}
        areas={[]}
      />,
    )
    await press('Add contact')
    const contact = within(screen.getByRole('button', { name: 'Remove contact 1' }).parentElement as HTMLElement)
    await userEvent.type(contact.getByLabelText('Phone'), '555-0100')
    await press('Add delivery address')
    await type('Delivery instructions', 'Ring twice')
    await press('Add customer')
    await waitFor(() => expect(noteOf(field('Deliver to'))).toBe('An address is needed.'))
    expect(noteOf(contact.getByLabelText('Name'))).toBe('A name is needed.')
    expect(sent.filter((s) => s.method === 'POST')).toEqual(NOT_SENT)
  })

  test('a price from so many on without a price, and a supplier’s code without a supplier', async () => {
    const sent = answerCalls({})
    render(
      <GoodsForm
        id={null}
        start={{ ...NO_GOODS, code: 'ROS', name: 'Rosin', price: '9.50', taxCode: 'STD' }}
        currency="USD"
        today={TODAY}
        codes={[{ code: 'STD', name: 'Sales tax' }]}
        accounts={[]}
        places={[]}
        levels={[]}
      />,
    )
    await press('Add price')
    await type('From quantity', '10')
    await press('Add supplier')
    await type('Supplier’s code', 'R-7')
    await press('Add item')
    await waitFor(() => expect(noteOf(field('Unit price'))).toMatch(/^A price is written like/))
    expect(noteOf(field('Supplier 1'))).toBe('Name the supplier.')
    expect(sent.filter((s) => s.method === 'POST')).toEqual(NOT_SENT)
  })

  test('serials that came, with no number of them', async () => {
    const sent = answerCalls({})
    render(
      <ReceiveForm
        direct={false}
        orderId={3}
        lines={[{ id: 1, description: 'Violin', toReceive: '2', track: 'serial', codes: [] }]}
        places={[]}
        today={TODAY}
        onDone={() => {}}
      />,
    )
    await type('How many: Violin', '0')
    await type('Serials: Violin', 'FS-103')
    await press(/^Receive/)
    await waitFor(() => expect(noteOf(field('How many: Violin'))).toBe('The quantity must be above zero.'))
    expect(sent).toEqual(NOT_SENT)
  })

  test('goods that come back: a serial alone, or a zero, is not all of them', async () => {
    const sent = answerCalls({})
    render(
      <GoodsBack
        handoverId={4}
        number="H-26-4"
        today={TODAY}
        places={[]}
        lines={[
          { lineId: 1, description: 'Violin', quantity: '2', track: 'serial' },
          { lineId: 2, description: 'Rosin', quantity: '5', track: 'none' },
        ]}
      />,
    )
    await press('Return goods')
    await type('Serials of Violin', 'FS-103')
    await type('Rosin, of 5', '0')
    await type('Reason', 'A crack')
    await press(/^Return goods/)
    await waitFor(() => expect(noteOf(field('Violin, of 2'))).toMatch(/^A quantity is written like/))
    expect(noteOf(field('Rosin, of 5'))).toBe('The quantity must be above zero.')
    expect(sent).toEqual(NOT_SENT)
  })

  test('a new lot and a cost without a count, told in their rows', async () => {
    const sent = answerCalls({
      'POST /stock-counts': refuses(
        { path: 'lines.0.unitCost', message: 'A price is written like 19.90 and is not negative.' },
        { path: 'lines.1.lot', message: 'A lot is needed.' },
      ),
    })
    const row = (goodsId: number, name: string, more: object = {}) =>
      countLine({ key: String(goodsId), goodsId, code: name.slice(0, 2), name, onHand: '5', ...more })
    render(
      <CountForm
        currency="USD"
        today={TODAY}
        placeId={null}
        lines={[row(1, 'Violin'), row(2, 'Bow'), row(3, 'Rosin', { track: 'lot', isNew: true })]}
      />,
    )
    await type('Cost of new ones: Bow', 'much')
    await type('New lot: Rosin', 'A-7')
    await press('Save count (2 items)')
    await waitFor(() => expect(noteOf(field('Cost of new ones: Bow'))).toMatch(/^A price is written like/))
    expect(noteOf(field('New lot: Rosin'))).toBe('A lot is needed.')
    expect(screen.getByRole('alert').textContent).toMatch(/^Bow: A price is written .* Rosin: A lot is needed\.$/)
    expect(noteOf(field('Cost of new ones: Violin'))).toBe('')
    expect(sent[0]?.body).toMatchObject({ lines: [{ goodsId: 2, unitCost: 'much' }, { goodsId: 3 }] })
  })

  test('a line of a sale with a quantity or a note is no blank one; a parcel with a weight is none that is empty', () => {
    const line = emptyLine('STD')
    expect([line, { ...line, quantity: '' }, { ...line, quantity: '0' }].map(isBlank)).toEqual([true, true, true])
    for (const typed of [
      { quantity: '2' },
      { note: 'gold' },
      { less: '5%' },
      { unitPrice: '1.00' },
      { deliverTo: 'x' },
    ])
      expect(isBlank({ ...line, ...typed })).toBe(false)
    const parcel = { weight: '', size: '', quantities: {} }
    expect(parcelsBody([parcel, { ...parcel, weight: '2' }]).parcels).toEqual([{ weight: '2', lines: [] }])
  })
})

describe('figures that are none', () => {
  test('money put on a thing stands refused at it, and is not kept on account instead', async () => {
    const due = (dueId: number, what: string) => ({
      key: `d${dueId}`,
      dueId,
      saleId: dueId,
      what,
      note: '',
      late: false,
      open: '100.00',
      discount: '0.00',
      asked: '100.00',
    })
    const sent = answerCalls({
      'GET /customers/5/open': {
        status: 200,
        body: { owed: '200.00', late: '0.00', held: '0.00', usually: '', items: [due(1, 'I-1'), due(2, 'I-2')] },
      },
      'POST /receipts': refuses({ path: 'for.0.amount', message: 'An amount is written like 412.50.' }),
    })
    const customer = { id: 5, name: 'Ines Marlowe' }
    render(<MoneyInForm currency="USD" today={TODAY} customer={customer} saleId={null} smallestCoin={1} />)
    await screen.findByLabelText('Apply to I-1')
    await type('Amount', '150')
    await type('Apply to I-1', '0')
    await type('Apply to I-2', '12.5o')
    await press(/^Take payment/)
    await waitFor(() => expect(noteOf(field('Apply to I-2'))).toBe('An amount is written like 412.50.'))
    expect(noteOf(field('Apply to I-1'))).toBe('')
    expect(sent.find((s) => s.method === 'POST')?.body).toMatchObject({ for: [{ dueId: 2, amount: '12.5o' }] })
  })

  test('payments that become of a layaway’s rest', async () => {
    const sent = answerCalls({})
    openPanel(
      'hand-over',
      { held: '400.00' },
      { layaway: { stands: 'paying in', left: '600.00', fee: '0', back: '400.00' } },
    )
    await type('Payments', 'x')
    await press(/^Hand over/)
    await waitFor(() => expect(field('Payments').getAttribute('aria-invalid')).toBe('true'))
    expect(sent.filter((s) => s.method === 'POST')).toEqual(NOT_SENT)
  })

  test('days and parts of terms go as what they are, so that they are refused', () => {
    const terms = {
      net: '30',
      parts: '1',
      discountPercent: '',
      discountDays: '',
      every: 'month',
      kind: 'terms',
    } as const
    const written = (more: object) => writeOut({ ...terms, ...more } as never)
    expect(written({})).toEqual({ kind: 'terms', net: 30 })
    expect(written({ net: '' })).toEqual({ kind: 'terms', net: 0 })
    expect(written({ net: 'x' })).toEqual({ kind: 'terms', net: Number.NaN })
    expect(written({ parts: 'x' })).toMatchObject({ parts: Number.NaN })
    expect(written({ parts: '-3' })).toMatchObject({ parts: -3 })
  })

  test('one more of a line whose quantity is none is one', () => {
    const rosin = { id: 1, name: 'Rosin', code: 'RO', price: '6.00', taxCode: 'STD', kind: 'work' } as never
    const [line] = withOneMore([], rosin)
    const scanned = (quantity: string) => withOneMore([{ ...line!, quantity }], rosin)[0]?.quantity
    expect([scanned('1'), scanned('x'), scanned('1.0003')]).toEqual(['2', '1', '2.0003'])
  })
})

describe('what is refused of payment terms stands at its field', () => {
  /** Answers as the call does: by what its schema says of the body. */
  const bySchema = ({ body }: Sent) => {
    const read = arrangement.safeParse(body)
    return read.success ? { status: 200, body: {} } : refuses(...sayIssues(read.error))
  }
  test.each([
    ['Net days', 'Due in (days)', '1.5', 'A whole number of days.'],
    ['Net days', 'Early-payment discount, %', '2000', 'A percentage is written like 40 or 2.5.'],
    ['Deposit first', 'First deposit, % of total incl. tax', '2000', 'A percentage is written like 40 or 2.5.'],
    ['Deposit first', 'Second deposit, %', '2000', 'A percentage is written like 40 or 2.5.'],
    ['Layaway (goods stay until paid)', 'Cancellation fee, %', '2000', 'A percentage is written like 40 or 2.5.'],
    [
      'Installments (goods go now)',
      'Interest rate per year, %',
      '150',
      'A percentage is written like 40 or 2.5, and is at most 100.',
    ],
    ['Installments (goods go now)', 'Late fee, %', '2000', 'A percentage is written like 40 or 2.5.'],
  ])('%s, %s', async (kind, label, typed, says) => {
    answerCalls({ 'POST /sales/7/arrangement': bySchema })
    openPanel('pay-how')
    await tick(kind)
    await type(label, typed)
    await press(/^Save terms/)
    await waitFor(() => expect(noteOf(field(label))).toBe(says))
    expect(screen.getByRole('alert').textContent).toBe(says)
  })
})
