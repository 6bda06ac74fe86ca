'use client'
import { useEffect, useReducer, useSyncExternalStore, type ReactNode } from 'react'

type Draws<P> = (props: P) => ReactNode

const waiting = new Set<() => Promise<unknown>>()
let awake = false

/** Fetches everything that was to be fetched later. */
export const fetchAll = (): Promise<unknown> => {
  awake = true
  const loads = [...waiting]
  waiting.clear()
  return Promise.all(loads.map((load) => load()))
}

// Whoever moves or presses a key may open something next; whoever only looks never fetches it.
if (typeof document !== 'undefined')
  for (const sign of ['keydown', 'pointermove', 'pointerdown', 'click'])
    document.addEventListener(sign, () => void fetchAll(), { once: true, capture: true })

/**
 * A part of the screen that opens on demand. It does not come with the page, but with the first key or movement on it, and is
 * there when it is asked for; asked for before that, it says that it is on its way.
 */
export const lazily = <P extends object>(load: () => Promise<Draws<P>>): Draws<P> => {
  let Loaded: Draws<P> | null = null
  const fetchIt = async () => {
    Loaded ??= await load()
  }
  const later = () => fetchIt().catch(() => undefined)
  if (awake) void later()
  else waiting.add(later)
  const Lazy = (props: P) => {
    const [, again] = useReducer((n: number) => n + 1, 0)
    useEffect(() => {
      if (!Loaded) void fetchIt().then(again, again)
    }, [])
    return Loaded ? (
      <Loaded {...props} />
    ) : (
      <p role="status" className="sub">
        One moment. If nothing comes, close this and open it again.
      </p>
    )
  }
  return Lazy
}

/**
 * A part of the screen that nobody misses before the first key or movement on the page: until it has come with that, nothing is drawn.
 */
export const onceAwake = <P extends object>(load: () => Promise<Draws<P>>): Draws<P> => {
  let Loaded: Draws<P> | null = null
  const shown = new Set<() => void>()
  const fetchIt = async () => {
    Loaded ??= await load()
    for (const again of shown) again()
  }
  const later = () => fetchIt().catch(() => undefined)
  if (awake) void later()
  else waiting.add(later)
  const hear = (again: () => void) => {
    shown.add(again)
    return () => shown.delete(again)
  }
  const Later = (props: P) => {
    const Here = useSyncExternalStore(
      hear,
      () => Loaded,
      () => null,
    )
    return Here && <Here {...props} />
  }
  return Later
}
