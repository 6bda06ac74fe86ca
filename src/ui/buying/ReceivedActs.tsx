'use client'
import { useState } from 'react'
import type { Day } from '@/core/day'
import { Acts, type Act } from '../acts/Acts'
import type { AccountChoice } from '../form/FormAccount'
import { lazily } from '../lazily'
import { Panel } from '../Panel'
import { VoidPanel } from './VoidPanel'
import type { BackLine } from './SendBackForm'

const SpreadFromAccount = lazily(() => import('./SpreadForm').then((m) => m.SpreadFromAccount))
const SendBackForm = lazily(() => import('./SendBackForm').then((m) => m.SendBackForm))

interface Props {
  readonly id: number
  readonly supplierId: number
  readonly supplier: string
  /** Where what goes back is sent to; empty where nothing is said. */
  readonly returnsTo: string
  readonly canBill: boolean
  /** Nothing of it is billed or back: it may still be undone. */
  readonly canUndo: boolean
  readonly back: readonly BackLine[]
  /** So many labels of each: `3x12,4x1`. */
  readonly labels: string
  /** Where a cost that is on no bill may be. */
  readonly accounts: readonly AccountChoice[]
  readonly currency: string
  readonly today: Day
}

type ReceivedAct = 'bill' | 'back' | 'cost' | 'undo' | 'labels'

/** What can be done with what came from a supplier. */
export const ReceivedActs = ({
  id,
  supplierId,
  supplier,
  returnsTo,
  canBill,
  canUndo,
  back,
  labels,
  accounts,
  currency,
  today,
}: Props) => {
  const [open, setOpen] = useState<ReceivedAct | null>(null)
  const close = () => setOpen(null)
  const group = 'Goods received'
  const acts: readonly Act<ReceivedAct>[] = [
    ...(canBill
      ? [
          {
            id: 'bill' as const,
            label: 'Enter bill',
            key: 'i',
            group,
            href: `/buying/bills/new?supplier=${supplierId}`,
          },
        ]
      : []),
    ...(back.length > 0
      ? [
          { id: 'back' as const, label: 'Send back', key: 'b', group },
          {
            id: 'cost' as const,
            label: 'Add freight or duty',
            key: 'f',
            group,
            hint: 'It joins what these goods cost',
          },
        ]
      : []),
    ...(labels === ''
      ? []
      : [
          {
            id: 'labels' as const,
            label: 'Labels',
            key: 'l',
            group,
            href: `/api/v1/export/labels.pdf?goods=${labels}`,
            file: true,
          },
        ]),
    ...(canUndo ? [{ id: 'undo' as const, label: 'Undo', key: 'x', group, hint: 'It was entered wrong' }] : []),
  ]
  return (
    <>
      <Acts
        acts={acts}
        first={canBill ? 'bill' : null}
        near={['back', 'labels']}
        groups={[group]}
        onAct={setOpen}
        away={open !== null}
      />
      <Panel open={open === 'back'} onClose={close} title={`Send back to ${supplier}`}>
        {returnsTo !== '' && (
          <p className="mb-3 whitespace-pre-line">
            It goes to:{'\n'}
            {returnsTo}
          </p>
        )}
        <SendBackForm receivedId={id} lines={back} currency={currency} today={today} onDone={close} />
      </Panel>
      <Panel open={open === 'cost'} onClose={close} title="Add freight or duty">
        <SpreadFromAccount receivedId={id} accounts={accounts} currency={currency} today={today} onDone={close} />
      </Panel>
      <VoidPanel kind="receipt" id={id} today={today} open={open === 'undo'} onClose={close} />
    </>
  )
}
