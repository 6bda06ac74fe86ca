'use client'
import { formatMoney, subtractMoney, sumMoney, type Money } from '@/core/money'
import { FigureCell } from '../FigureCell'
import { MoneyField, showMoney } from '../fields'
import { leftAfter, readTyped, settles, type Open } from './filling'
import { LedgerHead, right } from '@/ui/LedgerHead'

interface Props {
  readonly items: readonly Open[]
  /** What is put on each, as typed, by its key. */
  readonly put: Readonly<Record<string, string>>
  readonly onPut: (put: Readonly<Record<string, string>>) => void
  /** What was refused of what is put on one of them. */
  readonly problem: (key: string) => string | undefined
  readonly received: Money
  /** What is on nothing; below zero where more is put on things than came in. */
  readonly onAccount: Money
  readonly nothingOpen: boolean
}

/** Everything somebody has open, what of the money is put on each, and what is left of it then. */
export const WhatItPays = ({ items, put, onPut, problem, received, onAccount, nothingOpen }: Props) => {
  const { currency } = received
  const tooMuch = onAccount.minor < 0n
  return (
    <>
      <table className="ledger list small">
        <LedgerHead
          heads={['Invoice or deposit', right('Balance due'), right('Apply', 'w-32.5'), right('Remaining')]}
        />
        <tbody>
          {items.map((o) => (
            <tr key={o.key}>
              <td className="first max-w-none">
                {o.what}
                <div className={`text-xs ${o.late ? 'text-oxide-700' : 'text-iron-500'}`}>
                  {o.note}
                  {Number(o.discount) > 0 &&
                    ` · ${formatMoney(settles(o, currency))} settles it today (${showMoney(o.discount, currency)} discount)`}
                </div>
              </td>
              <FigureCell head="Balance due">{formatMoney(readTyped(o.open, currency))}</FigureCell>
              <td className="main">
                <MoneyField
                  label={`Apply to ${o.what}`}
                  hideLabel
                  currency={currency}
                  value={put[o.key] ?? ''}
                  onValue={(v) => onPut({ ...put, [o.key]: v })}
                  problem={problem(o.key)}
                />
              </td>
              <FigureCell head="Remaining">
                {formatMoney(leftAfter(o, readTyped(put[o.key] ?? '', currency)))}
              </FigureCell>
            </tr>
          ))}
          <tr>
            <td className="first max-w-none">
              Keep on account {nothingOpen && <span className="sub">(nothing unpaid)</span>}
            </td>
            <td />
            <td className={`fig main pr-4.75 ${tooMuch ? 'text-oxide-700' : ''}`}>{formatMoney(onAccount)}</td>
            <td />
          </tr>
        </tbody>
        <tbody>
          <tr className="total">
            <td />
            <FigureCell head="Balance due">
              {formatMoney(
                sumMoney(
                  items.map((o) => readTyped(o.open, currency)),
                  currency,
                ),
              )}
            </FigureCell>
            <FigureCell head="Apply" className="sm:pr-4.75">
              {formatMoney(received)}
            </FigureCell>
            <FigureCell head="Remaining">
              {formatMoney(
                sumMoney(
                  items.map((o) => leftAfter(o, readTyped(put[o.key] ?? '', currency))),
                  currency,
                ),
              )}
            </FigureCell>
          </tr>
        </tbody>
      </table>
      {tooMuch && (
        <p role="alert" className="mt-2 text-oxide-700">
          You have applied {formatMoney(subtractMoney(received, onAccount))} but received only {formatMoney(received)}.
          Reduce an amount.
        </p>
      )}
    </>
  )
}
