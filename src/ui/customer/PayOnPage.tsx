'use client'
import { formatDigits } from '@/core/locale'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { MoneyField } from '../fields'
import { messageFor, Refusal } from '../Refusal'
import { useAsk } from './ask'
import { CardFields } from './CardFields'

interface Props {
  readonly token: string
  readonly currency: string
  readonly what: 'open' | 'deposit'
  readonly amount: string
}

/** Pays what is open, or the deposit that is asked, by card. */
export const PayOnPage = ({ token, currency, what, amount: open }: Props) => {
  const router = useRouter()
  const [amount, setAmount] = useState(open)
  const [card, setCard] = useState('')
  const [paid, setPaid] = useState('')
  const { post, busy, refused } = useAsk()
  const pay = async () => {
    const done = await post<{ receipt: { number: string; amount: string } }>(`/api/c/${token}/pay`, {
      what,
      amount,
      card,
    })
    if (!done) return
    setPaid(
      `Thank you. ${formatDigits(done.receipt.amount)} ${currency} was paid; your receipt is ${done.receipt.number}.`,
    )
    router.refresh()
  }
  if (paid)
    return (
      <p role="status" className="notice notice-good">
        {paid}
      </p>
    )
  return (
    <form
      className="grid max-w-90 gap-3"
      onSubmit={(e) => {
        e.preventDefault()
        void pay()
      }}
    >
      <MoneyField
        label={`Amount, ${currency}`}
        currency={currency}
        value={amount}
        onValue={setAmount}
        problem={messageFor(refused, 'amount')}
      />
      <CardFields card={card} onCard={setCard} />
      <Refusal refused={refused} besides={['amount']} />
      <button className="btn" disabled={busy}>
        {busy ? 'Asking the card …' : 'Pay by card'}
      </button>
    </form>
  )
}
