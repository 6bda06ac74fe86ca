'use client'
import { useEffect, useState } from 'react'
import { usePageKeys } from '../acts/pageKeys'
import { Refusal } from '../Refusal'
import { call } from '../send'
import { tell } from '../tell'
import { drawAll } from '../useDrawn'
import { useOnce } from '../useOnce'
import { CHOSEN } from './chosen'

interface Many {
  readonly written: number
  readonly skipped: readonly { readonly name: string; readonly why: string }[]
}
type Wish = 'statement' | 'open-items' | 'reminder'

const boxes = (): readonly HTMLInputElement[] => [
  ...document.querySelectorAll<HTMLInputElement>(`input[type=checkbox][form=${CHOSEN}]`),
]
const chosen = (): readonly number[] =>
  boxes()
    .filter((b) => b.checked)
    .map((b) => Number(b.value))

/** Letters to the customers whose boxes are ticked. */
export const LettersToChosen = () => {
  const [count, setCount] = useState(0)
  const { once, busy, refused } = useOnce()
  const [told, setTold] = useState<Many | null>(null)
  useEffect(() => {
    const changed = (e: Event) => {
      if (e.target instanceof HTMLInputElement && e.target.form?.id === CHOSEN) setCount(chosen().length)
    }
    document.addEventListener('change', changed)
    return () => document.removeEventListener('change', changed)
  }, [])
  const choose = (on: boolean) => {
    // Whoever chooses all of them chooses those below the first screen too.
    drawAll()
    for (const box of boxes()) box.checked = on && box.dataset.withAll === 'true'
    setCount(chosen().length)
  }
  const write = async (what: Wish) => {
    const asked = { customers: chosen(), what }
    const done = await once(JSON.stringify(asked), (key) => call('POST', '/letters/many', asked, key))
    if (!done) return
    setTold(done)
    tell(`${done.written} ${done.written === 1 ? 'email' : 'emails'} ready in Mail.`)
    choose(false)
  }
  usePageKeys([
    { key: 'a', label: 'select all who owe', run: () => choose(count === 0) },
    { key: 'R', label: 'send reminders to the selected', run: () => void (count > 0 && !busy && write('reminder')) },
  ])
  const button = (what: Wish, words: string) => (
    <button type="button" className="btn" disabled={busy || count === 0} onClick={() => void write(what)}>
      {words}
    </button>
  )
  return (
    <>
      <form
        id={CHOSEN}
        className="no-print mb-2 flex flex-wrap items-center gap-2"
        onSubmit={(e) => e.preventDefault()}
      >
        <button type="button" className="btn" onClick={() => choose(count === 0)}>
          {count > 0 ? 'Clear' : 'Select all'}
        </button>
        <span className="sub" aria-live="polite">
          {count} selected
        </span>
        {button('statement', 'Email statements')}
        {button('open-items', 'Email open invoices')}
        {button('reminder', 'Send reminders')}
      </form>
      <Refusal refused={refused} />
      {told && told.skipped.length > 0 && (
        <ul role="status" className="notice mb-3">
          {told.skipped.map((s, i) => (
            <li key={i}>
              <b>{s.name}</b>: {s.why}
            </li>
          ))}
        </ul>
      )}
    </>
  )
}
