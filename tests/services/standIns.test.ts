import { afterEach, beforeAll, describe, expect, test, vi } from 'vitest'
import { listMailbox } from '@/data/queries/mailbox'
import { askCard, askKeptCard, keepCard, type CardAnswer } from '@/standins/card/askCard'
import { standInMail } from '@/standins/mail/standInMail'
import { openTestShop, type TestShop } from './shop'

afterEach(() => vi.useRealTimers())

describe('the card stand-in', () => {
  const asked = async (number: string): Promise<CardAnswer[]> => {
    const answers: CardAnswer[] = []
    await askCard({ number }, async (a) => void answers.push(a))
    return answers
  }
  test.each([
    ['4000 0000 0000 1111', [true]],
    ['4000000000001111', [true]],
    ['4000 0000 0000 0003', [true, true]], // the same answer twice, as it happens
    ['4000 0000 0000 0001', [false]],
    ['4000', [false]],
    ['', [false]],
    ['4000 0000 0000 111x', [false]],
  ])('asked for %s answers %j', async (number, approved) => {
    const answers = await asked(number)
    expect(answers.map((a) => a.approved)).toEqual(approved)
    // Who is refused is told why; who is not, nothing.
    for (const a of answers) expect(a.why === '').toBe(a.approved)
  })

  test('may be slow', async () => {
    vi.useFakeTimers()
    let done = false
    const asking = asked('4000 0000 0000 0002').then(() => (done = true))
    await vi.advanceTimersByTimeAsync(2900)
    expect(done).toBe(false)
    await vi.advanceTimersByTimeAsync(200)
    await asking
    expect(done).toBe(true)
  })

  test('keeps a card by its ending alone, and asks it again', async () => {
    const kept = keepCard({ number: '4000 0000 0000 1111' })!
    expect(kept).not.toContain('4000')
    const asked = (card: string) => askKeptCard({ card, reference: 'a row', amount: '10.00' })
    expect(await asked(kept)).toEqual({ approved: true, why: '' })
    expect((await asked(keepCard({ number: '4000 0000 0000 0001' })!)).approved).toBe(false)
    expect(keepCard({ number: '12' })).toBeNull()
  })
})

describe('the mail stand-in', () => {
  let s: TestShop
  beforeAll(async () => {
    s = await openTestShop()
  })
  const mail = (to: string, messageId = `<${to}>`) => ({
    messageId,
    from: 'till@x.example',
    to,
    subject: 'Hello',
    body: 'x',
    attachments: [],
  })
  const box = async () => (await listMailbox(s.db, 100)).map((m) => m.recipient)

  test.each([
    ['hazel@mail.example', 1, 'sent'],
    ['nobody@bounce.example', 1, 'bounced'],
    ['NOBODY@BOUNCE.EXAMPLE', 3, 'bounced'],
    ['orla@busy.example', 1, 'later'],
    ['orla@busy.example', 2, 'sent'],
  ])('to %s, try %i: %s', async (to, tries, as) => {
    expect((await standInMail(s.db).deliver(mail(to), tries)).as).toBe(as)
  })

  test('holds what was delivered, once, however often it came', async () => {
    await standInMail(s.db).deliver(mail('hazel@mail.example'), 2)
    await standInMail(s.db).deliver(mail('hazel@mail.example'), 3)
    const all = await box()
    expect(all.filter((to) => to === 'hazel@mail.example')).toHaveLength(1)
    expect(all).toContain('orla@busy.example')
    expect(all.some((to) => /bounce/i.test(to))).toBe(false)
  })
})
