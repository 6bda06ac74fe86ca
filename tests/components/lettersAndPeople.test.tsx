import { render, screen, waitFor } from '@testing-library/react'
import { userEvent } from './hand'
import { describe, expect, test } from 'vitest'
import { CustomerActs } from '@/ui/people/CustomerActs'
import { Links } from '@/ui/people/Links'
import { LetterActions } from '@/ui/post/LetterActions'
import { WriteLetter } from '@/ui/post/WriteLetter'
import { answerCalls, gate, refuses } from './calls'
import { button, field, noteOf, press, type } from './hands'
import { said } from './world'

const draft = {
  status: 200,
  body: { customerId: 3, customer: 'Hazel Adair', to: 'hazel@mail.example', subject: 'Receipt R-26-5', body: 'Hello' },
}

describe('a letter', () => {
  test.each([
    [{ state: 'sent', to: 'hazel@mail.example' }, 'Sent to hazel@mail.example.'],
    [{ state: 'bounced', problem: 'No such box.' }, 'Bounced: No such box.'],
    [{ state: 'waiting', problem: 'The server does not answer.' }, 'Waiting in Mail: The server does not answer.'],
  ])('is shown before it goes; what became of it is said: %j', async (outcome, says) => {
    const sent = answerCalls({
      'GET /post/draft': draft,
      'POST /post': { status: 201, body: { id: 8 } },
      'POST /post/8/send': { status: 200, body: outcome },
    })
    render(<WriteLetter paper="receipt" paperId={5} />)
    await press('Email')
    await waitFor(() => expect(field('Subject').value).toBe('Receipt R-26-5'))
    await type('Subject', 'Your receipt')
    await press('Send')
    await waitFor(() => expect(said).toEqual([says]))
    expect(sent.find((s) => s.path === '/post')?.body).toEqual({
      paper: 'receipt',
      paperId: 5,
      to: 'hazel@mail.example',
      subject: 'Your receipt',
      body: 'Hello',
    })
    expect(screen.queryByRole('dialog')).toBeNull()
  })

  test('is written once, however long its server takes and however often it is pressed', async () => {
    const written = gate()
    const sent = answerCalls(
      {
        'GET /post/draft': draft,
        'POST /post': { status: 201, body: { id: 8 } },
        'POST /post/8/send': { status: 200, body: { state: 'sent', to: 'hazel@mail.example' } },
      },
      (path) => (path === '/post/8/send' ? written.opened : 0),
    )
    render(<WriteLetter paper="receipt" paperId={5} />)
    await press('Email')
    await waitFor(() => expect(field('Subject').value).toBe('Receipt R-26-5'))
    await press('Send')
    // Longer than the second half of a double click.
    await new Promise((done) => setTimeout(done, 700))
    expect(button('Send').disabled).toBe(true)
    await userEvent.click(button('Send'))
    written.open()
    await waitFor(() => expect(said).toEqual(['Sent to hazel@mail.example.']))
    expect(sent.filter((s) => s.path === '/post')).toHaveLength(1)
  })

  test('without an address that is one stays open with what was typed', async () => {
    answerCalls({
      'GET /post/draft': draft,
      'POST /post': refuses({ path: 'to', message: 'An e-mail address looks like name@place.example.' }),
    })
    render(<WriteLetter paper="receipt" paperId={5} />)
    await press('Email')
    await waitFor(() => expect(field('To').value).toBe('hazel@mail.example'))
    await type('To', 'hazel')
    await press('Send')
    await waitFor(() => expect(noteOf(field('To'))).toBe('An e-mail address looks like name@place.example.'))
    expect(field('To').value).toBe('hazel')
  })

  test('about what is not there says so, and cannot be sent', async () => {
    answerCalls({})
    render(<WriteLetter paper="receipt" paperId={5} label="Write to them" />)
    await press('Write to them')
    expect(await screen.findByText('There is nothing here.')).toBeTruthy()
    expect(screen.queryByRole('button', { name: 'Send' })).toBeNull()
  })

  test('that waits is tried again, or dropped', async () => {
    const sent = answerCalls({
      'POST /post/8/send': { status: 200, body: { state: 'waiting', problem: 'No answer.' } },
      'DELETE /post/8': { status: 200, body: {} },
    })
    render(<LetterActions id={8} state="waiting" />)
    await press('Try again')
    await waitFor(() => expect(said).toEqual(['Waiting in Mail: No answer.']))
    await press('Discard')
    await waitFor(() => expect(said).toHaveLength(2))
    expect(sent.map((s) => `${s.method} ${s.path}`)).toEqual(['POST /post/8/send', 'DELETE /post/8'])
  })

  test('that came back is put away; one that went has nothing left to do', () => {
    answerCalls({})
    const { rerender } = render(<LetterActions id={8} state="bounced" />)
    expect(button('Dismiss')).toBeTruthy()
    expect(screen.queryByRole('button', { name: 'Try again' })).toBeNull()
    rerender(<LetterActions id={8} state="sent" />)
    expect(screen.queryAllByRole('button')).toEqual([])
  })
})

describe('a customer', () => {
  test('there are two records of is made one, after a look at what the other has', async () => {
    const other = { id: 9, name: 'Hazel Adaire', contact: '', email: '', phone: '', owed: '54.00', held: '0.00' }
    const sent = answerCalls({
      'GET /customers': { status: 200, body: { items: [other], next: null } },
      'POST /customers/3/join': { status: 200, body: {} },
    })
    render(<CustomerActs id={3} name="Hazel Adair" walkIn={false} late={false} />)
    await press('Merge')
    expect(button('Merge').disabled).toBe(true)
    await userEvent.type(screen.getByLabelText('Duplicate to merge'), 'hazel')
    await userEvent.click(await screen.findByText('Hazel Adaire'))
    expect(await screen.findByText('Hazel Adaire owes 54.00; 0.00 is held for them.')).toBeTruthy()
    await press('Merge')
    await waitFor(() => expect(said).toEqual(['Hazel Adaire merged into Hazel Adair.']))
    expect(sent.find((s) => s.method === 'POST')?.body).toEqual({ goneId: 9 })
  })

  test.each([
    [
      'who is late is reminded before anything is taken',
      false,
      true,
      ['New sale', 'Send reminder', 'Take payment', 'More'],
    ],
    ['who owes nothing late is sold to', false, false, ['New sale', 'Take payment', 'Edit', 'More']],
    ['who only walks in is nobody to change', true, false, ['New sale', 'Take payment', 'More']],
  ])('%s', (_, walkIn, late, expected) => {
    answerCalls({})
    render(<CustomerActs id={3} name="Hazel Adair" walkIn={walkIn} late={late} />)
    expect([...document.querySelectorAll('.btn')].map((b) => b.getAttribute('aria-label'))).toEqual(expected)
    expect(screen.queryByRole('button', { name: 'Merge' }) === null).toBe(walkIn)
  })

  test('is reminded in the wording of the stage that is next, as the owner leaves it', async () => {
    const sent = answerCalls({
      'GET /post/draft': { ...draft, body: { ...draft.body, subject: 'Second reminder', body: 'Pay here:\n{link}' } },
      'POST /customers/3/reminders': { status: 201, body: { customerId: 3, stage: 2, postId: 8 } },
      'POST /post/8/send': { status: 200, body: { state: 'sent', to: 'hazel@mail.example', problem: '' } },
    })
    render(<CustomerActs id={3} name="Hazel Adair" walkIn={false} late />)
    await press('Send reminder')
    await waitFor(() => expect(field('Subject').value).toBe('Second reminder'))
    // Nobody reads braces.
    expect(field('Message').value).toBe('Pay here:\n[link to the customer’s page]')
    await type('Subject', 'Please pay')
    await press(/^Send reminder/)
    await waitFor(() => expect(said).toEqual(['Sent to hazel@mail.example.']))
    expect(sent.find((s) => s.path === '/customers/3/reminders')?.body).toEqual({
      to: 'hazel@mail.example',
      subject: 'Please pay',
      body: 'Pay here:\n{link}',
    })
  })

  test('has links to their page, each turned off by itself', async () => {
    const sent = answerCalls({ 'DELETE /links/2': { status: 200, body: {} } })
    render(
      <Links
        links={[
          { id: 1, saleId: 7, opens: 'sale 1007', until: '1 Sep 2026', seen: 'seen on 3 Mar' },
          { id: 2, saleId: null, opens: 'everything', until: '1 Oct 2026', seen: 'not opened yet' },
        ]}
      />,
    )
    expect(screen.getByText('until 1 Oct 2026, not opened yet')).toBeTruthy()
    await press('Turn off the link to everything')
    await waitFor(() => expect(said).toEqual(['The link is turned off.']))
    expect(sent.map((s) => s.path)).toEqual(['/links/2'])
  })
})
