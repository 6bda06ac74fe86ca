import type { ReactNode } from 'react'

interface Props {
  readonly above?: ReactNode
  readonly title: ReactNode
  readonly beside?: ReactNode
  readonly action?: ReactNode
}

/** The one heading of a page, with its one primary action. */
export const Heading = ({ above, title, beside, action }: Props) => (
  <header className="mb-4 flex flex-wrap items-end gap-x-4 gap-y-2">
    <div className="min-w-min flex-[1_1_10rem]">
      {above && <div className="sub">{above}</div>}
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="min-w-0">{title}</h1>
        {beside && <div className="sub">{beside}</div>}
      </div>
    </div>
    {action && <div className="no-print flex flex-wrap gap-2">{action}</div>}
  </header>
)
