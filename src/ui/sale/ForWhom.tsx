'use client'
import { formatDigits } from '@/core/locale'
import { useState } from 'react'
import { Text } from '../fields'
import { findCustomers, Picker, type FoundCustomer } from '../Picker'
import { messageFor } from '../Refusal'
import { call, useSend } from '../send'
import { useBuyer, type Buyer } from './useBuyer'

interface Alike extends FoundCustomer {
  readonly email: string
  readonly phone: string
  readonly why: string
}

interface Props {
  readonly buyer: Buyer | null
  readonly onBuyer: (b: Buyer) => void
  /** Enter: they are chosen, or will be when the search answers. */
  readonly onEntered?: () => void
}

/** Who it is for: found, or added while typing. Whoever looks like somebody known is shown before a double is made. */
export const ForWhom = ({ buyer, onBuyer, onEntered }: Props) => {
  const [fresh, setFresh] = useState(false)
  const [doubt, setDoubt] = useState<{ name: string; alike: readonly Alike[] } | null>(null)
  const [email, setEmail] = useState('')
  const { send, refused } = useSend()
  const chosen = useBuyer(onBuyer, buyer?.id)
  const choose = (id: number) => {
    setDoubt(null)
    return chosen.choose(id)
  }
  const add = async (name: string) => {
    const made = await send('POST', '/customers', { name }, { say: () => `${name} is added to your people.` })
    if (!made) return
    setFresh(true)
    setEmail('')
    await choose(made.id)
  }
  const consider = async (name: string) => {
    const alike = await call('GET', `/customers/look-alikes?name=${encodeURIComponent(name)}`)
    if (alike.ok && alike.value.items.length > 0) setDoubt({ name, alike: alike.value.items })
    else await add(name)
  }
  const keepEmail = async () => {
    if (!buyer || email.trim() === '' || email === buyer.email) return
    const done = await send('PATCH', `/customers/${buyer.id}`, { email })
    if (done && chosen.isStill(buyer.id)) onBuyer({ ...buyer, email })
  }
  return (
    <div>
      <Picker
        label="Customer"
        autoFocus={!buyer}
        chosen={buyer?.name ?? ''}
        placeholder="name, email or phone"
        find={findCustomers}
        onPick={(c) => {
          setFresh(false)
          return choose(c.id)
        }}
        otherwise={{ say: (typed) => `Add “${typed}” as a new customer`, take: consider }}
        onEntered={onEntered}
      />
      {doubt && (
        <div role="alert" className="notice notice-asks mt-1">
          <p>Did you mean one of these?</p>
          <p className="mt-1 flex flex-wrap gap-2">
            {doubt.alike.map((a) => (
              <button key={a.id} type="button" className="btn" onClick={() => void choose(a.id)}>
                {a.name} <span className="sub">{[a.why, a.email, a.phone].filter(Boolean).join(', ')}</span>
              </button>
            ))}
            <button type="button" className="btn" onClick={() => void add(doubt.name)}>
              No, add “{doubt.name}” as new
            </button>
          </p>
        </div>
      )}
      {buyer && !doubt && (
        <div className="sub">
          Owes {formatDigits(buyer.owed)}
          {Number(buyer.late) > 0 && `, ${formatDigits(buyer.late)} late`}
          {Number(buyer.held) > 0 ? ` · ${formatDigits(buyer.held)} held` : ' · Nothing held'}
          {buyer.priceLevelName && ` · Price list: ${buyer.priceLevelName}`}
        </div>
      )}
      {fresh && buyer && (
        <Text
          label="Email for the estimate"
          type="email"
          value={email}
          maxLength={200}
          onChange={(e) => setEmail(e.target.value)}
          onBlur={() => void keepEmail()}
          problem={messageFor(refused, 'email')}
        />
      )}
    </div>
  )
}
