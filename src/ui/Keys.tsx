'use client'
import { useRouter } from 'next/navigation'
import { useEffect, useState } from 'react'
import { Panel } from './Panel'
import { PLACES } from './places'

const typing = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName))

const LIST = [
  ['/', 'go to the quick line'],
  ['?', 'show this list'],
  ['n', 'a new sale'],
  ['Alt 1 … 9', 'go to a section'],
  ['up, down, Enter', 'move through a list and open a row'],
  ['Ctrl Enter', 'press the main button'],
  ['Esc', 'close, or leave a field'],
  ['12*45, 450-10%', 'calculations in amount fields'],
  ['t, +30, 24 12, eom, fri', 'dates: today, in 30 days, 24 Dec, end of month, next Friday'],
] as const

/** Up and down through the rows of the list on the page. */
const stepRow = (by: number): void => {
  const rows = [...document.querySelectorAll<HTMLElement>('main [data-row]')]
  if (rows.length === 0) return
  const now = rows.findIndex((r) => r === document.activeElement || r.contains(document.activeElement))
  rows[Math.max(0, Math.min(rows.length - 1, now + by))]?.focus()
}

/** The keys that work everywhere. */
export const Keys = () => {
  const router = useRouter()
  const [open, setOpen] = useState(false)
  useEffect(() => {
    // From here on keys are heard; tests wait for it as a person waits for the page to stand.
    document.documentElement.dataset.ready = 'yes'
    const onKey = (e: KeyboardEvent) => {
      if (e.key === 'Enter' && (e.ctrlKey || e.metaKey)) {
        const scope = document.querySelector('[role=dialog]') ?? document
        const main = scope.querySelector<HTMLElement>('[data-primary]:not(:disabled)')
        if (main) {
          e.preventDefault()
          main.click()
        }
        return
      }
      if (e.altKey && /^[1-9]$/.test(e.key)) {
        const place = PLACES.find((p) => p.key === e.key)
        if (place) {
          e.preventDefault()
          router.push(place.href)
        }
        return
      }
      if (e.ctrlKey || e.metaKey || e.altKey || typing(e.target) || document.querySelector('[role=dialog]')) return
      if (e.key === '/') {
        e.preventDefault()
        document.querySelector<HTMLElement>('[data-quick-line]')?.focus()
      } else if (e.key === '?') setOpen(true)
      else if (e.key === 'n') router.push('/sales/new')
      else if (e.key === 'ArrowDown' || e.key === 'ArrowUp') {
        e.preventDefault()
        stepRow(e.key === 'ArrowDown' ? 1 : -1)
      }
    }
    document.addEventListener('keydown', onKey)
    return () => document.removeEventListener('keydown', onKey)
  }, [router])
  return (
    <Panel open={open} onClose={() => setOpen(false)} title="Keyboard shortcuts">
      <table className="ledger">
        <tbody>
          {LIST.map(([key, what]) => (
            <tr key={key}>
              <td>
                <kbd className="font-figure">{key}</kbd>
              </td>
              <td>{what}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Panel>
  )
}
