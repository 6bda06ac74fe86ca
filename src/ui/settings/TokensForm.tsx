'use client'
import { useState } from 'react'
import { CommandForm } from '../form/CommandForm'
import { FormCheck, FormPassphrase, FormText } from '../form/inputs'
import { useSendAlone } from '../send'
import { SureButton } from '../SureButton'

const schema = () => import('@/contract/inputs/access/entry').then((m) => m.tokenInput)

interface Token {
  readonly id: number
  readonly name: string
  readonly until: string
  readonly readOnly: boolean
}

/** Tokens for other programs: which there are, and another one, shown once. */
export const TokensForm = ({ tokens }: { readonly tokens: readonly Token[] }) => {
  const [made, setMade] = useState('')
  const { send } = useSendAlone()
  const withdraw = (t: Token) =>
    send('DELETE', `/settings/tokens/${t.id}`, {}, { say: () => `Token “${t.name}” revoked.` })
  return (
    <section className="grid gap-3">
      <h2>Access for other programs (API tokens)</h2>
      {tokens.length > 0 && (
        <table className="ledger">
          <tbody>
            {tokens.map((t) => (
              <tr key={t.id}>
                <td>{t.name}</td>
                <td className="sub">
                  {t.readOnly ? 'reads only, ' : ''}until {t.until}
                </td>
                <td className="r">
                  <SureButton
                    className="underline"
                    label={`Revoke ${t.name}`}
                    sure="Revoke for good"
                    onSure={() => void withdraw(t)}
                  >
                    Revoke
                  </SureButton>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {made && (
        <p role="status" className="notice notice-good">
          Copy it now, it is shown only once: <code className="font-figure break-all">{made}</code>
        </p>
      )}
      <CommandForm
        method="POST"
        path="/settings/tokens"
        schema={schema}
        start={{ name: '', passphrase: '', readOnly: false }}
        asBody={(d) => d}
        onSent={(t) => setMade(t.token)}
        again
        submit="Create token"
        quiet
      >
        <div className="grid grid-cols-2 gap-3">
          <FormText name="name" label="Used by" most={80} />
          <FormPassphrase />
        </div>
        <FormCheck name="readOnly" label="It may only read" />
      </CommandForm>
    </section>
  )
}
