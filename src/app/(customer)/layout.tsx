import type { Metadata } from 'next'
import type { ReactNode } from 'react'

export const dynamic = 'force-dynamic'
export const metadata: Metadata = { robots: { index: false, follow: false }, referrer: 'no-referrer' }

/** Pages for customers: nothing of the owner's stands here, and they fit a telephone. */
export default function CustomerLayout({ children }: { children: ReactNode }) {
  return <div className="min-h-screen bg-paper-50">{children}</div>
}
