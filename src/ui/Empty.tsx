import type { ReactNode } from 'react'

/** An empty place: what will be here, and how to start. */
export const Empty = ({ children }: { readonly children: ReactNode }) => (
  <p className="border-y border-paper-200 py-6 text-iron-500">{children}</p>
)
