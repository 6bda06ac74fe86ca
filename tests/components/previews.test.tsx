import { screen, waitFor } from '@testing-library/react'
import { describe, expect, test } from 'vitest'
import { answerCalls, type Sent } from './calls'
import { button, choose, field, press, type } from './hands'
import { openPanel } from './sheetSale'

/** What a preview of a command answers: what it would, and what it would post. */
const would = (answer: object, lines: readonly (readonly [string, string, string])[] = []) => ({
  status: 200,
  body: {
    ...answer,
    answer,
    entries:
      lines.length === 0
        ? []
        : [
            {
              on: '2026-03-02',
              text: '',
              lines: lines.map(([name, debit, credit]) => ({ account: name, name, debit, credit })),
            },
          ],
  },
})
const figures = () => [...screen.getByRole('dialog').querySelectorAll('dl .fig')].map((e) => e.textContent)

describe('a panel says in figures what it will do', () => {
  test('an invoice: its total, what is held of it, what is left and when it is due, and its entry', async () => {
    const asked: unknown[] = []
    const answer = {
      id: 0,
      number: '2026-0009',
      totals: { gross: '1082.50' },
      heldApplied: '500.00',
      open: '582.50',
      dues: [{ due: '2026-04-01', open: '582.50' }],
    }
    answerCalls({
      'POST /sales/7/invoices': (s: Sent) => {
        asked.push([s.preview, s.body])
        return would(answer, [
          ['Accounts receivable', '1082.50', '0.00'],
          ['Sales of goods', '0.00', '1082.50'],
        ])
      },
    })
    openPanel('bill', { held: '500.00' })
    await waitFor(() => expect(figures()).toEqual(['1,082.50', '−500.00', '582.50']))
    expect(screen.getByText('Balance, due 1 Apr 2026')).toBeTruthy()
    expect(screen.getByText('Accounts receivable').closest('tr')?.textContent).toContain('1,082.50')
    // It only asked; nothing was done.
    expect(asked.every((a) => (a as [boolean])[0])).toBe(true)
    expect(button(/^Issue invoice/).disabled).toBe(false)
  })

  test('an order: what will be short', async () => {
    const lines = [
      { description: 'Violin', agreed: '3', setAside: '2', short: '1' },
      { description: 'Set-up', agreed: '1', setAside: '0', short: '0' },
    ]
    answerCalls({ 'POST /sales/7/agree': () => would({ lines }) })
    openPanel('agree', { stands: 'offered', agreed: false })
    expect(await screen.findByText('Short: Violin, 2 of 3 in stock.')).toBeTruthy()
  })

  test('what is changed is asked anew, and an older answer is not shown for it', async () => {
    answerCalls({
      'POST /dues/22/write-off': (s: Sent) => would({}, [['Bad debts', (s.body as { amount: string }).amount, '0.00']]),
    })
    const due = { id: 22, name: 'Invoice 1', dueOn: '2026-01-01' as never, open: '50.00', late: true }
    openPanel('write-off', {}, { dues: [due] })
    await type('Amount', '20')
    await waitFor(() => expect(screen.getByText('Bad debts').closest('tr')?.textContent).toContain('20.00'))
    expect(screen.queryByText('50.00')).toBeNull()
  })

  test('what is being sent is not asked about: the answer would be of after', async () => {
    const sent = answerCalls({ 'POST /dues/22/write-off': () => would({}) }, () => 500)
    openPanel(
      'write-off',
      {},
      {
        dues: [{ id: 22, name: 'Invoice 1', dueOn: '2026-01-01' as never, open: '50.00', late: true }],
      },
    )
    await type('Amount', '20')
    await type('Reason', 'Moved away')
    await press(/^Write off/)
    await waitFor(() => expect(sent.some((s) => !s.preview)).toBe(true))
    await new Promise((done) => setTimeout(done, 400))
    expect(sent.slice(sent.findIndex((s) => !s.preview) + 1)).toEqual([])
  })

  test('what cannot be done yet shows nothing and refuses nothing', async () => {
    answerCalls({ 'POST /sales/7/handovers': () => ({ status: 409, body: { detail: 'Only 2 are in stock.' } }) })
    openPanel('hand-over')
    await type('How many: Violin', '3')
    await choose('Method', 'Shipped')
    await new Promise((done) => setTimeout(done, 400))
    expect(screen.queryByText('In the books')).toBeNull()
    expect(field('How many: Violin').value).toBe('3')
    await press(/^Hand over/)
    await waitFor(() => expect(screen.getByRole('alert').textContent).toBe('Only 2 are in stock.'))
  })
})
