import type { ReactNode } from 'react'
import { formatDay, type Day } from '@/core/day'
import { formatDigits } from '@/core/locale'
import { LedgerHead, right } from '../LedgerHead'
import { TakeBack } from './TakeBack'

interface Row {
  readonly id: number
  readonly number: string
  readonly on: Day
  readonly amount: string
  readonly voidedOn: Day | null
}

interface Props<R extends Row> {
  readonly title: string
  readonly kind: Parameters<typeof TakeBack>[0]['kind']
  readonly rows: readonly R[]
  /** What a row leads to. */
  readonly links: (row: R) => ReactNode
  readonly today: Day
}

/** What was set off, came back or was spread, each with what it leads to and its way back. */
export const TakenRows = <R extends Row>({ title, kind, rows, links, today }: Props<R>) =>
  rows.length > 0 && (
    <section className="mt-7 max-w-3xl">
      <h2>{title}</h2>
      <table className="ledger">
        <LedgerHead heads={['Number', 'Date', 'Opens', right('Amount')]} />
        <tbody>
          {rows.map((r) => (
            <tr key={r.id}>
              <td>
                {r.number}
                {r.voidedOn === null ? (
                  <TakeBack kind={kind} id={r.id} number={r.number} today={today} />
                ) : (
                  <span className="sub"> void since {formatDay(r.voidedOn)}</span>
                )}
              </td>
              <td>{formatDay(r.on)}</td>
              <td>{links(r)}</td>
              <td className="fig">{formatDigits(r.amount)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )
