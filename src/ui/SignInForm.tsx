'use client'
import { useRouter, useSearchParams } from 'next/navigation'
import { Suspense, useState, type FormEvent } from 'react'
import { Text } from './fields'

const Form = ({ filledIn }: { readonly filledIn: string | null }) => {
  const router = useRouter()
  const to = useSearchParams().get('to')
  const [passphrase, setPassphrase] = useState(filledIn ?? '')
  const [problem, setProblem] = useState('')
  const [busy, setBusy] = useState(false)
  const submit = async (e: FormEvent) => {
    e.preventDefault()
    setBusy(true)
    const response = await fetch('/api/session', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ passphrase }),
    }).catch(() => null)
    setBusy(false)
    if (response?.ok) router.push(to?.startsWith('/') && !to.startsWith('//') ? to : '/today')
    else setProblem(response ? (await response.json()).detail : 'Iron Till does not answer. Try again in a moment.')
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
