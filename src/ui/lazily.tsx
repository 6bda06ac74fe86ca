'use client'
import { useEffect, useSyncExternalStore, type ReactNode } from 'react'

type Draws<P> = (props: P) => ReactNode

const later = new Set<() => Promise<unknown>>()
let awake = false

/** Fetches everything that was to be fetched later, and says when all of it is there. */
export const fetchAll = (): Promise<unknown> => {
  awake = true
  return Promise.all([...later].map((fetchIt) => fetchIt()))
}

// Whoever moves or presses a key may open something next; whoever only looks never fetches it.
if (typeof document !== 'undefined')
  for (const sign of ['keydown', 'pointermove', 'pointerdown', 'click'])
    document.addEventListener(sign, () => void fetchAll(), { once: true, capture: true })

/** A part of the screen that does not come with the page, but with the first key or movement on it; null until it has come. */
const comesLater = <P extends object>(load: () => Promise<Draws<P>>) => {
  let loaded: Draws<P> | null = null
  const shown = new Set<() => void>()
  const fetchNow = async () => {
    try {
      loaded = await load()
      for (const again of shown) again()
    } catch {
      // Whoever opens it again asks for it again.
      fetching = null
    }
  }
  let fetching: Promise<void> | null = null
  const fetchIt = () => (fetching ??= fetchNow())
  later.add(fetchIt)
  if (awake) void fetchIt()
  const hear = (again: () => void) => {
    shown.add(again)
    return () => shown.delete(again)
  }
  const useLoaded = () =>
    useSyncExternalStore(
      hear,
      () => loaded,
      () => null,
    )
  return { fetchIt, useLoaded }
}

/** A part of the screen that opens on demand; asked for before it has come, it says that it is on its way. */
export const lazily = <P extends object>(load: () => Promise<Draws<P>>): Draws<P> => {
  const { fetchIt, useLoaded } = comesLater(load)
  const Lazy = (props: P) => {
    const Loaded = useLoaded()
    useEffect(() => void fetchIt(), [])
    return Loaded ? (
      <Loaded {...props} />
    ) : (
      <p role="status" data-loading className="sub">
        One moment. If nothing comes, close this and open it again.
      </p>
    )
  }
  return Lazy
}

/** A part of the screen that nobody misses before the first key or movement on the page: until it has come, nothing is drawn. */
export const onceAwake = <P extends object>(load: () => Promise<Draws<P>>): Draws<P> => {
  const { useLoaded } = comesLater(load)
  const Later = (props: P) => {
    const Loaded = useLoaded()
    return Loaded && <Loaded {...props} />
  }
  return Later
}
