'use client'
import { useCallback, useEffect, useRef, useState } from 'react'
import { holdWhile } from './keysAhead'

/** What was asked for by what is typed on this page and is not answered yet. */
const open = new Set<Promise<unknown>>()

/** Has whoever saves wait for something that is still being looked up. */
export const track = <T>(work: Promise<T>): Promise<T> => {
  const kept = work.catch(() => undefined).finally(() => open.delete(kept))
  open.add(kept)
  return work
}

export const isAhead = (): boolean => open.size > 0

/**
 * Typing runs ahead of what is looked up: whoever presses the button before the last answer came is not refused and does not
 * save half of it. The work is done once everything is answered, with what stands in the form then; a second press meanwhile
 * does nothing.
 */
export const useAhead = (work: () => unknown) => {
  const latest = useRef(work)
  const busy = useRef(false)
  const [waiting, setWaiting] = useState(false)
  const [drawn, setDrawn] = useState<{ readonly done: () => void } | null>(null)
  useEffect(() => {
    latest.current = work
  })
  // What was set before it is on the page by then, and what that asks for in turn is asked.
  useEffect(() => drawn?.done(), [drawn])
  const run = useCallback(async () => {
    if (busy.current) return
    busy.current = true
    const whenAnswered = async () => {
      while (open.size > 0) {
        setWaiting(true)
        await Promise.all(open)
        await new Promise<void>((done) => setDrawn({ done }))
      }
      await latest.current()
    }
    try {
      await holdWhile(whenAnswered)
    } finally {
      busy.current = false
      setWaiting(false)
    }
  }, [])
  return { run, waiting }
}
