'use client'
import { useRouter, useSearchParams } from 'next/navigation'
import { Suspense, useState, type FormEvent } from 'react'
import { Text } from './fields'
import { request, UNANSWERED } from './http'

/** Where somebody wanted to go, where that is a page of ours; never another site, however its address is written. */
const placeAfter = (to: string | null): string => {
  if (to === null || !URL.canParse(to, location.origin)) return '/today'
  const there = new URL(to, location.origin)
  return there.origin === location.origin ? `${there.pathname}${there.search}` : '/today'
}

const Form = ({ filledIn }: { readonly filledIn: string | null }) => {
  const router = useRouter()
  const to = useSearchParams().get('to')
  const [passphrase, setPassphrase] = useState(filledIn ?? '')
  const [problem, setProblem] = useState('')
  const [busy, setBusy] = useState(false)
  const submit = async (e: FormEvent) => {
    e.preventDefault()
    setBusy(true)
    const sent = await request('/api/session', { method: 'POST', body: { passphrase }, unanswered: UNANSWERED })
    setBusy(false)
    if (sent.ok) router.push(placeAfter(to))
    else setProblem(sent.detail)
  }
  return (
    <form onSubmit={submit} className="grid gap-3">
      <Text
        label="Passphrase"
        type="password"
        name="passphrase"
        autoComplete="current-password"
        autoFocus
        value={passphrase}
        onChange={(e) => setPassphrase(e.target.value)}
        problem={problem}
        hint={filledIn ? 'This is the demo, so its passphrase is filled in already.' : undefined}
      />
      <button className="btn btn-do" disabled={busy} data-primary>
        Sign in
      </button>
    </form>
  )
}

export const SignInForm = (props: { readonly filledIn: string | null }) => (
  <Suspense>
    <Form {...props} />
  </Suspense>
)
