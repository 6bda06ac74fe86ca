'use client'
import { useSendAlone } from './send'
import { SureButton } from './SureButton'

type Path =
  `/${'tax-codes' | 'tax-areas' | 'price-levels' | 'places' | 'bank/rules' | 'customers' | 'suppliers' | 'goods'}/${number}`

interface Props {
  readonly path: Path
  readonly what: string
  /** Where one goes on, where its own page goes with it. */
  readonly go?: string
}

/** Deletes a row that was a mistake, for good, by the second press; what is used by anything says so and stays. */
export const DropRow = ({ path, what, go }: Props) => {
  const { send, busy } = useSendAlone()
  return (
    <SureButton
      className="underline"
      label={`Delete ${what}`}
      sure="Delete for good"
      disabled={busy}
      onSure={() => void send('DELETE', path, {}, { say: () => `${what} deleted.`, ...(go && { go: () => go }) })}
    >
      Delete
    </SureButton>
  )
}
