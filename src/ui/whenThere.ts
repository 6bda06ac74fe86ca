/** What somebody does next: from then on nothing is done for them that they asked for before. */
const MOVES = ['keydown', 'pointerdown'] as const
/** Held down for another key: nothing in itself. */
const MODIFIERS: readonly string[] = ['Control', 'Shift', 'Alt', 'AltGraph', 'Meta']

/** What is asked of a part that is still on its way is done when it comes, unless somebody moved first. */
export const whenThere = (within: HTMLElement, css: string, run: (found: HTMLElement) => void): void => {
  const now = within.querySelector<HTMLElement>(css)
  if (now) return run(now)
  const watch = new MutationObserver(() => {
    const found = within.querySelector<HTMLElement>(css)
    if (!found) return
    stop()
    run(found)
  })
  const moved = (e: Event) => {
    if (!(e instanceof KeyboardEvent && MODIFIERS.includes(e.key))) stop()
  }
  const stop = () => {
    watch.disconnect()
    for (const sign of MOVES) document.removeEventListener(sign, moved, true)
  }
  watch.observe(within, { childList: true, subtree: true })
  for (const sign of MOVES) document.addEventListener(sign, moved, true)
}
