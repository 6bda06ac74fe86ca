import Link from 'next/link'
import type { ComponentProps } from 'react'

/** A link to a page of ours. Figures move, so a page is read when it is asked for and not before. */
export const To = (props: ComponentProps<typeof Link>) => <Link prefetch={false} {...props} />
