'use client'
import { useCallback, useEffect, useRef, useState } from 'react'
import { decimal, type Decimal } from '@/core/money'
import type { BasketView } from '@/services/shopfront/readShop'

/** How often the other side's hands are looked for. */
const EVERY = 1500

/** What a change is made to, and what came of it: null where it was refused. */
type Change = (now: BasketView | null) => Promise<BasketView | null>

/**
 * A basket both sides have their hands in: read again every moment, and an older answer never replaces a newer one.
 */
export const useBasket = (start: BasketView | null, read: () => Promise<BasketView | null | undefined>) => {
  const [basket, setBasket] = useState(start)
  const newest = useRef(start)
  const reading = useRef(read)
  reading.current = read
  const take = useCallback((next: BasketView | null | undefined) => {
    const now = newest.current
    if (next === undefined || (now && next && now.id === next.id && next.turn < now.turn)) return
    newest.current = next
    setBasket(next)
  }, [])
  const onItsWay = useRef<Promise<unknown>>(Promise.resolve())
  const refusals = useRef(0)
  /** One change after the other: what is done while another is on its way waits for it, and is done to what came of it. */
  const change = useCallback(
    (make: Change): Promise<BasketView | null> => {
      const made = onItsWay.current.then(async () => {
        const next = await make(newest.current)
        if (next) take(next)
        else refusals.current++
        return next
      })
      onItsWay.current = made
      return made
    },
    [take],
  )
  /** What stands when all that is on its way has come; null where some of it was refused. */
  const settled = useCallback(async (): Promise<BasketView | null> => {
    const before = refusals.current
    await onItsWay.current
    return refusals.current === before ? newest.current : null
  }, [])
  useEffect(() => {
    const timer = setInterval(() => {
      if (document.visibilityState === 'visible') void reading.current().then(take)
    }, EVERY)
    return () => clearInterval(timer)
  }, [take])
  return { basket, change, settled }
}

/** How many of something are in a basket. */
export const countIn = (basket: BasketView | null, goodsId: number): Decimal =>
  decimal(basket?.lines.find((l) => l.goodsId === goodsId)?.quantity ?? 0)
