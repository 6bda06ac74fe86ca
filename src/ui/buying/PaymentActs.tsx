'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { Acts, type Act } from '../acts/Acts'
import { VoidPanel } from './VoidPanel'
import { LetterPanel } from '../post/LetterPanel'

type PaymentAct = 'mail' | 'pdf' | 'check' | 'void'

interface Props {
  readonly id: number
  /** It is a check. */
  readonly check: boolean
  readonly today: Day
}

/** What can be done with a payment to a supplier: tell them what it pays, or take it back. */
export const PaymentActs = ({ id, check, today }: Props) => {
  const [open, setOpen] = useState<PaymentAct | null>(null)
  const close = () => setOpen(null)
  const acts: readonly Act<PaymentAct>[] = [
    ...(check
      ? [
          {
            id: 'check' as const,
            label: 'Print check',
            key: 'p',
            group: 'Payment',
            hint: 'With a stub that says what it pays',
            href: `/api/v1/export/checks.pdf?payments=${id}`,
            file: true,
          },
        ]
      : []),
    { id: 'mail', label: 'Send by email', key: 'm', group: 'Payment', hint: 'Tells them which bills it pays' },
    {
      id: 'pdf',
      label: 'PDF',
      key: 'v',
      group: 'Payment',
      href: `/api/v1/export/papers/remittance/${id}.pdf`,
      file: true,
    },
    { id: 'void', label: 'Void', key: 'x', group: 'Payment', hint: 'It did not happen' },
  ]
  return (
    <>
      <Acts
        acts={acts}
        first={null}
        near={check ? ['check', 'mail'] : ['mail', 'void']}
        groups={['Payment']}
        onAct={setOpen}
        away={open !== null}
      />
      <LetterPanel paper="remittance" paperId={id} open={open === 'mail'} onClose={close} />
      <VoidPanel kind="payment" id={id} today={today} open={open === 'void'} onClose={close} />
    </>
  )
}
