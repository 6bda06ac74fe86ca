import type { RefObject } from 'react'
import { absMoney, formatMoney, isPositiveMoney, toDecimalString, type Money } from '@/core/money'
import { likelyNotes } from '@/core/receipt'
import { MoneyField } from '../fields'
import { sayTender } from './tenderTyped'

interface Props {
  readonly fieldRef: RefObject<HTMLInputElement | null>
  readonly gross: Money
  /** What is paid in coins there are, and what comes back of what was given. */
  readonly toPay: Money
  readonly change: Money
  readonly tendered: string
  readonly onTendered: (tendered: string) => void
  readonly onEnter: () => void
}

/** Cash as it is given: typed, or one key for the notes people give for such a sum. */
export const TenderField = ({ fieldRef, gross, toPay, change, tendered, onTendered, onEnter }: Props) => {
  const says = sayTender({ toPay, change }, gross)
  return (
    <div
      onKeyDown={(e) => {
        if (e.key !== 'Enter' || e.ctrlKey) return
        e.preventDefault()
        onEnter()
      }}
    >
      <MoneyField
        label="Cash given"
        inputRef={fieldRef}
        currency={gross.currency}
        value={tendered}
        onValue={onTendered}
        placeholder="exact amount"
        className="h-12 text-2xl"
        hint={isPositiveMoney(change) ? <b className="text-lg text-iron-900">{says}</b> : says}
        problem={change.minor < 0n ? `${formatMoney(absMoney(change))} short` : undefined}
      />
      <div className="mt-2 flex flex-wrap gap-2">
        {isPositiveMoney(gross) &&
          likelyNotes(toPay).map((n) => (
            <button
              key={n.minor.toString()}
              className="btn fig flex-1 px-1"
              onClick={() => onTendered(toDecimalString(n))}
            >
              {formatMoney(n)}
            </button>
          ))}
      </div>
    </div>
  )
}
