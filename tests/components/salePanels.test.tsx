import { screen, waitFor } from '@testing-library/react'
import { describe, expect, test } from 'vitest'
import { answerCalls, refuses, type Sent } from './calls'
import { userEvent } from './hand'
import { choose, field, noteOf, press, rowsOf, tick, type } from './hands'
import { said } from './world'
import { openPanel as open, violin } from './sheetSale'

const posted = (sent: readonly Sent[], path: string) => sent.find((s) => s.method === 'POST' && s.path === path)?.body

describe('handing over', () => {
  test('proposes what lies on the shelf, and work as a whole', async () => {
    const sent = answerCalls({ 'POST /sales/7/handovers': { status: 200, body: {} } })
    const closed = open('hand-over')
    expect(rowsOf(screen.getByRole('table')).slice(1)).toEqual([
      'Violin2 of 3 in stock | 3 | How many: Violin',
      'Set-upWork or charge: mark what is done | 1 | How many: Set-up',
    ])
    expect([field('How many: Violin').value, field('How many: Set-up').value]).toEqual(['2', '1'])
    await type('How many: Set-up', '')
    await choose('Method', 'Shipped')
    await press(/^Hand over/)
    await waitFor(() => expect(closed).toHaveBeenCalled())
    expect(posted(sent, '/sales/7/handovers')).toEqual({
      on: '2026-03-02',
      by: 'parcel',
      lines: [{ lineId: 1, quantity: '2' }],
    })
    expect(said).toEqual(['Handed over to Hazel Adair. The cost of goods is posted.'])
  })

  test('of a layaway that is not paid up asks what the rest becomes', async () => {
    const sent = answerCalls({ 'POST /sales/7/handovers': { status: 200, body: {} } })
    open(
      'hand-over',
      { held: '400.00' },
      { layaway: { stands: 'paying in', left: '600.00', fee: '0', back: '400.00' } },
    )
    expect(screen.getByText(/600.00 is still unpaid/)).toBeTruthy()
    await type('Payments', '6')
    await press(/^Hand over/)
    await waitFor(() =>
      expect(posted(sent, '/sales/7/handovers')).toMatchObject({
        turnInto: { kind: 'installments', firstPayment: '400.00', count: 6, every: 'month', firstDue: '2026-04-02' },
      }),
    )
  })

  test('says at its day why it cannot be, and stays open', async () => {
    answerCalls({ 'POST /sales/7/handovers': refuses({ path: 'on', message: 'The books are closed by then.' }) })
    const closed = open('hand-over')
    await press(/^Hand over/)
    await waitFor(() => expect(noteOf(field('Date'))).toBe('The books are closed by then.'))
    expect(closed).not.toHaveBeenCalled()
  })
})

describe('what is not coming', () => {
  test('is struck off with its reason; what is left empty stays', async () => {
    const sent = answerCalls({ 'POST /sales/7/strike-off': { status: 200, body: { totals: { gross: '800.00' } } } })
    const closed = open('strike-off')
    await type('How many: Set-up', '')
    await type('How many: Violin', '1')
    await press(/^Strike off/)
    await waitFor(() => expect(noteOf(field('Reason'))).toContain('A reason is needed'))
    await type('Reason', 'The maker has none')
    await press(/^Strike off/)
    await waitFor(() => expect(closed).toHaveBeenCalled())
    expect(posted(sent, '/sales/7/strike-off')).toEqual({
      reason: 'The maker has none',
      lines: [{ lineId: 1, quantity: '1' }],
    })
    expect(said).toEqual(['Struck off. The order comes to 800.00 now.'])
  })

  test('of a kit is replaced by another part, found while typing', async () => {
    const kit = { ...violin, id: 4, kind: 'kit', description: 'Outfit' }
    const parts = [
      { goodsId: 11, name: 'Bow', quantity: '1' },
      { goodsId: 12, name: 'Case', quantity: '1' },
    ]
    const found = { id: 13, code: 'CS2', name: 'Better case', kind: 'stock', price: '90', available: '2', piece: null }
    const sent = answerCalls({
      'GET /goods': { status: 200, body: { items: [found], next: null } },
      'POST /sales/7/replace-part': { status: 200, body: {} },
    })
    const closed = open('replace-part', { lines: [{ ...kit, parts }] })
    await choose('Part', '4:12')
    await press(/^Replace/)
    await waitFor(() => expect(screen.getByText('Choose what goes instead.')).toBeTruthy())
    await type('Goes instead', 'better')
    await waitFor(() => expect(screen.getByRole('option', { name: /Better case/ })).toBeTruthy())
    await userEvent.click(screen.getByRole('option', { name: /Better case/ }))
    await press(/^Replace/)
    await waitFor(() => expect(closed).toHaveBeenCalled())
    expect(posted(sent, '/sales/7/replace-part')).toEqual({ lineId: '4', part: '12', by: '13' })
  })

  test('freight is asked for where it is not picked up', async () => {
    const sent = answerCalls({ 'POST /sales/7/handovers': { status: 200, body: {} } })
    open('hand-over')
    expect(screen.queryByLabelText('Freight charged')).toBeNull()
    await choose('Method', 'Delivered')
    await type('Freight charged', '12')
    await press(/^Hand over/)
    await waitFor(() => expect(posted(sent, '/sales/7/handovers')).toMatchObject({ by: 'delivery', freight: '12.00' }))
  })
})

describe('invoicing', () => {
  const issued = {
    status: 201,
    body: { id: 9, number: 'I-26-1', totals: { gross: '108.00' }, heldApplied: '50.00', open: '58.00' },
  }

  test('takes what was handed over where anything was, and says what is left to pay', async () => {
    const sent = answerCalls({ 'POST /sales/7/invoices': issued })
    const closed = open('bill', { lines: [{ ...violin, readyToBill: '2' }], held: '50.00' })
    await press(/^Issue invoice/)
    await waitFor(() => expect(closed).toHaveBeenCalled())
    expect(posted(sent, '/sales/7/invoices')).toEqual({ on: '2026-03-02', what: 'handed-over', issue: true })
    expect(said).toEqual(['Invoice I-26-1 issued: 108.00, 50.00 of it already held. Hazel Adair owes 58.00 on it.'])
  })

  test('takes all that remains where nothing was handed over, or a percentage, with a charge that came up', async () => {
    const sent = answerCalls({ 'POST /sales/7/invoices': issued })
    open('bill')
    expect(screen.getByLabelText<HTMLInputElement>('What was handed over (nothing yet)').disabled).toBe(true)
    await tick('A percentage')
    await type('Percent of the order', '40')
    await type('Extra charge', 'Express')
    await type('Amount', '12')
    await press('Save as draft')
    await waitFor(() =>
      expect(posted(sent, '/sales/7/invoices')).toEqual({
        on: '2026-03-02',
        what: { percent: '40' },
        issue: false,
        charges: [{ description: 'Express', quantity: '1', unitPrice: '12.00' }],
      }),
    )
  })

  test('says at the percentage what is wrong with it, and at the line', async () => {
    const sent = answerCalls({ 'POST /sales/7/invoices': issued })
    open('bill')
    await tick('A percentage')
    await type('Percent of the order', '140')
    await press(/^Issue invoice/)
    await waitFor(() => expect(noteOf(field('Percent of the order'))).toBe('A percentage is at most 100.'))
    await tick('Selected quantities')
    // The first line stays out: what is wrong stands in the second all the same.
    await type('How many: Violin', '')
    await type('How many: Set-up', '123456789')
    await press(/^Issue invoice/)
    await waitFor(() => expect(noteOf(field('How many: Set-up'))).toContain('at most four places'))
    expect(sent).toEqual([])
  })

  test('takes chosen quantities of chosen lines', async () => {
    const sent = answerCalls({ 'POST /sales/7/invoices': issued })
    open('bill')
    await tick('Selected quantities')
    await type('How many: Violin', '1')
    await type('How many: Set-up', '0')
    await press(/^Issue invoice/)
    await waitFor(() =>
      expect(posted(sent, '/sales/7/invoices')).toMatchObject({ what: { lines: [{ lineId: 1, quantity: '1' }] } }),
    )
  })
})

describe('a yes', () => {
  test('takes the lines that count, and those they choose besides', async () => {
    const sent = answerCalls({ 'POST /sales/7/agree': { status: 200, body: { lines: [] } } })
    open('agree', { addresses: ['3 Bell Street', '9 Mill Road'] })
    expect([field('How many: Violin').value, field('How many: Set-up').value]).toEqual(['3', ''])
    expect(screen.getByText('optional')).toBeTruthy()
    await type('How many: Set-up', '1')
    await type('Customer PO number', 'PO 12')
    await type('Accepted by', 'Wren')
    await type('Needed by', '+10')
    await choose('How', 'By email')
    await choose('Delivered to', '9 Mill Road')
    await press(/^Save order/)
    await waitFor(() =>
      expect(posted(sent, '/sales/7/agree')).toEqual({
        purchaseOrder: 'PO 12',
        wantedBy: '2026-03-12',
        by: 'Wren',
        how: 'by email',
        deliverTo: '9 Mill Road',
        lines: [
          { lineId: 1, quantity: '3' },
          { lineId: 2, quantity: '1' },
        ],
      }),
    )
    expect(said).toEqual(['Order of Hazel Adair saved. Stock is set aside.'])
  })

  test('says what of it is short', async () => {
    answerCalls({
      'POST /sales/7/agree': {
        status: 200,
        body: { lines: [{ description: 'Violin', agreed: '3', setAside: '2', short: '1' }] },
      },
    })
    open('agree')
    await press(/^Save order/)
    await waitFor(() => expect(said).toEqual(['Order saved. Short: Violin, 2 of 3 in stock.']))
  })
})
