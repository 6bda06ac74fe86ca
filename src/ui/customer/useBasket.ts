'use client'
import { useCallback, useEffect, useRef, useState } from 'react'
import type { BasketView } from '@/services/shopfront/readShop'

/** How often the other side's hands are looked for. */
const EVERY = 1500

/**
 * A basket both sides have their hands in: read again every moment, and an older answer never replaces a newer one. `gone`
 * tells that it was ordered, or is empty of everything.
 */
export const useBasket = (start: BasketView | null, read: () => Promise<BasketView | null | undefined>) => {
  const [basket, setBasket] = useState(start)
  const reading = useRef(read)
  reading.current = read
  const take = useCallback((next: BasketView | null | undefined) => {
    if (next === undefined) return
    setBasket((now) => (now && next && now.id === next.id && next.turn < now.turn ? now : next))
  }, [])
  useEffect(() => {
    const timer = setInterval(() => {
      if (document.visibilityState === 'visible') void reading.current().then(take)
    }, EVERY)
    return () => clearInterval(timer)
  }, [take])
  return { basket, take }
}
