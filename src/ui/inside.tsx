'use client'
import { useEffect } from 'react'

let inside = false

/** Notes that pages of the owner were opened in this window: what it remembers of them goes when nobody is signed in any more. */
export const Inside = (): null => {
  useEffect(() => {
    inside = true
  }, [])
  return null
}

/** Whether this window remembers pages of the owner: its *Back* would show them, without asking anybody. */
export const wasInside = (): boolean => inside
