import { EventEmitter } from 'node:events'
import type { IncomingMessage, ServerResponse } from 'node:http'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { makeLanes, type Program } from '../../scripts/lanes.mjs'

/** Who knocks at the front door: somebody of the house, a stranger, or somebody who says to be of the house. */
const OF_THE_HOUSE = 'house'
const held = globalThis as { ironTill?: unknown }

let queueUp: ReturnType<typeof makeLanes>
beforeEach(() => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'performance'] })
  held.ironTill = {
    isKnown: (req) => req.headers.cookie === OF_THE_HOUSE,
    shows: async (req) => req.headers.cookie === 'of the house, and new',
  } satisfies Pick<Program, 'isKnown' | 'shows'>
  queueUp = makeLanes()
})
afterEach(() => {
  delete held.ironTill
  vi.useRealTimers()
})

const knock = (cookie = '') => {
  const res = new EventEmitter() as EventEmitter & ServerResponse
  const req = { headers: { cookie }, socket: { destroyed: false } } as IncomingMessage
  const is = { in: false, turnedAway: false }
  queueUp(
    req,
    res,
    cookie === '',
    () => (is.in = true),
    () => (is.turnedAway = true),
  )
  return { is, answer: () => res.emit('finish'), goAway: () => res.emit('close') }
}
const knocks = (count: number, cookie?: string) => Array.from({ length: count }, () => knock(cookie))
const inside = (all: readonly ReturnType<typeof knock>[]): number => all.filter(({ is }) => is.in).length

test('strangers go in four at a time, in the order they came', () => {
  const all = knocks(6)
  expect(all.map(({ is }) => is.in)).toEqual([true, true, true, true, false, false])
  all[2]!.answer()
  expect(all.map(({ is }) => is.in)).toEqual([true, true, true, true, true, false])
})

test('a stranger who waits too long, or comes when too many wait, is told so; one who went away takes no place', () => {
  const first = knocks(4)
  const waiting = knocks(40)
  expect(knock().is.turnedAway).toBe(true)
  waiting[0]!.goAway()
  const last = knock()
  expect(last.is.turnedAway).toBe(false)
  first[0]!.answer()
  expect([waiting[0]!.is.in, waiting[1]!.is.in]).toEqual([false, true])
})

test('a stranger waits eight seconds at most', () => {
  // Nobody is answered: each second makes room for four.
  knocks(4)
  const waiting = knocks(40)
  vi.advanceTimersByTime(7_999)
  expect([inside(waiting), waiting.some(({ is }) => is.turnedAway)]).toEqual([28, false])
  vi.advanceTimersByTime(1)
  expect(waiting.filter(({ is }) => is.turnedAway)).toHaveLength(12)
  expect(inside(waiting)).toBe(28)
})

test('whoever takes an answer drop by drop keeps nobody waiting longer than a second', () => {
  const slow = knocks(4)
  const next = knocks(5)
  vi.advanceTimersByTime(999)
  expect(inside(next)).toBe(0)
  vi.advanceTimersByTime(1)
  expect(inside(next)).toBe(4)
  // Their answers end at last, and make no room twice.
  for (const { answer } of slow) answer()
  expect(inside(next)).toBe(4)
  vi.advanceTimersByTime(4_000)
  expect(next[4]!.is).toEqual({ in: true, turnedAway: false })
})

test('strangers wait for what is done for the house, a second at most, and then go in one by one', () => {
  const owner = knock(OF_THE_HOUSE)
  expect(owner.is.in).toBe(true)
  const all = knocks(3)
  expect(inside(all)).toBe(0)
  owner.answer()
  // Somebody of the house is about: one after the other.
  expect(inside(all)).toBe(1)
  const again = knocks(12, OF_THE_HOUSE)
  expect(inside(again)).toBe(12)
  all[0]!.answer()
  expect(inside(all)).toBe(1)
  for (const { answer } of again) answer()
  expect(inside(all)).toBe(2)
  all[1]!.answer()
  all[2]!.answer()
  vi.advanceTimersByTime(10_000)
  expect(inside(knocks(5))).toBe(4)
})

test('long work for the house is nobody’s reason to wait', () => {
  knock(OF_THE_HOUSE)
  vi.advanceTimersByTime(1_000)
  expect(knock().is.in).toBe(true)
})

test('a stranger who has waited for the house for a second goes in beside it', () => {
  const [first, second] = knocks(2, OF_THE_HOUSE)
  const stranger = knock()
  vi.advanceTimersByTime(600)
  first!.answer()
  second!.answer()
  expect(stranger.is.in).toBe(true)
  knock(OF_THE_HOUSE)
  const other = knock()
  stranger.answer()
  expect(other.is.in).toBe(false)
  vi.advanceTimersByTime(600)
  knock(OF_THE_HOUSE)
  vi.advanceTimersByTime(399)
  expect(other.is.in).toBe(false)
  vi.advanceTimersByTime(1)
  expect(other.is.in).toBe(true)
})

test('whoever says to be of the house shows it, or waits with the strangers', async () => {
  const strangers = knocks(4)
  const [real, made] = [knock('of the house, and new'), knock('made up')]
  await vi.waitFor(() => expect(real.is.in).toBe(true))
  expect(made.is.in).toBe(false)
  real.answer()
  for (const { answer } of strangers) answer()
  expect(made.is.in).toBe(true)
})
