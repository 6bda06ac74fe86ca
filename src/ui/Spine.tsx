'use client'
import { To } from '@/ui/To'
import { usePathname } from 'next/navigation'
import { useEffect, useRef } from 'react'
import { formatCount } from '@/core/locale'
import { SignOut } from './SignOut'
import { PLACES, POST, SETTINGS } from '@/contract/places'

/** Pages that belong to a place without standing under its address. */
const BELONGS: Readonly<Record<string, string>> = {
  '/invoices': '/sales',
  '/handovers': '/sales',
  '/picks': '/sales',
  '/parcels': '/sales',
  '/deliveries': '/sales',
  '/receipts': '/money-in',
}

interface Props {
  readonly agreed: number
  /** Letters that wait to go or came back. */
  readonly post: number
}

const ITEM = 'flex items-baseline justify-between gap-2 py-1.75 pr-3 pl-5 whitespace-nowrap max-md:px-3'

/** The places as words down the left side, with a count where something waits; on a phone in a row, moved to where one is. */
export const Spine = ({ agreed, post }: Props) => {
  const path = usePathname()
  const at = Object.entries(BELONGS).find(([start]) => path.startsWith(start))?.[1] ?? path
  const nav = useRef<HTMLElement>(null)
  useEffect(() => {
    const here = nav.current?.querySelector<HTMLElement>('[aria-current]')
    if (nav.current && here) nav.current.scrollLeft = here.offsetLeft - (nav.current.clientWidth - here.offsetWidth) / 2
  }, [at])
  const item = (p: { name: string; href: string }, count?: number) => {
    const here = at === p.href || at.startsWith(`${p.href}/`)
    return (
      <To
        key={p.href}
        href={p.href}
        aria-current={here ? 'page' : undefined}
        className={`${ITEM} ${
          here
            ? 'border-y border-paper-300 bg-paper-50 font-bold shadow-[inset_4px_0_0_var(--color-rust-600)] max-md:border-y-0 max-md:shadow-[inset_0_-3px_0_var(--color-rust-600)] md:-mr-px'
            : 'border-y border-transparent text-iron-700 hover:text-iron-900'
        }`}
      >
        {p.name}
        {count ? <span className="fig text-xs text-rust-600">{formatCount(count)}</span> : null}
      </To>
    )
  }
  return (
    <nav
      ref={nav}
      aria-label="Main menu"
      className="no-print shrink-0 border-paper-300 bg-paper-100 max-md:flex max-md:overflow-x-auto max-md:[scrollbar-width:none] max-md:border-b md:min-h-[calc(100vh-60px)] md:w-33 md:border-r md:py-3.5"
    >
      {PLACES.map((p) => item(p, p.href === '/sales' ? agreed : undefined))}
      <hr className="mx-5 my-2.5 border-paper-300 max-md:hidden" />
      {item(POST, post)}
      {item(SETTINGS)}
      <SignOut
        className={`${ITEM} w-full cursor-pointer border-y border-transparent text-iron-700 hover:text-iron-900`}
      />
    </nav>
  )
}
