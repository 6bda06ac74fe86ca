'use client'
import { formatDigits } from '@/core/locale'
import { BasketTable } from './BasketTable'
import type { Ordered } from './OrderForm'

interface Props {
  readonly ordered: Ordered
  readonly currency: string
  readonly withTax: boolean
}

/** What came of an order: its number, what was paid with which receipt, and everything that was ordered, to keep. */
export const Thanks = ({ ordered, currency, withTax }: Props) => {
  const { basket, receipt, number } = ordered
  return (
    <section className="max-w-140">
      <h2 className="text-2xl">Thank you, {basket.name}</h2>
      <p className="mt-2 mb-4" role="status">
        Your order has the number <b>{number}</b>.{' '}
        {receipt ? (
          <>
            You paid{' '}
            <b>
              {formatDigits(receipt.amount)} {currency}
            </b>{' '}
            by card; your receipt is <b className="whitespace-nowrap">{receipt.number}</b>.
          </>
        ) : ordered.why ? (
          `Payment did not go through: ${ordered.why}`
        ) : (
          'We will send you an invoice.'
        )}{' '}
        We will be in touch.
      </p>
      <BasketTable
        basket={basket}
        currency={currency}
        withTax={withTax}
        count={(l) => <span className="fig">{formatDigits(l.quantity)}</span>}
      />
      <p className="sub mt-3 whitespace-pre-line">
        {basket.deliverTo ? `Delivered to:\n${basket.deliverTo}` : 'You pick it up at our shop.'}
      </p>
      <button className="btn mt-4 print:hidden" onClick={() => print()}>
        Print
      </button>
    </section>
  )
}
