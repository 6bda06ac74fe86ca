'use client'
import { SureButton } from '../SureButton'
import { useSendAlone } from '../send'

interface Props {
  readonly pickId: number
  readonly number: string
  readonly saleId: number
}

/** Throws a pick list away; it has posted nothing. */
export const DropPick = ({ pickId, number, saleId }: Props) => {
  const { send, busy } = useSendAlone()
  const drop = () =>
    send('DELETE', `/picks/${pickId}`, {}, { say: () => `${number} is deleted.`, go: () => `/sales/${saleId}` })
  return (
    <SureButton className="btn" sure={`Delete ${number} for good`} onSure={() => void drop()} disabled={busy}>
      Delete
    </SureButton>
  )
}
