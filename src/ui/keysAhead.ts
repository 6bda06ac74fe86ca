import { doByItself, isWritten } from './keysDone'

interface Held {
  readonly key: string
  readonly ctrlKey: boolean
  readonly shiftKey: boolean
  /** With a number it leads to a place. */
  readonly altKey: boolean
}

interface Ahead {
  readonly keys: Held[]
  /** Whether what they are meant for is there. */
  there: () => boolean
  until: number
  /** Something was sent: the same once more is no key for what comes after it. */
  sent: boolean
}

/** Nothing takes longer; whatever is pressed later is not meant for what did not come. A page may come over a slow line. */
const MOST_WAIT = { sent: 5_000, page: 10_000 }
const LOOK = 15
/** What has no field to enter hears its keys after so many looks. */
const LOOKS = 20

let ahead: Ahead | null = null

const replay = ({ key, ...held }: Held): void => {
  const at = document.activeElement ?? document.body
  if (key.length === 1 && !held.altKey && isWritten(at)) return void document.execCommand('insertText', false, key)
  if (key === 'Backspace' && isWritten(at)) return void document.execCommand('delete')
  const unheard = at.dispatchEvent(new KeyboardEvent('keydown', { key, ...held, bubbles: true, cancelable: true }))
  if (unheard && !held.ctrlKey && !held.altKey) doByItself(at, key, held.shiftKey)
}

/** Held beside letters. */
const MEANT = ['Enter', 'Tab', 'Backspace', 'ArrowDown', 'ArrowUp']

/** What is typed, what goes on from field to field or row to row, and the chords that do the main thing or lead to a place; null for the rest. */
const asHeld = (e: KeyboardEvent): Held | null => {
  const { key, ctrlKey, altKey, metaKey, shiftKey } = e
  // On some keyboards a letter such as @ is typed with both.
  if (key.length === 1 && e.getModifierState('AltGraph')) return { key, ctrlKey: false, altKey: false, shiftKey }
  const isMeant = altKey
    ? !ctrlKey && /^[1-9]$/.test(key)
    : ctrlKey
      ? key === 'Enter'
      : key.length === 1 || MEANT.includes(key)
  return isMeant && !metaKey ? { key, ctrlKey, altKey, shiftKey } : null
}

/** One at a time: what a key does is there before the next one comes; it may be to wait for something else. */
const look = (): void => {
  if (!ahead) return
  const { keys, there, until, sent } = ahead
  const isLate = performance.now() > until
  // A page that did not come takes its keys along; whoever sent something still stands before it, and types on there.
  if (isLate && !sent) ahead = null
  else if (!isLate && !there()) setTimeout(look, LOOK)
  else {
    const next = keys.shift()
    if (next) replay(next)
    if (keys.length > 0 || ahead.there !== there) setTimeout(look, LOOK)
    else ahead = null
  }
}

const holdUntil = (there: () => boolean, sent: boolean): void => {
  const goesOn = ahead !== null
  ahead = { keys: ahead?.keys ?? [], there, until: performance.now() + (sent ? MOST_WAIT.sent : MOST_WAIT.page), sent }
  if (!goesOn) setTimeout(look, LOOK)
}

/** Whether somebody may write: in a field of `within`, or where there is none by now. */
const canWrite = (within: () => Element | null) => {
  let looked = 0
  return (): boolean => {
    const at = document.activeElement
    const isIn = at?.matches('input, select, textarea') && within()?.contains(at)
    return !document.querySelector('[data-loading]') && (isIn || ++looked > LOOKS)
  }
}

/** On the way to another page: what is pressed does nothing on the one that is left, and is typed on the one that comes. */
export const leaveFor = (to: string): void => {
  const from = location.pathname
  const ready = canWrite(() => document.querySelector('main'))
  let isLeft = false
  const there = (): boolean => {
    // Whoever goes back at once has left all the same.
    isLeft ||= location.pathname !== from
    return isLeft && ready()
  }
  if (to.split('?')[0] !== from) holdUntil(there, false)
}

/** A panel has opened, and what it holds is still on its way: what is pressed is typed in it when it comes. */
export const enterSoon = (panel: Element): void =>
  holdUntil(
    canWrite(() => panel),
    false,
  )

/** Something was sent that closes what it was sent from: what is pressed from then on is meant for what comes after. */
export const holdSent = (isOver: () => boolean): void => {
  // The second half of a double press.
  while (ahead?.keys[0]?.key === 'Enter') ahead.keys.shift()
  holdUntil(() => isOver() && !document.querySelector('[data-loading]'), true)
}

/** Whether something was sent that closes what it was sent from, and is not over. */
export const isSending = (): boolean => ahead?.sent === true

/** The same while something is checked and waited for that will be sent; what is refused gets the keys back. */
export const holdWhile = async (work: () => Promise<unknown>): Promise<void> => {
  let over = false
  holdSent(() => over)
  try {
    await work()
  } finally {
    over = true
  }
}

/**
 * Whoever types on does not wait for a page or a panel: what is pressed before it is there is held, and typed on it when it comes.
 * Escape gives it up.
 */
export const hearAhead = (): (() => void) => {
  const hold = (e: KeyboardEvent) => {
    // Whoever puts a word together from several keys (an input method) takes it with Enter: that is no Enter of a form.
    if (e.isComposing) return void e.stopImmediatePropagation()
    if (!ahead || !e.isTrusted) return
    if (e.key === 'Escape') return void (ahead = null)
    const held = asHeld(e)
    if (!held) return
    e.preventDefault()
    e.stopImmediatePropagation()
    if (ahead.sent && e.key === 'Enter' && ahead.keys.length === 0) return
    ahead.keys.push(held)
  }
  document.addEventListener('keydown', hold, true)
  return () => document.removeEventListener('keydown', hold, true)
}
