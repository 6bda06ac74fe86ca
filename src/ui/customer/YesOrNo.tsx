'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { Text } from '../fields'
import { messageFor, Refusal } from '../Refusal'
import { useAsk } from './ask'

interface Props {
  readonly token: string
  readonly version: number
  /** The lines they want, of those they may choose. */
  readonly chosen: readonly number[]
  /** What it comes to with them is still being reckoned. */
  readonly asking: boolean
  /** What it comes to with them. */
  readonly total: string
}

/** The customer's yes or no to an estimate, with their name and what they want to say. */
export const YesOrNo = ({ token, version, chosen, asking, total }: Props) => {
  const router = useRouter()
  const [name, setName] = useState('')
  const [note, setNote] = useState('')
  const [order, setOrder] = useState('')
  const [no, setNo] = useState(false)
  const { post, busy, refused } = useAsk()
  const answer = async () => {
    const path = `/api/c/${token}/${no ? 'refuse' : 'accept'}`
    const body = no
      ? { version, name, reason: note }
      : { version, chosen, name, note, purchaseOrder: order || undefined }
    if (await post(path, body)) router.refresh()
  }
  return (
    <form
      className="notice notice-asks mt-6 grid gap-3 p-4"
      onSubmit={(e) => {
        e.preventDefault()
        void answer()
      }}
    >
      <fieldset className="flex gap-6">
        <legend className="sr-only">Your answer</legend>
        <label className="flex gap-2">
          <input type="radio" name="answer" checked={!no} onChange={() => setNo(false)} /> Accept
        </label>
        <label className="flex gap-2">
          <input type="radio" name="answer" checked={no} onChange={() => setNo(true)} /> Decline
        </label>
      </fieldset>
      <Text
        label="Your name"
        autoComplete="name"
        value={name}
        maxLength={200}
        onChange={(e) => setName(e.target.value)}
        problem={messageFor(refused, 'name')}
      />
      {!no && (
        <Text
          label="Your PO number (optional)"
          value={order}
          maxLength={80}
          onChange={(e) => setOrder(e.target.value)}
        />
      )}
      <label>
        <span className="label">{no ? 'Reason (optional)' : 'Anything you want to tell us'}</span>
        <textarea
          className="field"
          rows={2}
          maxLength={no ? 500 : 2000}
          value={note}
          onChange={(e) => setNote(e.target.value)}
        />
      </label>
      <Refusal refused={refused} besides={['name']} />
      <button className="btn btn-do" disabled={busy || (asking && !no)}>
        {no ? 'Decline estimate' : `Accept for ${total}`}
      </button>
    </form>
  )
}
