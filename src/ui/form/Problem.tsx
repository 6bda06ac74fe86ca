import type { ReactNode } from 'react'

/** What is wrong with a field, under it; the field says by this id where that stands. */
export const Problem = ({ id, children }: { readonly id: string; readonly children: ReactNode }) => (
  <div id={id} className="text-xs text-oxide-700">
    {children}
  </div>
)
