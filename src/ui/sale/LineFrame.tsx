'use client'
import type { KeyboardEvent, ReactNode } from 'react'
import { flushSync } from 'react-dom'
import { RowPicture } from '../RowPicture'
import { isBlank, type LineDraft } from './lineDraft'
import type { LineHands } from './useLines'

/** The keys of a line, beside those that walk through it. */
export const LINE_KEYS = [
  ['Alt N', 'note of the line'],
  ['Alt D', 'discount of the line'],
  ['Alt T', 'tax of the line'],
  ['Alt O', 'options of the line'],
  ['Alt up, down', 'move the line'],
  ['Alt Backspace', 'remove the line'],
] as const

/** Enters a cell of the line that something in it belongs to. */
const enterCell = (at: EventTarget, cell: string): void =>
  at instanceof Element
    ? at.closest('[data-line]')?.querySelector<HTMLElement>(`[data-cell=${cell}] :is(input, select)`)?.focus()
    : undefined

interface FrameProps {
  readonly line: LineDraft
  /** As it is read on screen: the first is 1. */
  readonly n: number
  readonly hands: LineHands
  readonly menu?: ReactNode
  /** Shows what is seldom said of a line, or hides it again. */
  readonly onMore?: (show?: boolean) => void
  readonly children: ReactNode
}

/** A line with what holds it: where its grip stands, its keys, and the way out. */
export const LineFrame = ({ line, n, hands, menu, onMore, children }: FrameProps) => {
  const byKey = (e: KeyboardEvent) => {
    if (!e.altKey || e.ctrlKey || e.metaKey) return
    const acts: Readonly<Record<string, () => void>> = {
      ArrowUp: () => hands.move(line.key, -1),
      ArrowDown: () => hands.move(line.key, 1),
      Backspace: () => hands.remove(line.key),
      KeyN: () => {
        flushSync(() => onMore?.(true))
        enterCell(e.target, 'note')
      },
      KeyD: () => enterCell(e.target, 'discount'),
      KeyT: () => enterCell(e.target, 'tax'),
      KeyO: () => onMore?.(),
    }
    const act = acts[e.code]
    if (!act) return
    e.preventDefault()
    act()
  }
  return (
    <tr
      data-line={line.key}
      className="align-top data-dragged:relative data-dragged:z-10 data-dragged:bg-rust-100 [&>td]:py-1 [&>td]:align-top"
      onKeyDown={byKey}
      onPaste={(e) => hands.paste(line.key, e.clipboardData.getData('text')) && e.preventDefault()}
    >
      <td data-cell="grip" className="relative w-6 px-0">
        {!isBlank(line) && <RowPicture name="grip" className="mx-1 mt-2.5 text-iron-500" />}
      </td>
      {children}
      <td data-cell="tools" className="whitespace-nowrap px-0">
        {!isBlank(line) && (
          <span className="inline-flex pt-1 text-iron-500">
            {menu}
            <button
              type="button"
              tabIndex={-1}
              aria-label={`Remove line ${n}`}
              title="Alt Backspace"
              className="p-1.25 hover:text-oxide-700"
              onClick={() => hands.remove(line.key)}
            >
              <RowPicture name="remove" />
            </button>
          </span>
        )}
      </td>
    </tr>
  )
}
