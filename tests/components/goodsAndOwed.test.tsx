import { render, screen, waitFor } from '@testing-library/react'
import { userEvent } from './hand'
import { describe, expect, test, vi } from 'vitest'
import { day } from '@/core/day'
import { Files } from '@/ui/files/Files'
import { ImportGoods } from '@/ui/goods/ImportGoods'
import { ChaseCustomer } from '@/ui/owed/ChaseCustomer'
import { pack } from '@/ui/pack'
import { ListBody } from '@/ui/list/ListBody'
import { CHOSEN } from '@/ui/owed/chosen'
import { LettersToChosen } from '@/ui/owed/LettersToChosen'
import { SetUpForm } from '@/ui/SetUpForm'
import { SignInForm } from '@/ui/SignInForm'
import { answerCalls, refuses, type Sent } from './calls'
import { button, choose, field, noteOf, press, tick, type } from './hands'
import { address, router, said } from './world'

const TODAY = day('2026-03-02')
const bodyOf = (sent: readonly Sent[], path: string) => sent.findLast((s) => s.path === path)?.body

describe('goods from a file', () => {
  const looked = {
    rows: 3,
    added: 1,
    changed: 1,
    written: false,
    problems: [{ row: 4, code: 'BAD', message: 'A price is missing.' }],
    preview: [{ row: 2, code: 'ST', name: 'String A', kind: 'stock', price: '9.90', isNew: true }],
  }
  const choose = (name: string, body: string) =>
    userEvent.upload(screen.getByLabelText('File with goods'), new File([body], name, { type: 'text/csv' }))

  test('are looked at first; what is wrong can be left out', async () => {
    const sent = answerCalls({
      'POST /goods/import': ({ body }) => ({
        status: 200,
        body: { ...looked, written: (body as { mode: string }).mode !== 'look' },
      }),
    })
    render(<ImportGoods />)
    await choose('goods.csv', 'code,name\nST,String A\n')
    expect(await screen.findByText('A price is missing.')).toBeTruthy()
    expect(screen.getByText(', 1 with errors')).toBeTruthy()
    expect(screen.getByText('and 1 more like these')).toBeTruthy()
    await press('Import 2 and skip 1')
    await waitFor(() => expect(router.push).toHaveBeenCalledWith('/goods'))
    expect(sent.map((s) => (s.body as { mode: string }).mode)).toEqual(['look', 'good'])
    expect(atob((sent[0]!.body as { base64: string }).base64)).toBe('code,name\nST,String A\n')
  })

  test('that cannot be read any more are told so', async () => {
    const sent = answerCalls({})
    vi.stubGlobal(
      'FileReader',
      class {
        onerror = () => {}
        error = new Error('gone')
        readAsDataURL() {
          this.onerror()
        }
      },
    )
    render(<ImportGoods />)
    await choose('goods.csv', 'code,name\n')
    expect((await screen.findByRole('alert')).textContent).toBe('goods.csv cannot be read any more. Choose it again.')
    expect(sent).toEqual([])
    vi.unstubAllGlobals()
  })

  test('larger than 4 MB are not sent', async () => {
    const sent = answerCalls({})
    render(<ImportGoods />)
    await choose('big.csv', 'x'.repeat(4_000_001))
    expect((await screen.findByRole('alert')).textContent).toBe('big.csv is larger than 4 MB. Split it.')
    expect(sent).toEqual([])
  })

  test('of which none can be read cannot be imported', async () => {
    answerCalls({
      'POST /goods/import': { status: 200, body: { ...looked, added: 0, changed: 0, preview: [] } },
    })
    render(<ImportGoods />)
    await choose('goods.csv', 'x')
    await waitFor(() => expect(button('Import 0 and skip 1').disabled).toBe(true))
  })
})

describe('files', () => {
  test('are shown, added and thrown away', async () => {
    const sent = answerCalls({
      'POST /files': { status: 201, body: {} },
      'DELETE /files/4': { status: 200, body: {} },
    })
    const file = { id: 4, name: 'front.png', type: 'image/png', size: 12_345, addedOn: day('2026-02-01') }
    render(<Files ownerKind="sale" ownerId={7} files={[file]} label="Files" />)
    expect(screen.getByText('12 kB, 1 Feb 2026')).toBeTruthy()
    await userEvent.upload(screen.getByLabelText('Files: add a file'), new File(['ab'], 'note.txt'))
    await waitFor(() => expect(said).toEqual(['note.txt added.']))
    expect(bodyOf(sent, '/files')).toEqual({ ownerKind: 'sale', ownerId: 7, name: 'note.txt', base64: btoa('ab') })
    // It has no way back: the first press only asks.
    await press('Delete front.png')
    expect(sent.some((s) => s.method === 'DELETE')).toBe(false)
    await press('Delete for good?')
    await waitFor(() => expect(said[1]).toBe('front.png deleted.'))
  })
})

describe('those who owe', () => {
  const Boxes = () => (
    <>
      <LettersToChosen />
      <table>
        <ListBody
          columns={[]}
          opens={0}
          form={CHOSEN}
          rows={pack(
            [3, 4, 5].map((id) => ({ box: { value: String(id), label: `c${id}`, withAll: id < 5 }, cells: [] })),
          )}
        />
      </table>
    </>
  )

  test('are chosen and written to; who cannot be is told apart', async () => {
    const sent = answerCalls({
      'POST /letters/many': {
        status: 200,
        body: { written: 1, skipped: [{ customerId: 4, name: 'Orla Finch', why: 'No e-mail address.' }] },
      },
    })
    render(<Boxes />)
    expect(button('Send reminders').disabled).toBe(true)
    await press('Select all')
    expect(screen.getByText('2 selected')).toBeTruthy()
    await tick('c5')
    expect(screen.getByText('3 selected')).toBeTruthy()
    await press('Send reminders')
    expect((await screen.findByRole('status')).textContent).toBe('Orla Finch: No e-mail address.')
    expect(bodyOf(sent, '/letters/many')).toEqual({ customers: [3, 4, 5], what: 'reminder' })
    expect(said).toEqual(['1 email ready in Mail.'])
    expect(screen.getByText('0 selected')).toBeTruthy()
  })

  test('that nobody answered are the same letters when they are sent again', async () => {
    let answers = 0
    const sent = answerCalls({
      'POST /letters/many': () => {
        if (answers++ === 0) throw new TypeError('Failed to fetch')
        return { status: 200, body: { written: 2, skipped: [] } }
      },
    })
    render(<Boxes />)
    await press('Select all')
    await press('Email statements')
    expect(await screen.findByRole('alert')).toBeTruthy()
    expect(screen.getByText('2 selected')).toBeTruthy()
    await press('Email statements')
    await waitFor(() => expect(said).toEqual(['2 emails ready in Mail.']))
    expect(sent.map((s) => s.key)).toEqual([expect.any(String), sent[0]!.key])
  })

  test('are reminded in the stage that is next, not before its day', async () => {
    const sent = answerCalls({
      'GET /post/draft': {
        status: 200,
        body: { to: 'hazel@mail.example', subject: 'Second reminder', body: 'Hello' },
      },
      'POST /customers/3/reminders': { status: 201, body: { customerId: 3, stage: 2, postId: 8 } },
      'POST /post/8/send': { status: 200, body: { state: 'sent', to: 'hazel@mail.example', problem: '' } },
    })
    const { rerender } = render(<ChaseCustomer customerId={3} name="Hazel" currency="USD" stage={2} from="9 Mar" />)
    expect(screen.getByText('The second reminder can go from 9 Mar.')).toBeTruthy()
    expect(screen.queryByRole('button', { name: 'Send second reminder' })).toBeNull()
    rerender(<ChaseCustomer customerId={3} name="Hazel" currency="USD" stage={2} from={null} />)
    await press('Send second reminder')
    await waitFor(() => expect(field('Subject').value).toBe('Second reminder'))
    await press(/^Send reminder/)
    await waitFor(() => expect(said).toEqual(['Sent to hazel@mail.example.']))
    expect(sent.filter((s) => s.path === '/customers/3/reminders')).toHaveLength(1)
  })

  test('owe small rests that are given up together', async () => {
    const sent = answerCalls({ 'POST /write-offs': { status: 201, body: { amount: '1.73' } } })
    render(<ChaseCustomer customerId={3} name="Hazel" currency="USD" stage={null} from={null} />)
    expect(screen.queryByText(/reminder/)).toBeNull()
    await press('Write off small balances')
    await type('Up to', '2')
    await press('Write off')
    await waitFor(() => expect(said).toEqual(['1.73 written off.']))
    expect(bodyOf(sent, '/write-offs')).toEqual({ customerId: 3, upTo: '2.00', reason: 'Too small to chase' })
  })
})

describe('the first page of all', () => {
  test('opens the books with what was typed', async () => {
    const sent = answerCalls({ 'POST /api/first-run': { status: 201, body: {} } })
    render(<SetUpForm today={TODAY} needsCode={false} />)
    await type('Business name', 'Fernhollow')
    await type('Currency', 'eur')
    await choose('Region', 'de-DE')
    await type('Tax rate, %', '19')
    await type('Passphrase', 'a long passphrase')
    await press('Start')
    // Who set it up is in.
    await waitFor(() => expect(router.push).toHaveBeenCalledWith('/today'))
    expect(sent[0]?.body).toEqual({
      name: 'Fernhollow',
      currency: 'EUR',
      locale: 'de-DE',
      timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
      passphrase: 'a long passphrase',
      openingDate: '2026-03-02',
      pricesIncludeTax: false,
      taxCodes: [{ code: 'STD', name: 'Sales tax', components: [{ name: 'Sales tax', rate: '0.19' }] }],
    })
  })

  test('says at its field what is no percentage, and asks for the code where somebody else may open the page', async () => {
    const sent = answerCalls({ 'POST /api/first-run': refuses({ path: 'code', message: 'That is not the code.' }) })
    render(<SetUpForm today={TODAY} needsCode />)
    await type('Tax rate, %', '8,25')
    await press('Start')
    await waitFor(() => expect(noteOf(field('Tax rate, %'))).toBe('A percentage is written like 8.25.'))
    expect(sent).toEqual([])
    await type('Tax rate, %', '')
    await type('Business name', 'Fernhollow')
    await type('Passphrase', 'a long passphrase')
    await type('Code', '123456')
    await press('Start')
    await waitFor(() => expect(noteOf(field('Code'))).toBe('That is not the code.'))
    expect(sent[0]?.body).toMatchObject({ code: '123456', taxCodes: [] })
  })
})

describe('signing in', () => {
  test.each([
    ['', '/today'],
    ['to=/sales/7?do=bill', '/sales/7?do=bill'],
    ['to=//elsewhere.example/x', '/today'],
    ['to=/%5Celsewhere.example', '/today'],
    ['to=https://elsewhere.example', '/today'],
    ['to=javascript:alert(1)', '/today'],
  ])('with “%s” leads to %s', async (search, to) => {
    answerCalls({ 'POST /api/session': { status: 200, body: {} } })
    address.search = search
    render(<SignInForm filledIn="the demo’s own" />)
    await press('Sign in')
    await waitFor(() => expect(router.push).toHaveBeenCalledWith(to))
  })

  test('with a wrong passphrase says so, at the field', async () => {
    answerCalls({ 'POST /api/session': { status: 401, body: { type: 'x', detail: 'That is not the passphrase.' } } })
    render(<SignInForm filledIn={null} />)
    await type('Passphrase', 'guess')
    await press('Sign in')
    await waitFor(() => expect(noteOf(field('Passphrase'))).toBe('That is not the passphrase.'))
    expect(router.push).not.toHaveBeenCalled()
  })

  test('asks for a code where signing in takes one, and keeps the passphrase', async () => {
    const message = 'Enter the code your authenticator app shows.'
    const needed = { type: 'x:code-needed', detail: message, errors: [{ path: 'code', message }] }
    const sent = answerCalls({ 'POST /api/session': { status: 401, body: needed } })
    render(<SignInForm filledIn={null} />)
    expect(screen.queryByLabelText('Code')).toBeNull()
    await type('Passphrase', 'a long passphrase')
    await press('Sign in')
    await waitFor(() => expect(noteOf(field('Code'))).toBe(message))
    expect(document.activeElement).toBe(field('Code'))
    await type('Code', '123456')
    await press('Sign in')
    await waitFor(() => expect(sent).toHaveLength(2))
    expect(sent[1]?.body).toEqual({ passphrase: 'a long passphrase', code: '123456' })
  })

  test('while nobody answers keeps what was typed', async () => {
    vi.stubGlobal('fetch', async () => {
      throw new TypeError('no network')
    })
    render(<SignInForm filledIn={null} />)
    await type('Passphrase', 'a long passphrase')
    await press('Sign in')
    await waitFor(() => expect(noteOf(field('Passphrase'))).not.toBe(''))
    expect(field('Passphrase').value).toBe('a long passphrase')
  })
})
