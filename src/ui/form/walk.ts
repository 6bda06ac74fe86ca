import type { KeyboardEvent } from 'react'

const FIELDS = 'input:not(:disabled), select:not(:disabled), textarea:not(:disabled)'

/**
 * Enter in a field goes on to the next one, and from the last to the button: nothing is sent half typed by it. Where there is
 * one field alone, Enter sends it.
 */
export const walk = (e: KeyboardEvent<HTMLElement>): void => {
  const at = e.target
  if (e.key !== 'Enter' || e.ctrlKey || e.metaKey || e.defaultPrevented || !(at instanceof HTMLInputElement)) return
  const fields = [...e.currentTarget.querySelectorAll<HTMLElement>(FIELDS)]
  if (fields.length < 2) return
  e.preventDefault()
  const next = fields[fields.indexOf(at) + 1] ?? e.currentTarget.querySelector<HTMLElement>('button:not([type=button])')
  next?.focus()
}
