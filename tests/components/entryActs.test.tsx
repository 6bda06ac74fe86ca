import { render, waitFor } from '@testing-library/react'
import { expect, test } from 'vitest'
import { day } from '@/core/day'
import { EntryActs } from '@/ui/books/EntryActs'
import { OwnEntry } from '@/ui/books/OwnEntry'
import { answerCalls, refuses } from './calls'
import { button, choose, field, noteOf, press, type } from './hands'
import { said } from './world'

const TODAY = day('2026-03-10')
const acts = (mayRepeat = true) =>
  render(<EntryActs id={7} on={day('2026-01-31')} today={TODAY} mayRepeat={mayRepeat} />)

test('an entry is reversed with why, and says where it cannot be', async () => {
  let once = false
  const sent = answerCalls({
    'POST /books/entries/7/reverse': () => {
      if (once) return { status: 201, body: { id: 9 } }
      once = true
      return refuses({ path: 'on', message: 'It cannot be reversed before its own day.' })
    },
  })
  acts()
  await press('Reverse')
  await press('Reverse entry')
  await waitFor(() => expect(noteOf(field('Reason'))).toBe('A reason is needed.'))
  expect(sent).toEqual([])
  await type('Reason', 'Typed twice')
  await press('Reverse entry')
  await waitFor(() => expect(noteOf(field('Date'))).toBe('It cannot be reversed before its own day.'))
  await press('Reverse entry')
  await waitFor(() => expect(said).toEqual(['Reversed by entry 9.']))
  expect(sent.at(-1)?.body).toEqual({ on: '2026-03-10', reason: 'Typed twice' })
})

test('an entry is repeated from a month later, or today; not where it repeats already', async () => {
  const sent = answerCalls({ 'POST /books/entries/7/repeats': { status: 201, body: { nextOn: '2026-03-10' } } })
  const { unmount } = acts()
  await press('Repeat')
  await press('Start repeating')
  await waitFor(() => expect(said).toEqual(['Repeats, first on 10 Mar 2026.']))
  // A month after 31 January is past: it begins today.
  expect(sent[0]?.body).toEqual({ every: 'month', firstOn: '2026-03-10', times: null, until: null })
  unmount()
  acts(false)
  expect(() => button('Repeat')).toThrow()
})

test('an entry of one’s own may say from which day on it stands the other way round', async () => {
  const sent = answerCalls({ 'POST /books/entries': { status: 201, body: {} } })
  const accounts = [
    { code: '6000', name: 'Rent' },
    { code: '1020', name: 'Bank' },
  ]
  render(<OwnEntry today={TODAY} currency="USD" accounts={accounts} onDone={() => undefined} />)
  await type('Description', 'Wages of March')
  await choose('Account of line 1', '6000 Rent')
  await type('Debit of line 1', '80')
  await choose('Account of line 2', '1020 Bank')
  await type('Credit of line 2', '80')
  await type('Reverse on (optional)', '4/1/2026')
  await press('Post entry')
  await waitFor(() => expect(said).toEqual(['Entry posted.']))
  expect(sent[0]?.body).toMatchObject({ text: 'Wages of March', reverseOn: '2026-04-01' })
})
