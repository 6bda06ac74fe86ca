import { screen, waitFor } from '@testing-library/react'
import { describe, expect, test } from 'vitest'
import { answerCalls, gate, type Sent } from './calls'
import { button, choose, field, noteOf, press, tick, type } from './hands'
import { said, undos } from './world'
import { openPanel as open } from './sheetSale'

const posted = (sent: readonly Sent[], path: string) => sent.find((s) => s.method === 'POST' && s.path === path)?.body

describe('an estimate that goes out', () => {
  const draft = { customerId: 3, customer: 'Hazel Adair', to: 'hazel@mail.example', subject: 'Estimate', body: 'Hello' }

  test('is good for as long as Settings say, and is mailed where there is an address', async () => {
    const sent = answerCalls({
      'GET /post/draft': { status: 200, body: draft },
      'POST /sales/7/offer': { status: 200, body: {} },
      'POST /post': { status: 201, body: { id: 5 } },
      'POST /post/5/send': { status: 200, body: { state: 'sent', to: 'hazel@mail.example', problem: '' } },
    })
    const closed = open('offer', { stands: 'draft', agreed: false })
    await waitFor(() => expect(field('To').value).toBe('hazel@mail.example'))
    expect(field('Valid until').value).toBe('1 Apr 2026')
    await press(/^Send the estimate/)
    await waitFor(() => expect(closed).toHaveBeenCalled())
    expect(posted(sent, '/sales/7/offer')).toEqual({ validUntil: '2026-04-01' })
    expect(posted(sent, '/post')).toMatchObject({ paper: 'estimate', paperId: 7, to: 'hazel@mail.example' })
    expect(said).toEqual(['Estimate sent to Hazel Adair, valid until 1 Apr 2026.', 'Sent to hazel@mail.example.'])
  })

  test('is mailed also by whoever sends it before the e-mail is filled in', async () => {
    const sent = answerCalls({
      'GET /post/draft': { status: 200, body: draft },
      'POST /sales/7/offer': { status: 200, body: {} },
      'POST /post': { status: 201, body: { id: 5 } },
      'POST /post/5/send': { status: 200, body: { state: 'waiting', to: '', problem: 'The server does not answer.' } },
    })
    const closed = open('offer', { stands: 'draft', agreed: false })
    button(/^Send the estimate/).click()
    await waitFor(() => expect(closed).toHaveBeenCalled())
    expect(posted(sent, '/post')).toMatchObject({ paper: 'estimate', paperId: 7, to: 'hazel@mail.example' })
  })

  test('goes out once while its e-mail is on the way, and says where that was not written', async () => {
    const answers = {
      'POST /sales/7/offer': { status: 200, body: {} },
      'POST /post': { status: 201, body: { id: 5 } },
      'POST /post/5/send': { status: 503, body: { type: 'x', detail: 'The database does not answer just now.' } },
    }
    const written = gate()
    const sent = answerCalls({ ...answers, 'GET /post/draft': { status: 200, body: draft } }, (path) =>
      path === '/post/5/send' ? written.opened : 0,
    )
    const closed = open('offer', { stands: 'draft', agreed: false })
    await waitFor(() => expect(field('To').value).toBe('hazel@mail.example'))
    await press(/^Send the estimate/)
    await new Promise((done) => setTimeout(done, 700))
    expect(button(/^Send the estimate/).disabled).toBe(true)
    written.open()
    await waitFor(() => expect(closed).toHaveBeenCalled())
    expect(sent.filter((s) => s.path === '/sales/7/offer')).toHaveLength(1)
    await waitFor(() => expect(said.at(-1)).toBe('The database does not answer just now.'))
  })

  test('says so where nobody could write its e-mail', async () => {
    answerCalls({
      'GET /post/draft': { status: 503, body: { type: 'x', detail: 'The database does not answer just now.' } },
      'POST /sales/7/offer': { status: 200, body: {} },
    })
    const closed = open('offer', { stands: 'draft', agreed: false })
    await press(/^Send the estimate/)
    await waitFor(() => expect(closed).toHaveBeenCalled())
    expect(said.at(-1)).toBe('No email was written. The database does not answer just now.')
  })

  test('is not mailed where nobody wants it to be', async () => {
    const sent = answerCalls({
      'GET /post/draft': { status: 200, body: { ...draft, to: '' } },
      'POST /sales/7/offer': { status: 200, body: {} },
    })
    const closed = open('offer')
    await press(/^Send the estimate/)
    await waitFor(() => expect(closed).toHaveBeenCalled())
    expect(posted(sent, '/post')).toBeUndefined()
  })
})

describe('a deposit', () => {
  test('is asked for as it was arranged', async () => {
    const sent = answerCalls({
      'POST /sales/7/deposit-requests': { status: 201, body: { number: 'D-26-1', amount: '250.00' } },
    })
    open('ask-deposit', { arrangement: { kind: 'deposit', percent: '25' } })
    // A quarter of 1,000.00
    expect(screen.getByText('250.00 of 1,000.00, tax included.')).toBeTruthy()
    await press(/^Send request/)
    await waitFor(() => expect(posted(sent, '/sales/7/deposit-requests')).toEqual({ percent: '25' }))
    expect(said).toEqual(['Deposit request D-26-1 for 250.00 to Hazel Adair.'])
  })

  test('is an amount where one is typed, and half where nothing was arranged', async () => {
    const sent = answerCalls({
      'POST /sales/7/deposit-requests': { status: 201, body: { number: 'D-26-1', amount: '80.00' } },
    })
    open('ask-deposit')
    expect(field('Percent of total incl. tax').value).toBe('50')
    await type('Or an amount', '80')
    await press(/^Send request/)
    await waitFor(() => expect(posted(sent, '/sales/7/deposit-requests')).toEqual({ amount: '80.00' }))
  })

  test('in stages is asked for stage by stage', async () => {
    const sent = answerCalls({
      'POST /sales/7/deposit-requests': { status: 201, body: { number: 'D-26-1', amount: '400.00' } },
    })
    open(
      'ask-deposit',
      {},
      {
        stages: [
          { amount: '300.00', when: '' },
          { amount: '400.00', when: 'when it arrives' },
        ],
      },
    )
    expect(screen.getByText(/when it arrives/)).toBeTruthy()
    await press('Request stage 2')
    await waitFor(() => expect(posted(sent, '/sales/7/deposit-requests')).toEqual({ stage: 2 }))
  })
})

describe('closing a sale', () => {
  test('asks what becomes of money that is held', async () => {
    const sent = answerCalls({ 'POST /sales/7/cancel': { status: 200, body: {} } })
    open('cancel', { held: '200.00' })
    await type('Reason', 'No longer wanted')
    await type('Cancellation fee', '20')
    await choose('Refund the rest', 'Keep on account')
    await press(/^Cancel the sale/)
    await waitFor(() =>
      expect(posted(sent, '/sales/7/cancel')).toEqual({
        reason: 'No longer wanted',
        fee: '20.00',
        rest: 'account',
      }),
    )
    expect(said).toEqual(['Sale 1007 is canceled.'])
  })

  test('needs a reason, which is told at the field before anything is sent', async () => {
    const sent = answerCalls({})
    open('decline')
    await press(/^Mark as declined/)
    await waitFor(() => expect(noteOf(field('Reason'))).toBe('A reason is needed.'))
    expect(sent).toEqual([])
    expect(screen.queryByLabelText('Cancellation fee')).toBeNull()
  })
})

describe('what is next', () => {
  const step = { action: 'remind', why: 'No answer for five days' }
  test('is put off by a week, or until a day', async () => {
    const sent = answerCalls({ 'POST /sales/7/next/put-off': { status: 200, body: {} } })
    open('put-off', { step })
    expect(screen.getByText('No answer for five days.')).toBeTruthy()
    expect(field('Until').value).toBe('9 Mar 2026')
    await press(/^Postpone/)
    await waitFor(() =>
      expect(posted(sent, '/sales/7/next/put-off')).toEqual({ action: 'remind', until: '2026-03-09' }),
    )
  })
  test('need not be done, for a reason, and is undone by one click', async () => {
    const sent = answerCalls({
      'POST /sales/7/next/drop': { status: 200, body: {} },
      'POST /sales/7/next/bring-back': { status: 200, body: {} },
    })
    open('put-off', { step })
    await type('Or dismiss it, reason', 'They called')
    await press('Dismiss')
    await waitFor(() => expect(posted(sent, '/sales/7/next/drop')).toEqual({ action: 'remind', reason: 'They called' }))
    undos[0]!()
    await waitFor(() => expect(said.at(-1)).toBe('It waits again.'))
    expect(posted(sent, '/sales/7/next/bring-back')).toEqual({ action: 'remind' })
    expect(sent.at(-1)?.key).toMatch(/^[0-9a-f]{32}$/)
  })
})

describe('a sale that comes again', () => {
  test('is set up with its rhythm and its end', async () => {
    const sent = answerCalls({
      'POST /sales/7/repeats': { status: 201, body: { nextOn: '2026-04-02', firstOn: '2026-04-02' } },
    })
    open('repeat')
    await choose('How often', 'Every three months')
    await choose('Create', 'Order')
    await type('Number of times (optional)', '4')
    await tick('Issue and email automatically')
    await press(/^Start repeating/)
    await waitFor(() =>
      expect(posted(sent, '/sales/7/repeats')).toEqual({
        every: 'quarter',
        firstOn: '2026-04-02',
        makes: 'order',
        byItself: true,
        times: 4,
        until: null,
      }),
    )
    expect(said).toEqual(['Repeats, first on 2 Apr 2026.'])
  })
})

describe('a link to their own page', () => {
  test('is shown once, and all of them can be withdrawn', async () => {
    const address = 'http://till.example/c/abcdefghijklmnopqrstu'
    const sent = answerCalls({
      'POST /sales/7/links': { status: 201, body: { saleId: 7, address } },
      'DELETE /sales/7/links': { status: 200, body: { saleId: 7, withdrawn: 1 } },
    })
    open('link')
    await press(/^Create link/)
    await waitFor(() => expect(field('Link (copied)').value).toBe(address))
    await press('Turn off all links for this sale')
    await waitFor(() => expect(said).toEqual(['1 link turned off.']))
    expect(sent.map((s) => s.method)).toEqual(['POST', 'DELETE'])
    expect(button('Turn off all links for this sale').disabled).toBe(false)
  })
})
