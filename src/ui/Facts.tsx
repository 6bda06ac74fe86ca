import type { ReactNode } from 'react'
import { To } from './To'

/** A name, what stands under it, and where that opens into what it is made of. */
export type Fact = readonly [name: string, value: ReactNode, href?: string]

/** A few facts beside each other, each under its name. */
export const Facts = ({ facts }: { readonly facts: readonly Fact[] }) => (
  <dl className="mb-6 flex flex-wrap gap-x-9 gap-y-2">
    {facts.map(([name, value, href]) => (
      <div key={name}>
        <dt className="sub">{name}</dt>
        <dd className="fig text-left text-lg font-bold">
          {href ? (
            <To
              className="hover:underline"
              href={href}
              aria-label={typeof value === 'string' ? `${name}: ${value}` : name}
            >
              {value}
            </To>
          ) : (
            value
          )}
        </dd>
      </div>
    ))}
  </dl>
)
