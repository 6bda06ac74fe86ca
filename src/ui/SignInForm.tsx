'use client'
import { useSearchParams } from 'next/navigation'
import { Suspense } from 'react'
import { DoorForm } from './form/DoorForm'
import { FormPassphrase } from './form/inputs'

const schema = () => import('@/contract/inputs/access/entry').then((m) => m.sessionInput)

/** Where somebody wanted to go, where that is a page of ours; never another site, however its address is written. */
const placeAfter = (to: string | null): string => {
  if (to === null || !URL.canParse(to, location.origin)) return '/today'
  const there = new URL(to, location.origin)
  return there.origin === location.origin ? `${there.pathname}${there.search}` : '/today'
}

const Form = ({ filledIn }: { readonly filledIn: string | null }) => {
  const to = useSearchParams().get('to')
  return (
    <DoorForm
      address="/api/session"
      start={{ passphrase: filledIn ?? '' }}
      schema={schema}
      at="passphrase"
      go={() => placeAfter(to)}
      submit="Sign in"
    >
      <FormPassphrase
        label="Passphrase"
        autoFocus
        hint={filledIn ? 'This is the demo, so its passphrase is filled in already.' : undefined}
      />
    </DoorForm>
  )
}

export const SignInForm = (props: { readonly filledIn: string | null }) => (
  <Suspense>
    <Form {...props} />
  </Suspense>
)
