'use client'
import { useRouter, useSearchParams } from 'next/navigation'
import { Suspense, useState, type FormEvent } from 'react'
import { Text } from './fields'
import { request, UNANSWERED } from './http'

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
    if (sent.ok) router.push(to?.startsWith('/') && !to.startsWith('//') ? to : '/today')
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
        Open the till
      </button>
    </form>
  )
}

export const SignInForm = (props: { readonly filledIn: string | null }) => (
  <Suspense>
    <Form {...props} />
  </Suspense>
)
