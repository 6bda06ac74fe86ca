'use client'
import { useState } from 'react'
import type { AnswerTo } from '@/contract/calls'
import { CommandForm } from '../form/CommandForm'
import { FormPassphrase, FormText } from '../form/inputs'

const begin = () => import('@/contract/inputs/access/entry').then((m) => m.beginCodesInput)
const confirm = () => import('@/contract/inputs/access/entry').then((m) => m.confirmCodesInput)
const end = () => import('@/contract/inputs/access/entry').then((m) => m.endCodesInput)

interface Props {
  /** Since when signing in takes a code, as it is read, and how many spare ones are left; null where it takes none. */
  readonly on: { readonly since: string; readonly spare: number } | null
}

const CodeField = () => <FormText name="code" label="Code" most={40} secret />

const Begin = ({ onBegun }: { readonly onBegun: (begun: AnswerTo<'POST', '/settings/one-time-codes'>) => void }) => (
  <>
    <p>
      Signing in takes the passphrase alone. An authenticator app on your phone gives a code that changes every half
      minute; then nobody gets in who knows only the passphrase.
    </p>
    <CommandForm
      method="POST"
      path="/settings/one-time-codes"
      schema={begin}
      start={{ passphrase: '' }}
      asBody={(d) => d}
      onSent={onBegun}
      submit="Set up one-time codes"
      quiet
    >
      <FormPassphrase label="Your passphrase" />
    </CommandForm>
  </>
)

const Confirm = ({
  begun: { picture, secret },
  onConfirmed,
}: {
  readonly begun: AnswerTo<'POST', '/settings/one-time-codes'>
  readonly onConfirmed: (spareCodes: readonly string[]) => void
}) => (
  <>
    <p>Scan this with your authenticator app, or type the key into it. Then enter the code it shows.</p>
    <div className="flex flex-wrap items-center gap-4">
      {/* oxlint-disable-next-line nextjs/no-img-element -- it comes with the answer, and is shown once */}
      <img src={picture} alt="QR code for an authenticator app" className="size-44 bg-white p-2" />
      <p className="sub min-w-0 flex-1">
        Key: <code className="font-figure break-all">{secret.replace(/.{4}(?=.)/g, '$& ')}</code>
      </p>
    </div>
    <CommandForm
      method="POST"
      path="/settings/one-time-codes/confirm"
      schema={confirm}
      start={{ code: '' }}
      asBody={(d) => d}
      onSent={({ spareCodes }) => onConfirmed(spareCodes)}
      submit="Turn on"
      quiet
    >
      <CodeField />
    </CommandForm>
  </>
)

const End = ({ since, spare, onEnded }: NonNullable<Props['on']> & { readonly onEnded: () => void }) => (
  <>
    <p>
      Signing in takes a code as well, since {since}. Spare codes left: {spare}.
    </p>
    <CommandForm
      method="POST"
      path="/settings/one-time-codes/end"
      schema={end}
      start={{ passphrase: '', code: '' }}
      asBody={(d) => d}
      say={() => 'One-time codes are off.'}
      onDone={onEnded}
      again
      submit="Turn off"
      quiet
    >
      <div className="grid grid-cols-2 gap-3">
        <FormPassphrase label="Your passphrase" />
        <CodeField />
      </div>
    </CommandForm>
  </>
)

/** A second proof beside the passphrase: set up, shown to be there, turned off. */
export const OneTimeCodes = ({ on }: Props) => {
  const [begun, setBegun] = useState<AnswerTo<'POST', '/settings/one-time-codes'> | null>(null)
  const [spare, setSpare] = useState<readonly string[]>([])
  return (
    <section className="grid gap-3">
      <h2>One-time codes</h2>
      {on && spare.length > 0 && (
        <p role="status" className="notice notice-good">
          Keep these spare codes where your phone is not; each signs you in once. They are shown only now:{' '}
          <code className="font-figure">{spare.join('  ')}</code>
        </p>
      )}
      {on ? (
        <End {...on} onEnded={() => setSpare([])} />
      ) : begun ? (
        <Confirm
          begun={begun}
          onConfirmed={(codes) => {
            setSpare(codes)
            setBegun(null)
          }}
        />
      ) : (
        <Begin onBegun={setBegun} />
      )}
    </section>
  )
}
