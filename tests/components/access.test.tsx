import { render, screen, waitFor } from '@testing-library/react'
import { describe, expect, test } from 'vitest'
import { day } from '@/core/day'
import { OneTimeCodes } from '@/ui/settings/OneTimeCodes'
import { PassphraseForm } from '@/ui/settings/PassphraseForm'
import { Sessions } from '@/ui/settings/Sessions'
import { TokensForm } from '@/ui/settings/TokensForm'
import { WebhooksForm } from '@/ui/settings/WebhooksForm'
import { answerCalls, refuses } from './calls'
import { field, noteOf, press, rowsOf, tick, type } from './hands'
import { router, said } from './world'

const TODAY = day('2026-03-02')
const kept = { status: 200, body: {} }

describe('who gets in', () => {
  test('changes its passphrase and leaves by the door it came', async () => {
    const sent = answerCalls({ 'POST /settings/passphrase': kept })
    render(<PassphraseForm />)
    await type('Current passphrase', 'the old one here')
    await type('New passphrase', 'a new one, longer')
    await press('Change passphrase')
    await waitFor(() => expect(router.push).toHaveBeenCalledWith('/sign-in?changed=1'))
    expect(sent[0]?.body).toEqual({ now: 'the old one here', next: 'a new one, longer' })
  })

  test('shows where one is signed in, and ends what is elsewhere', async () => {
    const sent = answerCalls({ 'DELETE /settings/sessions/4': { status: 200, body: {} } })
    const at = { since: '1 Mar 2026', used: '2 Mar 2026' }
    render(
      <Sessions
        sessions={[
          { id: 3, browser: 'Firefox on Linux', here: true, ...at },
          { id: 4, browser: 'Safari on iPad', here: false, ...at },
        ]}
      />,
    )
    expect(screen.getAllByRole('button')).toHaveLength(1)
    await press('End session: Safari on iPad, since 1 Mar 2026')
    await waitFor(() => expect(said).toEqual(['Safari on iPad is signed out.']))
    expect(sent.map((c) => c.path)).toEqual(['/settings/sessions/4'])
  })

  test('is signed out everywhere else at once', async () => {
    const done = { status: 200, body: {} }
    const sent = answerCalls({ 'DELETE /settings/sessions/4': done, 'DELETE /settings/sessions/5': done })
    const at = { browser: 'Another program', since: '1 Mar 2026', used: '2 Mar 2026' }
    const sessions = [4, 3, 5].map((id) => ({ id, here: id === 3, ...at }))
    render(<Sessions sessions={sessions} />)
    await press('Sign out everywhere else')
    await waitFor(() => expect(said).toEqual(['Signed out everywhere else.']))
    expect(sent.map((c) => c.path)).toEqual(['/settings/sessions/4', '/settings/sessions/5'])
  })

  test('says nothing of all where one could not be ended', async () => {
    const done = { status: 200, body: {} }
    const sent = answerCalls({ 'DELETE /settings/sessions/4': done, 'DELETE /settings/sessions/6': done })
    const at = { browser: 'Another program', since: '1 Mar 2026', used: '2 Mar 2026' }
    render(<Sessions sessions={[3, 4, 5, 6].map((id) => ({ id, here: id === 3, ...at }))} />)
    await press('Sign out everywhere else')
    await screen.findByText('There is nothing here.')
    expect(sent.map((c) => c.path)).toEqual(['/settings/sessions/4', '/settings/sessions/5'])
    expect(said).toEqual([])
  })

  test('sets up one-time codes: what the app reads, a code of it, and the spare ones once', async () => {
    const picture = 'data:image/svg+xml;base64,AAAA'
    const sent = answerCalls({
      'POST /settings/one-time-codes': { status: 201, body: { secret: 'ABCDEFGHIJ', address: 'otpauth://x', picture } },
      'POST /settings/one-time-codes/confirm': { status: 200, body: { spareCodes: ['abcde-fghjk', 'mnpqr-stuvw'] } },
      'POST /settings/one-time-codes/end': refuses({ path: 'code', message: 'Wrong code.' }),
    })
    const { rerender } = render(<OneTimeCodes on={null} />)
    await type('Your passphrase', 'a long passphrase')
    await press('Set up one-time codes')
    expect((await screen.findByAltText('QR code for an authenticator app')).getAttribute('src')).toBe(picture)
    expect(screen.getByText('ABCD EFGH IJ')).toBeTruthy()
    await type('Code', '123 456')
    await press('Turn on')
    await waitFor(() => expect(sent[1]?.body).toEqual({ code: '123 456' }))
    rerender(<OneTimeCodes on={{ since: '1 Jun 2026', spare: 8 }} />)
    expect(screen.getByText(/abcde-fghjk/)).toBeTruthy()
    expect(screen.getByText(/since 1 Jun 2026/)).toBeTruthy()
    await type('Your passphrase', 'a long passphrase')
    await type('Code', '000000')
    await press('Turn off')
    await waitFor(() => expect(noteOf(field('Code'))).toBe('Wrong code.'))
    expect(sent[2]?.body).toEqual({ passphrase: 'a long passphrase', code: '000000' })
  })

  test('gives tokens to other programs: shown once, withdrawn by name', async () => {
    const sent = answerCalls({
      'POST /settings/tokens': { status: 201, body: { token: 'till_secret' } },
      'DELETE /settings/tokens/4': kept,
    })
    render(<TokensForm tokens={[{ id: 4, name: 'Shelf scanner', until: '1 Jun 2026', readOnly: true }]} />)
    expect(screen.getByText('reads only, until 1 Jun 2026')).toBeTruthy()
    await type('Used by', 'Accountant')
    await type('Your passphrase again', 'a long passphrase')
    await tick('It may only read')
    await press('Create token')
    expect(await screen.findByText('till_secret')).toBeTruthy()
    // The passphrase does not stay on the screen.
    expect(field('Your passphrase again').value).toBe('')
    expect(sent[0]?.body).toEqual({ name: 'Accountant', passphrase: 'a long passphrase', readOnly: true })
    await press('Revoke Shelf scanner')
    await press('Revoke for good?')
    await waitFor(() => expect(said).toEqual(['Token “Shelf scanner” revoked.']))
  })

  test('are told what happens: what was sent is seen, and sent again where it failed', async () => {
    const sent = answerCalls({
      'POST /webhooks': { status: 201, body: { secret: 'whsec_x' } },
      'POST /webhook-deliveries/7/retry': { status: 200, body: {} },
      'DELETE /webhooks/3': { status: 200, body: {} },
    })
    const delivery = {
      webhookId: 3,
      event: 'paid' as const,
      subjectId: 9,
      path: '/receipts/9',
      when: '1 Mar 2026, 10:20',
      nextTryAt: null,
    }
    const deliveries = [
      { ...delivery, id: 7, state: 'failed' as const, tries: 7, answered: '500' },
      { ...delivery, id: 6, state: 'delivered' as const, tries: 1, answered: '204' },
    ]
    render(
      <WebhooksForm
        webhooks={[
          {
            id: 3,
            url: 'https://a.example/x',
            events: ['paid'],
            madeOn: TODAY,
            deliveries,
            older: '/settings/access?page=2',
          },
        ]}
      />,
    )
    expect(screen.getByText('Show older').getAttribute('href')).toBe('/settings/access?page=2')
    expect(rowsOf(screen.getByRole('table'))).toEqual([
      'Event | When | State | Answer',
      'Paid /receipts/9 | 1 Mar 2026, 10:20 | FailedSend again | 500 (7 tries)',
      'Paid /receipts/9 | 1 Mar 2026, 10:20 | Delivered | 204',
    ])
    await press('Send again')
    await waitFor(() => expect(said).toEqual(['It is sent again in a moment.']))
    await type('Address', 'http://other.example')
    await tick('Ordered')
    await press('Add webhook')
    await waitFor(() => expect(noteOf(field('Address'))).toContain('begins with https://'))
    await type('Address', 'https://other.example/till')
    await press('Add webhook')
    expect(await screen.findByText('whsec_x')).toBeTruthy()
    expect(sent.find((c) => c.path === '/webhooks')?.body).toEqual({
      url: 'https://other.example/till',
      events: ['paid', 'handed-over'],
    })
    await press('End https://a.example/x')
    await press('End for good?')
    await waitFor(() => expect(said).toContain('It is told nothing more.'))
  })
})
