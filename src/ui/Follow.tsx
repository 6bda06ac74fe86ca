'use client'
import { useRouter } from 'next/navigation'
import { useEffect } from 'react'
import { leaveFor } from './keysAhead'

/** The link of ours that a click asks to follow here: with the main button, no key held, and not into another tab. */
const followed = (e: MouseEvent): HTMLAnchorElement | null => {
  if (e.defaultPrevented || e.button !== 0 || e.metaKey || e.ctrlKey || e.shiftKey || e.altKey) return null
  const link = e.target instanceof Element ? e.target.closest<HTMLAnchorElement>('a[data-to]') : null
  return link && (link.target === '' || link.target === '_self') ? link : null
}

/**
 * Follows links of ours (`ui/To`) within the page. One listener serves them all: a list of a hundred rows would else be hundreds of
 * components.
 */
export const Follow = () => {
  const router = useRouter()
  useEffect(() => {
    const onClick = (e: MouseEvent): void => {
      const link = followed(e)
      if (!link) return
      e.preventDefault()
      // Followed by a key: whoever types on means the page that comes.
      if (e.detail === 0) leaveFor(link.pathname)
      router.push(`${link.pathname}${link.search}${link.hash}`, { scroll: link.dataset.to !== 'stay' })
    }
    document.addEventListener('click', onClick)
    return () => document.removeEventListener('click', onClick)
  }, [router])
  return null
}
