'use client'
import { useEffect, useMemo, useRef, useState, type RefObject } from 'react'
import { present } from '@/core/present'
import { emptyLine, isBlank, type LineDraft } from './lineDraft'
import { readPasted } from './pasted'
import type { SetLines } from './useRepricing'

type Change = Partial<LineDraft> | ((line: LineDraft) => Partial<LineDraft>)

/** What can be done to the lines of a sale while they are written; each by the key of its line. */
export interface LineHands {
  readonly change: (key: string, change: Change) => void
  readonly remove: (key: string) => void
  readonly move: (key: string, by: number) => void
  readonly drop: (from: number, to: number) => void
  /** Rows of a spreadsheet in place of a line; false where what is pasted is none. */
  readonly paste: (key: string, text: string) => boolean
  readonly add: (kind: 'heading' | 'text') => void
  /** On to a cell of a line, at once, so that the next key finds it. */
  readonly enter: (key: string, cell: string) => void
  /** On to the next line. */
  readonly next: (key: string) => void
}

interface Wish {
  readonly lines: readonly LineDraft[]
  readonly setLines: SetLines
  readonly taxCode: string
  readonly table: RefObject<HTMLTableElement | null>
}

/** As the package that drags rows would say it, which is not here before a line is dragged. */
const movedTo = (lines: readonly LineDraft[], from: number, to: number): readonly LineDraft[] => {
  const rest = lines.filter((_, i) => i !== from)
  return [...rest.slice(0, to), present(lines[from]), ...rest.slice(to)]
}

/** A line changed; of several to choose from, the one that counts is the only one. */
const changed = (lines: readonly LineDraft[], key: string, change: Change): readonly LineDraft[] => {
  const line = present(lines.find((l) => l.key === key))
  const fresh = { ...line, ...(typeof change === 'function' ? change(line) : change) }
  const alone = fresh.chosen && !line.chosen && line.choice === 'alternative' ? line.choiceGroup : null
  return lines.map((l) =>
    l.key === key
      ? fresh
      : alone !== null && l.choice === 'alternative' && l.choiceGroup === alone
        ? { ...l, chosen: false }
        : l,
  )
}

/** The lines as they are shown, with an empty one at the end, and what can be done to them. */
export const useLines = ({ lines, setLines, taxCode, table }: Wish) => {
  // The empty line at the end stays the same one until it is used, so that what is typed into it is never lost.
  const [spare, setSpare] = useState(() => emptyLine(taxCode))
  const used = lines.some((l) => l.key === spare.key)
  if (used) setSpare(emptyLine(taxCode))
  const full = lines.length === 0 || !isBlank(present(lines.at(-1)))
  const shown = useMemo(() => (full ? [...lines, spare] : lines), [full, lines, spare])
  const latest = useRef({ shown, setLines })
  useEffect(() => {
    latest.current = { shown, setLines }
  })
  const hands = useMemo((): LineHands => {
    const now = () => latest.current.shown
    const set: SetLines = (to) => latest.current.setLines(to)
    const indexOf = (key: string) => now().findIndex((l) => l.key === key)
    const drop = (from: number, to: number) => {
      if (to >= 0 && to < now().length) set(movedTo(now(), from, to))
    }
    const cellOf = (i: number, cell: string) =>
      table.current
        ?.querySelectorAll<HTMLTableRowElement>('[data-line]')
        [i]?.querySelector<HTMLInputElement>(`[data-cell=${cell}] input`)
        ?.focus()
    return {
      change: (key, change) =>
        set((before) => {
          const empty = before.some((l) => l.key === key) ? null : now().find((l) => l.key === key)
          // A line that is gone stays gone, whatever is found for it later.
          if (empty === undefined) return before
          return changed(empty ? [...before, empty] : before, key, change)
        }),
      remove: (key) => set(now().filter((l) => l.key !== key)),
      drop,
      move: (key, by) => drop(indexOf(key), indexOf(key) + by),
      paste: (key, text) => {
        const rows = readPasted(text, taxCode)
        if (rows.length > 0) set(now().flatMap((l) => (l.key === key ? rows : [l])))
        return rows.length > 0
      },
      add: (kind) => set((before) => [...before.filter((l) => !isBlank(l)), emptyLine(taxCode, kind)]),
      enter: (key, cell) => cellOf(indexOf(key), cell),
      next: (key) => cellOf(indexOf(key) + 1, 'what'),
    }
  }, [table, taxCode])
  return { shown, hands }
}
