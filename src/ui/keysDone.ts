/** What keys do by themselves where the focus is: the browser does it for keys that are pressed, and for none that a page is told of. */

const NOT_WRITTEN = '[type=checkbox], [type=radio], [type=file], [type=submit], [type=button]'

/** A field that letters are typed into. */
export const isWritten = (at: Element): boolean =>
  at instanceof HTMLTextAreaElement || (at instanceof HTMLInputElement && !at.matches(NOT_WRITTEN))

const groupOf = ({ name, form }: HTMLInputElement): readonly HTMLInputElement[] =>
  [...document.querySelectorAll<HTMLInputElement>('input[type=radio]:not(:disabled)')].filter(
    (r) => r.name === name && r.form === form,
  )

/** Whether Tab stops there: of a few to choose from only at the one that is chosen. */
const isStop = (e: HTMLElement): boolean => {
  if (e.tabIndex < 0 || e.matches(':disabled')) return false
  if (!(e instanceof HTMLInputElement) || e.type !== 'radio' || e.checked) return true
  return !groupOf(e).some((r) => r.checked)
}

/** Tab goes to the next that takes the focus, in the panel that is open or on the page; with Shift back. */
const enterNext = (by: 1 | -1): void => {
  const within = document.querySelector('[role=dialog]') ?? document.querySelector('main')
  const all = within?.querySelectorAll<HTMLElement>('input, select, textarea, button, a[href]') ?? []
  const stops = [...all].filter(isStop)
  const now = stops.findIndex((e) => e === document.activeElement)
  stops[now < 0 && by < 0 ? stops.length - 1 : now + by]?.focus()
}

/** Enter breaks a line, sends the form of a field, or presses. */
const enterAt = (at: Element): void => {
  if (at instanceof HTMLTextAreaElement) return void document.execCommand('insertLineBreak')
  const pressed = at instanceof HTMLInputElement ? at.form?.querySelector('button:not([type=button])') : at
  if (pressed instanceof HTMLElement && pressed.matches('button, a[href]')) pressed.click()
}

const take = (list: HTMLSelectElement, option: HTMLOptionElement | undefined): void => {
  if (!option || option.selected) return
  list.selectedIndex = option.index
  for (const told of ['input', 'change']) list.dispatchEvent(new Event(told, { bubbles: true }))
}

/** Letters that come within this, in milliseconds, are one word. */
const ONE_WORD = 1000
let begun: { readonly at: Element | null; readonly typed: string; readonly until: number } = {
  at: null,
  typed: '',
  until: 0,
}

/** Letters choose what begins with them; the same letter again goes on to the next such. */
const chooseIn = (list: HTMLSelectElement, letter: string): void => {
  const now = performance.now()
  const typed = (begun.at === list && now < begun.until ? begun.typed : '') + letter.toLowerCase()
  begun = { at: list, typed, until: now + ONE_WORD }
  const isOneLetter = new Set(typed).size === 1
  const from = Math.max(0, list.selectedIndex) + (isOneLetter ? 1 : 0)
  const all = [...list.options]
  const inTurn = [...all.slice(from), ...all.slice(0, from)].filter((o) => !o.disabled)
  const word = isOneLetter ? letter.toLowerCase() : typed
  take(
    list,
    inTurn.find((o) => o.text.trim().toLowerCase().startsWith(word)),
  )
}

/** Up and down go through what may be chosen: of a list to its ends, of a few in sight round and round. */
const step = (at: Element, by: 1 | -1): void => {
  if (at instanceof HTMLSelectElement) {
    const all = [...at.options].filter((o) => !o.disabled)
    return take(at, all[all.findIndex((o) => o.selected) + by])
  }
  if (!(at instanceof HTMLInputElement) || at.type !== 'radio') return
  const few = groupOf(at)
  const next = few.at((few.indexOf(at) + by) % few.length)
  next?.focus()
  next?.click()
}

/** Does what a key does by itself at what has the focus, when nothing on the page has heard it. */
export const doByItself = (at: Element, key: string, isShifted = false): void => {
  if (key === 'Tab') enterNext(isShifted ? -1 : 1)
  else if (key === 'Enter') enterAt(at)
  else if (key === 'ArrowDown') step(at, 1)
  else if (key === 'ArrowUp') step(at, -1)
  else if (key.length === 1 && at instanceof HTMLSelectElement) chooseIn(at, key)
  else if (key === ' ' && at instanceof HTMLElement && at.matches('button, [type=checkbox], [type=radio]')) at.click()
}
