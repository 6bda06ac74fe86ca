import { render, screen } from '@testing-library/react'
import { useState } from 'react'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import { Choice } from '@/ui/Choice'
import { doByItself } from '@/ui/keysDone'
import { userEvent } from './hand'

/* What a key does that was typed ahead is what the same key does when it is pressed: beside most tests the simulated hand presses it. */

const press = (element: HTMLElement, ...keys: readonly string[]): void => {
  element.focus()
  for (const key of keys)
    doByItself(document.activeElement ?? document.body, key.replace('Shift ', ''), /Shift/.test(key))
}

const WAYS = ['cash', 'card', 'check', 'transfer'] as const
const Form = ({ onSend }: { readonly onSend: (what: string) => void }) => {
  const [way, setWay] = useState<string>('cash')
  const [few, setFew] = useState<'now' | 'later' | 'never'>('now')
  const [kept, setKept] = useState(false)
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault()
        onSend(`${way} ${few} ${String(kept)}`)
      }}
    >
      <input aria-label="Amount" />
      <select aria-label="Way" value={way} onChange={(e) => setWay(e.target.value)}>
        {WAYS.map((w) => (
          <option key={w} disabled={w === 'check'}>
            {w}
          </option>
        ))}
      </select>
      <Choice
        label="When"
        value={few}
        onChoose={setFew}
        options={[
          { value: 'now', label: 'Now' },
          { value: 'later', label: 'Later' },
          { value: 'never', label: 'Never', disabled: true },
        ]}
      />
      <input type="checkbox" aria-label="Keep" checked={kept} onChange={(e) => setKept(e.target.checked)} />
      <button type="button">Other</button>
      <button>Send</button>
    </form>
  )
}

const sent = vi.fn()
const way = () => screen.getByLabelText<HTMLSelectElement>('Way')
const radio = (name: string) => screen.getByRole<HTMLInputElement>('radio', { name })

beforeEach(() => {
  vi.useFakeTimers({ toFake: ['performance'] })
  render(
    <main>
      <Form onSend={sent} />
    </main>,
  )
  return () => void vi.useRealTimers()
})

describe('a list', () => {
  test.each([
    ['t', 'transfer'],
    // The same letter goes on; the one that may not be chosen is passed over.
    ['c', 'card'],
    ['cc', 'cash'],
    // Letters of one word.
    ['car', 'card'],
    ['cas', 'cash'],
    ['x', 'cash'],
  ])('“%s” chooses %s', (typed, chosen) => {
    press(way(), ...typed)
    expect(way().value).toBe(chosen)
  })

  test('letters a second apart are words of their own', () => {
    press(way(), 't')
    vi.advanceTimersByTime(1001)
    press(way(), 'c')
    expect(way().value).toBe('cash')
  })

  test('is gone through to its ends', () => {
    const seen = ['ArrowDown', 'ArrowDown', 'ArrowDown', 'ArrowUp', 'ArrowUp', 'ArrowUp'].map((key) => {
      press(way(), key)
      return way().value
    })
    expect(seen).toEqual(['card', 'transfer', 'transfer', 'card', 'cash', 'cash'])
  })
})

describe('of a few in sight', () => {
  test.each([
    [['ArrowDown'], 'Later'],
    [['ArrowDown', 'ArrowDown'], 'Now'],
    [['ArrowUp'], 'Later'],
  ])('%s leads to “%s”', (keys, chosen) => {
    press(radio('Now'), ...keys)
    expect(radio(chosen).checked).toBe(true)
    expect(document.activeElement).toBe(radio(chosen))
  })
})

describe('Tab', () => {
  const named = (): string | null | undefined =>
    document.activeElement?.getAttribute('aria-label') ?? document.activeElement?.closest('label, button')?.textContent
  test.each([
    [['Tab'], 'Way'],
    [['Tab', 'Tab'], 'Now'],
    // Of those to choose from it stops at the chosen one alone.
    [['Tab', 'Tab', 'Tab'], 'Keep'],
    [['Tab', 'Tab', 'ArrowDown', 'Tab'], 'Keep'],
    [['Tab', 'Tab', 'Tab', 'Shift Tab'], 'Now'],
    [['Tab', 'Tab', 'Tab', 'Tab', 'Tab'], 'Send'],
    // There is no more.
    [['Tab', 'Tab', 'Tab', 'Tab', 'Tab', 'Tab'], 'Send'],
  ])('%s, from the first field, leads to “%s”', (keys, name) => {
    press(screen.getByLabelText('Amount'), ...keys)
    expect(named()).toBe(name)
  })

  test('stops where a hand’s Tab does', async () => {
    vi.useRealTimers()
    screen.getByLabelText('Amount').focus()
    await userEvent.tab()
    await userEvent.tab()
    await userEvent.tab()
    expect(named()).toBe('Keep')
  })
})

test('a space ticks, unticks and presses', () => {
  const box = screen.getByLabelText<HTMLInputElement>('Keep')
  press(box, ' ')
  expect(box.checked).toBe(true)
  press(box, ' ')
  expect(box.checked).toBe(false)
  press(screen.getByRole('button', { name: 'Send' }), ' ')
  expect(sent).toHaveBeenCalledTimes(1)
})

test('Enter in a field sends its form as it stands, with the button that sends', () => {
  press(way(), 't')
  press(screen.getByLabelText('Amount'), 'Enter')
  expect(sent.mock.calls).toEqual([['transfer now false']])
})

test('Enter in a field does what it does when it is pressed', async () => {
  vi.useRealTimers()
  await userEvent.type(screen.getByLabelText('Amount'), '{Enter}')
  expect(sent.mock.calls).toEqual([['cash now false']])
})
