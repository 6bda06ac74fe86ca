import { startTransition, useEffect, useState } from 'react'

/** So many rows are there with the page itself, more than a screen shows; so many follow each moment while it is already worked with. */
const AT_ONCE = 24

/** The rows that are drawn: those of the first screen with the page, all of them some moments later, and from then on every one at once. */
export const useDrawn = <Row>(shown: readonly Row[]): readonly Row[] => {
  const [count, setCount] = useState(shown.length <= AT_ONCE ? Infinity : AT_ONCE)
  const { length } = shown
  useEffect(() => {
    if (count === Infinity) return
    const timer = setTimeout(() => startTransition(() => setCount(count < length ? count + AT_ONCE : Infinity)))
    return () => clearTimeout(timer)
  }, [count, length])
  return count < length ? shown.slice(0, count) : shown
}
