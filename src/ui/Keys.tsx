'use client'
import { useRouter } from 'next/navigation'
import { useEffect, useState } from 'react'
import { lazily } from './lazily'
import { PLACES } from '@/contract/places'
import { hearAhead, leaveFor } from './keysAhead'
import { whenThere } from './whenThere'
import { pageKeys, type PageKey } from './acts/pageKeys'

const typing = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName))

/**
 * The figure that leads to a place. On a Mac Alt and 1 make another sign: there the key itself counts, but where somebody writes, who may
 * mean that sign.
 */
const figureOf = ({ key, code, target }: KeyboardEvent): string | undefined =>
  /^[1-9]$/.test(key) ? key : typing(target) ? undefined : /^Digit([1-9])$/.exec(code)?.[1]

const KeyList = lazily(() => import('./KeyList').then((m) => m.KeyList))

/** Up and down through the rows of the list on the page. */
const stepRow = (by: number): void => {
  const rows = [...document.querySelectorAll<HTMLElement>('main [data-row]')]
  if (rows.length === 0) return
  const now = rows.findIndex((r) => r === document.activeElement || r.contains(document.activeElement))
  rows[Math.max(0, Math.min(rows.length - 1, now + by))]?.focus()
}

/** The main thing of what is open, or the other way to do it; what a panel holds may still be on its way. */
const doMain = (which: 'primary' | 'second'): boolean => {
  const css = `[data-${which}]`
  const panel = document.querySelector<HTMLElement>('[role=dialog]')
  const main = (panel ?? document).querySelector<HTMLElement>(`${css}:not(:disabled)`)
  if (main) main.click()
  else if (panel && !panel.querySelector(css)) whenThere(panel, css, (its) => its.click())
  return main !== null || panel !== null
}

/** The keys that work everywhere. */
export const Keys = () => {
  const router = useRouter()
  const [open, setOpen] = useState(false)
  const [here, setHere] = useState<readonly PageKey[]>([])
  useEffect(hearAhead, [])
  useEffect(() => {
    // From here on keys are heard; tests wait for it as a person waits for the page to stand.
    document.documentElement.dataset.ready = 'yes'
    const go = (to: string) => {
      leaveFor(to)
      router.push(to)
    }
    const everywhere: Readonly<Record<string, () => void>> = {
      '/': () => document.querySelector<HTMLElement>('[data-quick-line]')?.focus(),
      '?': () => {
        setHere(pageKeys())
        setOpen(true)
      },
      n: () => go('/sales/new'),
      ArrowDown: () => stepRow(1),
      ArrowUp: () => stepRow(-1),
    }
    const onKey = (e: KeyboardEvent) => {
      if (e.key === 'Enter' && (e.ctrlKey || e.metaKey)) {
        if (doMain(e.shiftKey ? 'second' : 'primary')) e.preventDefault()
        return
      }
      if (e.altKey && !e.ctrlKey) {
        const figure = figureOf(e)
        const place = PLACES.find((p) => p.key === figure)
        if (place) {
          e.preventDefault()
          go(place.href)
        }
        return
      }
      if (e.defaultPrevented || e.ctrlKey || e.metaKey || e.altKey) return
      if (typing(e.target) || document.querySelector('[role=dialog]')) return
      // What the page says of a key goes before what it does everywhere: on a customer's page a new sale is theirs.
      const mine = e.repeat ? undefined : pageKeys().find((k) => k.key === e.key)
      const run = mine?.run ?? everywhere[e.key]
      if (!run) return
      e.preventDefault()
      if (mine?.to) leaveFor(mine.to)
      run()
    }
    document.addEventListener('keydown', onKey)
    return () => document.removeEventListener('keydown', onKey)
  }, [router])
  return open && <KeyList here={here} onClose={() => setOpen(false)} />
}
