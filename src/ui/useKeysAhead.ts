'use client'
import { usePathname } from 'next/navigation'
import { useCallback, useEffect, useRef } from 'react'

interface Held {
  readonly key: string
  readonly ctrlKey: boolean
  readonly shiftKey: boolean
}

/** Pages take no longer; whatever is pressed later is no longer meant for the one that did not come. */
const MOST_WAIT = 5000
const LOOK = 15
/** A page without a field to enter hears its keys after so many looks. */
const LOOKS = 20

const isField = (at: Element | null): at is HTMLInputElement | HTMLTextAreaElement =>
  at instanceof HTMLInputElement || at instanceof HTMLTextAreaElement

/** What Tab would do, where it was pressed before its page was there. */
const enterNext = (): void => {
  const all = [...document.querySelectorAll<HTMLElement>('main :is(input, select, textarea, button, a[href])')].filter(
    (e) => e.tabIndex >= 0 && !e.matches(':disabled'),
  )
  all[all.findIndex((e) => e === document.activeElement) + 1]?.focus()
}

const replay = ({ key, ...held }: Held): void => {
  const at = document.activeElement ?? document.body
  if (key.length === 1 && isField(at)) return void document.execCommand('insertText', false, key)
  if (key === 'Backspace' && isField(at)) return void document.execCommand('delete')
  const unheard = at.dispatchEvent(new KeyboardEvent('keydown', { key, ...held, bubbles: true, cancelable: true }))
  if (key === 'Tab' && unheard) enterNext()
}

/**
 * A key may lead to another page, and whoever types on does not wait for it: what is pressed meanwhile is held, does nothing on
 * the page that is left, and is typed on the one that comes, from its first field on.
 */
export const useKeysAhead = () => {
  const path = usePathname()
  const leaving = useRef<{ readonly from: string; readonly keys: Held[]; readonly until: number } | null>(null)
  const leave = useCallback((to: string) => {
    const from = location.pathname
    leaving.current = to.split('?')[0] === from ? null : { from, keys: [], until: performance.now() + MOST_WAIT }
  }, [])
  useEffect(() => {
    const hold = (e: KeyboardEvent) => {
      const away = leaving.current
      if (!away || !e.isTrusted || e.altKey || e.metaKey || (e.ctrlKey && e.key !== 'Enter')) return
      if (performance.now() > away.until) return void (leaving.current = null)
      if (e.key.length > 1 && !['Enter', 'Tab', 'Backspace'].includes(e.key)) return
      e.preventDefault()
      e.stopImmediatePropagation()
      away.keys.push({ key: e.key, ctrlKey: e.ctrlKey, shiftKey: e.shiftKey })
    }
    document.addEventListener('keydown', hold, true)
    return () => document.removeEventListener('keydown', hold, true)
  }, [])
  useEffect(() => {
    const away = leaving.current
    if (!away || path === away.from) return
    let looked = 0
    const timer = setInterval(() => {
      const at = document.activeElement
      const here =
        !document.querySelector('[data-loading]') && ((isField(at) && at.closest('main')) || ++looked > LOOKS)
      if (!here) return
      const next = away.keys.shift()
      // One at a time: what a key does is on the page before the next one comes.
      if (next) replay(next)
      if (away.keys.length > 0) return
      clearInterval(timer)
      if (leaving.current === away) leaving.current = null
    }, LOOK)
    return () => clearInterval(timer)
  }, [path])
  return leave
}
