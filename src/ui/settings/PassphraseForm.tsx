'use client'
import { useRouter } from 'next/navigation'
import { CommandForm, Submit } from '../form/CommandForm'
import { FormPassphrase } from '../form/inputs'

const schema = () => import('@/contract/inputs/access/entry').then((m) => m.passphraseInput)

/** The passphrase, and the way out. */
export const PassphraseForm = () => {
  const router = useRouter()
  const signOut = async () => {
    await fetch('/api/session', { method: 'DELETE' })
    router.push('/sign-in')
  }
  return (
    <section className="grid gap-3">
      <h2>Passphrase</h2>
      <CommandForm
        method="POST"
        path="/settings/passphrase"
        schema={schema}
        start={{ now: '', next: '' }}
        asBody={(d) => d}
        go={() => '/sign-in?changed=1'}
        submit={
          <p className="mt-3 flex flex-wrap gap-2">
            <Submit quiet className="btn">
              Change passphrase
            </Submit>
            <button type="button" className="btn" onClick={() => void signOut()}>
              Sign out
            </button>
          </p>
        }
      >
        <div className="grid grid-cols-2 gap-3">
          <FormPassphrase name="now" label="Current passphrase" />
          <FormPassphrase name="next" label="New passphrase" fresh />
        </div>
      </CommandForm>
    </section>
  )
}
