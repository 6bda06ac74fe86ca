'use client'
import { useEffect, useState } from 'react'
import type { Day } from '@/core/day'
import { lazily } from '../lazily'
import { Panel } from '../Panel'
import { WriteLetter } from '../post/WriteLetter'

const Void = lazily(() => import('./TakeReceiptBack').then((m) => m.Void))
const Bounce = lazily(() => import('./TakeReceiptBack').then((m) => m.Bounce))

interface Props {
  readonly id: number
  readonly number: string
  readonly today: Day
  readonly mayVoid: boolean
  readonly mayBounce: boolean
  readonly method: string
  readonly currency: string
  readonly bounceFee: string
  readonly print: boolean
}

/** A receipt as PDF or narrow slip; or taken back. */
export const ReceiptActions = ({
  id,
  number,
  today,
  mayVoid,
  mayBounce,
  method,
  currency,
  bounceFee,
  print,
}: Props) => {
  const [open, setOpen] = useState<'void' | 'bounce' | null>(null)
  useEffect(() => {
    if (print) window.open(`/api/v1/export/receipts/${id}/slip.pdf`, '_blank')
  }, [print, id])
  const close = () => setOpen(null)
  return (
    <>
      <a className="btn" href={`/api/v1/export/receipts/${id}.pdf`} target="_blank">
        PDF
      </a>
      <a className="btn" href={`/api/v1/export/receipts/${id}/slip.pdf`} target="_blank">
        Till receipt
      </a>
      <WriteLetter paper="receipt" paperId={id} />
      {mayVoid && (
        <button className="btn" onClick={() => setOpen('void')}>
          Void
        </button>
      )}
      {mayBounce && (
        <button className="btn" onClick={() => setOpen('bounce')}>
          Payment bounced
        </button>
      )}
      <Panel open={open === 'void'} onClose={close} title={`Void receipt ${number}`}>
        <Void id={id} number={number} today={today} onDone={close} />
      </Panel>
      <Panel
        open={open === 'bounce'}
        onClose={close}
        title={method === 'cheque' ? 'The check bounced' : 'The payment was reversed'}
      >
        <Bounce {...{ id, number, today, currency, bounceFee }} onDone={close} />
      </Panel>
    </>
  )
}
