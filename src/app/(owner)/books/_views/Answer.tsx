import type { ReactNode } from 'react'

interface Props {
  /** What the words of the report mean. */
  readonly about: string
  readonly children: ReactNode
}

/** The answer of a report in one sentence, and what its words mean. */
export const Answer = ({ about, children }: Props) => (
  <div className="mb-4 max-w-prose">
    <p className="text-lg">{children}</p>
    <p className="sub mt-1">{about}</p>
  </div>
)
