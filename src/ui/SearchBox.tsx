'use client'
import { usePathname, useRouter, useSearchParams } from 'next/navigation'
import { Suspense, useEffect, useState } from 'react'

const Box = ({ label, placeholder }: { readonly label: string; readonly placeholder: string }) => {
  const router = useRouter()
  const path = usePathname()
  const params = useSearchParams()
  const here = params.get('search') ?? ''
  const [typed, setTyped] = useState(here)
  const [known, setKnown] = useState(here)
  // What was searched for while it was typed on, and may still arrive.
  const [asked, setAsked] = useState<readonly string[]>([])
  if (here !== known) {
    setKnown(here)
    if (!asked.includes(here)) setTyped(here)
    if (here === typed.trim()) setAsked([])
  }
  useEffect(() => {
    if (typed.trim() === (asked.at(-1) ?? here)) return
    const timer = setTimeout(() => {
      const next = new URLSearchParams(params)
      if (typed.trim()) next.set('search', typed.trim())
      else next.delete('search')
      next.delete('page')
      setAsked((all) => [...all, typed.trim()])
      router.replace(`${path}?${next}`)
    }, 200)
    return () => clearTimeout(timer)
    // Only what is typed starts a search; the address changes because of it.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [typed])
  return (
    <input
      type="search"
      aria-label={label}
      placeholder={placeholder}
      className="field w-75 max-sm:!w-full"
      value={typed}
      onChange={(e) => setTyped(e.target.value)}
    />
  )
}

/** Searches while typing; what is searched for lives in the address. */
export const SearchBox = (props: { readonly label: string; readonly placeholder: string }) => (
  <Suspense>
    <Box {...props} />
  </Suspense>
)
