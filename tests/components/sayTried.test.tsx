import { expect, test } from 'vitest'
import { sayTried } from '@/ui/post/letterDraft'

test.each([
  ['sent', '', 'Sent to ines@mail.example.'],
  ['bounced', 'Nobody there.', 'Bounced: Nobody there.'],
  ['dropped', 'Everything was paid before it went.', 'Discarded: Everything was paid before it went.'],
  ['waiting', 'It is busy.', 'Waiting in Mail: It is busy.'],
  ['waiting', '', 'Waiting in Mail. It is sent as soon as the mail server takes it.'],
])('what became of an email is said as it is: %s', (state, problem, says) => {
  expect(sayTried({ state, to: 'ines@mail.example', problem })).toBe(says)
})
