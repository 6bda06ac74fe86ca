import { FigureCell } from '@/ui/FigureCell'
import { To } from '@/ui/To'
import { paperHref } from '@/contract/paperHref'
import { formatDayShort, type Day } from '@/core/day'
import { formatMoney, type Money, negateMoney } from '@/core/money'
import type { TrailLine } from '@/core/sale'
import { LedgerHead, right } from './LedgerHead'
import { TakeBack } from './TakeBack'

export interface Planned {
  readonly on: Day
  readonly text: string
  readonly amount: Money | null
}

interface Props {
  readonly lines: readonly TrailLine[]
  readonly planned: readonly Planned[]
  readonly today: Day
}

const balance = (b: Money): string =>
  b.minor === 0n ? '–' : b.minor < 0n ? `${formatMoney(negateMoney(b))} held` : formatMoney(b)

/** The dated story, with what is owed (or held) after each line; planned things below today. */
export const Trail = ({ lines, planned, today }: Props) => (
  <table className="ledger list small">
    <LedgerHead heads={['Date', 'Details', right('Amount'), right('Balance')]} />
    <tbody>
      {lines.map((l) => {
        const href = paperHref(l.paper)
        return (
          <tr key={l.seq}>
            <td className="sub rest whitespace-nowrap">{formatDayShort(l.on, today)}</td>
            <td className="first w-full">
              {href ? (
                <To href={href} className="hover:underline">
                  {l.text}
                </To>
              ) : (
                l.text
              )}
              {l.undo && <TakeBack kind={l.undo.kind} id={l.undo.id} today={today} />}
            </td>
            <td className="fig main">{l.amount && formatMoney(l.amount)}</td>
            <FigureCell head="Balance" className="text-iron-500">
              {l.owes ? balance(l.balance) : ''}
            </FigureCell>
          </tr>
        )
      })}
      <tr>
        <td colSpan={4} className="h-auto border-b-rust-600 pt-1 text-xs text-rust-600">
          today, {formatDayShort(today, today)}
        </td>
      </tr>
      {planned.map((p, i) => (
        <tr key={i} className="text-iron-500">
          <td className="rest text-xs whitespace-nowrap">{formatDayShort(p.on, today)}</td>
          <td className="first">{p.text}</td>
          <td className="fig main">{p.amount && formatMoney(p.amount)}</td>
          <td />
        </tr>
      ))}
    </tbody>
  </table>
)
