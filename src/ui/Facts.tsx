import type { ReactNode } from 'react'

/** A few facts beside each other, each under its name. */
export const Facts = ({ facts }: { readonly facts: readonly (readonly [name: string, value: ReactNode])[] }) => (
  <dl className="mb-6 flex flex-wrap gap-x-9 gap-y-2">
    {facts.map(([name, value]) => (
      <div key={name}>
        <dt className="sub">{name}</dt>
        <dd className="fig text-left text-lg font-bold">{value}</dd>
      </div>
    ))}
  </dl>
)
