'use client'
import { CommandForm, Submit } from '../form/CommandForm'
import { FormPassphrase } from '../form/inputs'

const schema = () => import('@/contract/inputs/access/entry').then((m) => m.passphraseInput)

/** Another passphrase. */
export const PassphraseForm = () => {
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
          <Submit quiet className="btn mt-3">
            Change passphrase
          </Submit>
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
