import type { ComponentProps } from 'react'

interface Props extends ComponentProps<'a'> {
  readonly href: string
  /** Where the next page is another look at this one: stay where one has scrolled to. */
  readonly stay?: boolean
}

/**
 * A link to a page of ours. `ui/Follow` goes there without loading everything anew; where that does not run yet, it is a link like any
 * other. Figures move, so a page is read when it is asked for and not before.
 */
export const To = ({ stay = false, ...props }: Props) => <a data-to={stay ? 'stay' : 'top'} {...props} />
