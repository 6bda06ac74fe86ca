'use client'
import { usePathname } from 'next/navigation'
import { useCallback, useEffect, useRef, useState } from 'react'

/**
 * What was typed and left unsent, by its page, its form and what that began with. It lies in this window alone and nowhere else: who closes
 * it, loads another page or signs out has thrown it away.
 */
const left = new Map<string, { readonly text: string; readonly draft: string }>()

/** So many are kept, the last ones. */
const MOST = 20

/** A draft as it is compared: rows have keys of their own each time they are drawn. */
const textOf = (typed: unknown): string => JSON.stringify(typed, (name, value) => (name === 'key' ? undefined : value))

interface Wish<D> {
  /** Which form of its page. */
  readonly name: string
  readonly start: D
  /** What is typed at this moment. */
  readonly now: () => D
  /** Puts a draft in place of what is typed. */
  readonly put: (draft: D) => void
  /** What of a draft somebody typed, where some of it is only told about it. */
  readonly typed?: (draft: D) => unknown
}

const FIELDS = 'input:not([type=hidden], :disabled), select:not(:disabled), textarea:not(:disabled)'

/** What there is to bring back, and how. */
export interface LeftBehind {
  readonly bringBack: (() => void) | null
  /** What is typed now was sent, or is not wanted. */
  readonly sent: () => void
}

/**
 * Keeps what is typed into a form when its page is left without sending it, and offers it when somebody comes back. It is offered and not
 * put there: who opens a form for the next customer finds it empty. Where the form begins with something else by then, it is not offered.
 */
export const useLeft = <D,>(wish: Wish<D>): LeftBehind => {
  const path = usePathname()
  const typedOf = (draft: D): string => textOf(wish.typed ? wish.typed(draft) : draft)
  const [begun] = useState(() => typedOf(wish.start))
  const [at] = useState(() => `${path} ${wish.name} ${begun}`)
  const [found, setFound] = useState(false)
  const done = useRef(begun)
  /** What is typed is left behind; false where that is nothing. */
  const leave = (): boolean => {
    const draft = wish.now()
    const text = typedOf(draft)
    if (text === begun || text === done.current) return false
    left.delete(at)
    left.set(at, { text, draft: JSON.stringify(draft) })
    for (const oldest of left.keys()) if (left.size > MOST) left.delete(oldest)
    return true
  }
  const latest = useRef({ wish, leave })
  useEffect(() => {
    latest.current = { wish, leave }
  })
  useEffect(() => {
    setFound(left.has(at))
    return () => void latest.current.leave()
  }, [at])
  return {
    bringBack: found
      ? () => {
          const kept = left.get(at)
          left.delete(at)
          // What is typed by now is left in its place, and can be brought back in turn.
          setFound(leave())
          if (kept) wish.put(JSON.parse(kept.draft))
        }
      : null,
    sent: () => {
      done.current = typedOf(latest.current.wish.now())
      // Whoever left while it was being sent left nothing behind.
      if (left.get(at)?.text === done.current) left.delete(at)
    },
  }
}

/** What is typed into a desk, all of it in one; kept when its page is left. */
export const useDraft = <D extends object>(name: string, start: D, typed?: (draft: D) => unknown) => {
  const [draft, setDraft] = useState(start)
  const left = useLeft({ name, start, now: () => draft, put: setDraft, typed })
  const set = useCallback((change: Partial<D> | ((draft: D) => Partial<D>)) => {
    setDraft((before) => ({ ...before, ...(typeof change === 'function' ? change(before) : change) }))
  }, [])
  return { draft, set, ...left }
}

/** Offers what was typed here before, above the form it was typed into. */
export const LeftOffer = ({ bringBack }: Pick<LeftBehind, 'bringBack'>) =>
  bringBack && (
    <p className="notice flex flex-wrap items-center justify-between gap-2">
      What you typed here before was not saved.
      <button
        type="button"
        className="btn"
        onClick={(e) => {
          const form = e.currentTarget.closest('form') ?? e.currentTarget.closest('main')
          form?.querySelector<HTMLElement>(FIELDS)?.focus()
          bringBack()
        }}
      >
        Bring it back
      </button>
    </p>
  )
