import { startTransition, useEffect, useLayoutEffect, useState, useSyncExternalStore } from 'react'
import { flushSync } from 'react-dom'

/** So many rows are there with the page itself, more than a screen shows; so many follow each moment while it is already worked with. */
const AT_ONCE = 24
/** Rows that hold fields: a key that is struck meanwhile waits for so many at most. */
const WITH_FIELDS_AT_ONCE = 8

/**
 * The rows that are drawn: those of the first screen with the page, all of them some moments later, and from then on every one at
 * once. Rows that hold fields are tall, and each is half a form: a screen shows fewer of them.
 */
export const useDrawn = <Row>(shown: readonly Row[], first = AT_ONCE): readonly Row[] =>
  useGrowing(shown, first, WITH_FIELDS_AT_ONCE)

/**
 * The same for rows that are only read; so many of them as are given are there with the page. Where they come without a page
 * of their own all of them are there at once: what is returned to stands where it was left.
 */
export const useDrawnToRead = <Row>(shown: readonly Row[], first = AT_ONCE): readonly Row[] =>
  useGrowing(shown, useComesWithPage() ? first : Infinity, AT_ONCE)

/** What has rows still to draw. */
const growing = new Set<() => void>()
/** Draws all rows that are still to come, now: for who is about to do something with every one of them. */
export const drawAll = (): void => flushSync(() => growing.forEach((all) => all()))

const useGrowing = <Row>(shown: readonly Row[], first: number, more: number): readonly Row[] => {
  const [count, setCount] = useState(shown.length <= first ? Infinity : first)
  const { length } = shown
  const grows = count < length
  useLayoutEffect(() => {
    if (!grows) return
    const all = () => setCount(Infinity)
    growing.add(all)
    return () => void growing.delete(all)
  }, [grows])
  useEffect(() => {
    if (count === Infinity) return
    const timer = setTimeout(() => startTransition(() => setCount(count < length ? count + more : Infinity)))
    return () => clearTimeout(timer)
  }, [count, length, more])
  return grows ? shown.slice(0, count) : shown
}

/** Whether this is drawn on the server, or taken over from what the server drew. */
const useComesWithPage = (): boolean =>
  useSyncExternalStore(
    () => () => {},
    () => false,
    () => true,
  )
