'use client'
import { useId, useRef, type KeyboardEvent, type ReactNode } from 'react'
import { usePageKeys } from './acts/pageKeys'

interface Props {
  readonly label: string
  /** The key that opens it from anywhere on the page. */
  readonly shortcut?: string
  readonly children: ReactNode
}

const ITEMS = 'a, button:not(:disabled)'

/** Up and down, from the last back to the first. */
const walk = (e: KeyboardEvent<HTMLElement>) => {
  const items = [...e.currentTarget.querySelectorAll<HTMLElement>(ITEMS)]
  const at = items.findIndex((item) => item === document.activeElement)
  const next = { ArrowDown: at + 1, ArrowUp: at - 1, Home: 0, End: items.length - 1 }[e.key]
  if (next === undefined) return
  e.preventDefault()
  items.at(next % items.length)?.focus()
}

/** A button that opens a few more things to do: by its key, with arrows in it; Escape or a click elsewhere closes it. */
export const Menu = ({ label, shortcut, children }: Props) => {
  const id = `menu${useId().replace(/\W/g, '')}`
  const anchor = `--${id}`
  const list = useRef<HTMLDivElement>(null)
  usePageKeys(
    shortcut
      ? [{ key: shortcut, label: `${label}: all there is to do`, run: () => list.current?.togglePopover() }]
      : [],
  )
  return (
    <>
      <button type="button" className="btn" popoverTarget={id} aria-label={label} style={{ anchorName: anchor }}>
        {label} {shortcut && <kbd className="font-figure text-xs font-normal">{shortcut}</kbd>}
        <span aria-hidden>▾</span>
      </button>
      <div
        ref={list}
        id={id}
        popover="auto"
        role="group"
        aria-label={label}
        className="menu"
        style={{ positionAnchor: anchor }}
        onKeyDown={walk}
        onToggle={(e) => e.newState === 'open' && list.current?.querySelector<HTMLElement>(ITEMS)?.focus()}
        onClick={(e) => e.target instanceof Element && e.target.closest(ITEMS) && list.current?.hidePopover()}
      >
        {children}
      </div>
    </>
  )
}
