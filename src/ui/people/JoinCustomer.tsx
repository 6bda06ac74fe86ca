'use client'
import { formatDigits } from '@/core/locale'
import { useState } from 'react'
import { findCustomers, Picker, type FoundCustomer } from '../Picker'
import { Refusal } from '../Refusal'
import { useSend } from '../send'

interface Props {
  readonly id: number
  readonly name: string
  readonly onDone: () => void
}

/** Joins another record of the same customer to this one. */
export const JoinCustomer = ({ id, name, onDone }: Props) => {
  const [other, setOther] = useState<FoundCustomer | null>(null)
  const { send, busy, refused } = useSend()
  const join = () =>
    other &&
    send(
      'POST',
      `/customers/${id}/join`,
      { goneId: other.id },
      { say: () => `${other.name} merged into ${name}.`, done: onDone },
    )
  return (
    <>
      <p className="mb-3">
        All documents, payments, addresses and emails of the other customer move to {name}. Empty fields of {name} are
        filled in. This cannot be undone.
      </p>
      <Picker label="Duplicate to merge" chosen={other?.name ?? ''} find={findCustomers} onPick={setOther} autoFocus />
      {other && (
        <p className="mt-2">
          {other.name} owes {formatDigits(other.owed)}; {formatDigits(other.held)} is held for them.
        </p>
      )}
      <Refusal refused={refused} />
      <button className="btn btn-do mt-4 w-full" data-primary disabled={busy || !other} onClick={() => void join()}>
        Merge
      </button>
    </>
  )
}
