'use client'
import { useSearchParams } from 'next/navigation'
import { Suspense, useEffect, useState } from 'react'
import { useFormState } from 'react-hook-form'
import { DoorForm } from './form/DoorForm'
import { FormPassphrase, FormText } from './form/inputs'
import { wasInside } from './inside'

const schema = () => import('@/contract/inputs/access/entry').then((m) => m.sessionInput)

/** Where somebody wanted to go, where that is a page of ours; never another site, however its address is written. */
const placeAfter = (to: string | null): string => {
  if (to === null || !URL.canParse(to, location.origin)) return '/today'
  const there = new URL(to, location.origin)
  return there.origin === location.origin ? `${there.pathname}${there.search}` : '/today'
}

/** What is filled in already is chosen as a whole: who types it all the same does not type it beside itself. */
const ChooseFilledIn = () => {
  useEffect(() => {
    if (document.activeElement instanceof HTMLInputElement) document.activeElement.select()
  }, [])
  return null
}

/** Where signing in takes a code, the answer to the passphrase says so: from then on it is asked for. */
const CodeWhereAsked = () => {
  const { errors } = useFormState()
  const [asked, setAsked] = useState(false)
  if (!asked && errors.code) setAsked(true)
  return asked ? <FormText name="code" label="Code" most={40} secret autoFocus /> : null
}

/** Whoever comes to the door from inside leaves nothing behind it: the window is loaded anew, and forgets. */
const useForgetting = (): boolean => {
  const [forgets] = useState(wasInside)
  useEffect(() => {
    if (forgets) location.reload()
  }, [forgets])
  return forgets
}

const Form = ({ filledIn }: { readonly filledIn: string | null }) => {
  const asked = useSearchParams()
  const to = asked.get('to')
  if (useForgetting()) return null
  return (
    <DoorForm
      address="/api/session"
      start={{ passphrase: filledIn ?? '', code: '' }}
      schema={schema}
      at="passphrase"
      go={() => placeAfter(to)}
      submit="Sign in"
    >
      {asked.has('changed') && (
        <p role="status" className="notice notice-good">
          Passphrase changed. Every open session and every token has ended; sign in again.
        </p>
      )}
      <FormPassphrase
        label="Passphrase"
        autoFocus
        hint={filledIn ? 'This is the demo, so its passphrase is filled in already.' : undefined}
      />
      {filledIn && <ChooseFilledIn />}
      <CodeWhereAsked />
    </DoorForm>
  )
}

export const SignInForm = (props: { readonly filledIn: string | null }) => (
  <Suspense>
    <Form {...props} />
  </Suspense>
)
