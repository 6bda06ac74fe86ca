'use client'
import { useEffect, useState } from 'react'
import type { Day } from '@/core/day'
import { Acts, type Act } from '../acts/Acts'
import { lazily } from '../lazily'
import { Panel } from '../Panel'
import { LetterPanel } from '../post/LetterPanel'

const Void = lazily(() => import('./TakeReceiptBack').then((m) => m.Void))
const Bounce = lazily(() => import('./TakeReceiptBack').then((m) => m.Bounce))

type ReceiptAct = 'pdf' | 'slip' | 'email' | 'void' | 'bounce'

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

/** A receipt as PDF or narrow slip, by e-mail; or taken back. */
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
  const [open, setOpen] = useState<'void' | 'bounce' | 'email' | null>(null)
  useEffect(() => {
    if (print) window.open(`/api/v1/export/receipts/${id}/slip.pdf`, '_blank')
  }, [print, id])
  const close = () => setOpen(null)
  const file = `/api/v1/export/receipts/${id}`
  const acts: readonly Act<ReceiptAct>[] = [
    { id: 'pdf', label: 'PDF', key: 'p', group: 'Documents', href: `${file}.pdf`, file: true },
    { id: 'slip', label: 'Till receipt', key: 's', group: 'Documents', href: `${file}/slip.pdf`, file: true },
    { id: 'email', label: 'Email', key: 'm', group: 'Documents' },
    ...(mayVoid
      ? [{ id: 'void' as const, label: 'Void', key: 'x', group: 'Money', hint: 'It was entered by mistake' }]
      : []),
    ...(mayBounce
      ? [{ id: 'bounce' as const, label: 'Payment bounced', key: 'b', group: 'Money', hint: 'The bank took it back' }]
      : []),
  ]
  const about = { paper: 'receipt', paperId: id } as const
  return (
    <>
      <Acts
        acts={acts}
        first={null}
        near={['slip', 'email']}
        groups={['Documents', 'Money']}
        onAct={(act) => (act === 'email' || act === 'void' || act === 'bounce') && setOpen(act)}
      />
      <LetterPanel {...about} open={open === 'email'} onClose={close} />
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
