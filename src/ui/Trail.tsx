import { To } from '@/ui/To'
import { paperHref } from '@/contract/paperHref'
import { formatDayShort, type Day } from '@/core/day'
import { formatMoney, type Money, negateMoney } from '@/core/money'
import type { TrailLine } from '@/core/sale'
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
  <table className="w-full border-collapse text-[14px]">
    <thead>
      <tr className="sub text-left">
        <th scope="col" className="pb-1 font-normal">
          Date
        </th>
        <th scope="col" className="pb-1 font-normal">
          Details
        </th>
        <th scope="col" className="pb-1 text-right font-normal">
          Amount
        </th>
        <th scope="col" className="pb-1 pl-3 text-right font-normal">
          Balance
        </th>
      </tr>
    </thead>
    <tbody>
      {lines.map((l) => {
        const href = paperHref(l.paper)
        return (
          <tr key={l.seq} className="border-b border-paper-200 align-top">
            <td className="sub py-1.5 pr-3 whitespace-nowrap">{formatDayShort(l.on, today)}</td>
            <td className="py-1.5 wrap-anywhere">
              {href ? (
                <To href={href} className="hover:underline">
                  {l.text}
                </To>
              ) : (
                l.text
              )}
              {l.undo && <TakeBack kind={l.undo.kind} id={l.undo.id} today={today} />}
            </td>
            <td className="fig py-1.5 pl-2">{l.amount && formatMoney(l.amount)}</td>
            <td className="fig py-1.5 pl-3 text-iron-500">{l.owes ? balance(l.balance) : ''}</td>
          </tr>
        )
      })}
      <tr>
        <td colSpan={4} className="border-b border-rust-600 pt-1 text-xs text-rust-600">
          today, {formatDayShort(today, today)}
        </td>
      </tr>
      {planned.map((p, i) => (
        <tr key={i} className="border-b border-paper-200 align-top text-iron-500">
          <td className="py-1.5 pr-3 text-xs whitespace-nowrap">{formatDayShort(p.on, today)}</td>
          <td className="py-1.5 wrap-anywhere">{p.text}</td>
          <td className="fig py-1.5">{p.amount && formatMoney(p.amount)}</td>
          <td />
        </tr>
      ))}
    </tbody>
  </table>
)
