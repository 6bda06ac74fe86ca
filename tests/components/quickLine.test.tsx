import { render, screen, waitFor } from '@testing-library/react'
import { userEvent } from './hand'
import { describe, expect, test } from 'vitest'
import { QuickLine } from '@/ui/QuickLine'
import { answerCalls, gate, type Sent } from './calls'
import { router, said } from './world'

describe('the quick line', () => {
  const line = () => screen.getByLabelText<HTMLInputElement>('Quick line')
  const offers = (...items: object[]) => ({ status: 200, body: { items, next: null } })

  test('goes where it says', async () => {
    answerCalls({ 'GET /quick-line': offers({ text: 'Hazel Adair', note: 'owes 108.00', go: '/people/3' }) })
    render(<QuickLine currency="USD" />)
    await userEvent.type(line(), 'hazel')
    expect(await screen.findByText('owes 108.00')).toBeTruthy()
    await userEvent.keyboard('{Enter}')
    expect(router.push).toHaveBeenCalledWith('/people/3')
    expect(line().value).toBe('')
  })

  test('does what it says, once, and shows what was made', async () => {
    const sent = answerCalls({
      'GET /quick-line': offers({
        text: 'Take 250.00 in cash from Hazel Adair',
        send: { path: '/receipts', body: { amount: '250.00' }, said: 'Taken, receipt', thenTo: '/receipts' },
      }),
      'POST /receipts': { status: 201, body: { id: 9, number: 'R-26-9' } },
    })
    render(<QuickLine currency="USD" />)
    await userEvent.type(line(), 'take 250 cash from hazel')
    await screen.findByText('Take 250.00 in cash from Hazel Adair')
    await userEvent.keyboard('{Enter}')
    await waitFor(() => expect(router.push).toHaveBeenCalledWith('/receipts/9'))
    expect(said).toEqual(['Taken, receipt R-26-9.'])
    const posted = sent.filter((s) => s.method === 'POST')
    expect(posted).toHaveLength(1)
    expect(posted[0]!.key).toBeTruthy()
  })

  test('Enter does what is typed at that moment, never what an older answer said', async () => {
    let answered = gate()
    const sent = answerCalls(
      {
        'GET /quick-line': ({ query }: Sent) => {
          const [, amount] = /take (\d+)/.exec(query.get('text') ?? '') ?? []
          const take = { text: `Take ${amount}`, send: { path: '/receipts', body: { amount }, said: 'Taken' } }
          return { status: 200, body: { items: amount ? [take] : [] } }
        },
        'POST /receipts': { status: 201, body: { id: 9 } },
      },
      (path) => (path === '/quick-line' ? answered.opened : 0),
    )
    /** Types before anything of it is answered. */
    const ahead = async (keys: string) => {
      answered = gate()
      await userEvent.type(line(), keys)
      answered.open()
    }
    render(<QuickLine currency="USD" />)
    await ahead('take 25')
    await screen.findByText('Take 25')
    await ahead('0{Enter}')
    await waitFor(() => expect(sent.filter((s) => s.method === 'POST').map((s) => s.body)).toEqual([{ amount: '250' }]))
    // What is typed over what Enter was pressed on takes the wish back.
    await ahead('take 3{Enter}5')
    await screen.findByText('Take 35')
    expect(sent.filter((s) => s.method === 'POST')).toHaveLength(1)
  })

  test('that nobody answered, pressed again is the same command, never a second one', async () => {
    let answers = 0
    const sent = answerCalls({
      'GET /quick-line': offers({
        text: 'Take 70.00',
        send: { path: '/receipts', body: { amount: '70.00' }, said: 'Taken' },
      }),
      'POST /receipts': () => {
        if (answers++ === 0) throw new TypeError('Failed to fetch')
        return { status: 201, body: { id: 9 } }
      },
    })
    render(<QuickLine currency="USD" />)
    await userEvent.type(line(), 'take 70')
    await screen.findByText('Take 70.00')
    await userEvent.keyboard('{Enter}')
    await waitFor(() => expect(said).toHaveLength(1))
    await userEvent.keyboard('{Enter}')
    await waitFor(() => expect(said.at(-1)).toBe('Taken.'))
    const keys = sent.filter((s) => s.method === 'POST').map((s) => s.key)
    expect(keys).toHaveLength(2)
    expect(new Set(keys).size).toBe(1)
  })

  test('says why it did not, and keeps what was typed', async () => {
    answerCalls({
      'GET /quick-line': offers({ text: 'Take 250.00', send: { path: '/receipts', body: {}, said: 'Taken' } }),
      'POST /receipts': { status: 409, body: { type: 'x', detail: 'The books are closed.' } },
    })
    render(<QuickLine currency="USD" />)
    await userEvent.type(line(), 'take 250')
    await screen.findByText('Take 250.00')
    await userEvent.keyboard('{Enter}')
    await waitFor(() => expect(said).toEqual(['The books are closed.']))
    expect(line().value).toBe('take 250')
  })

  test('fills in what it understood so far, and Escape empties it', async () => {
    answerCalls({ 'GET /quick-line': offers({ text: 'take … cash', fill: 'take 250 cash from ' }) })
    render(<QuickLine currency="USD" />)
    await userEvent.type(line(), 'ta')
    await screen.findByText('take … cash')
    await userEvent.keyboard('{Enter}')
    expect(line().value).toBe('take 250 cash from ')
    await userEvent.keyboard('{Escape}')
    expect(line().value).toBe('')
  })
})
