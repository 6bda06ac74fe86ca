import type { ReportRow } from '@/core/ledger'
import { To } from '@/ui/To'
import { formatMoney } from '@/core/money'

interface Props {
  readonly title: string
  readonly rows: readonly ReportRow[]
  readonly total: ReportRow['amount']
  readonly totalName: string
  readonly link: (id: number) => string
  /** Rows that stand in no account. */
  readonly more?: readonly { readonly name: string; readonly amount: ReportRow['amount']; readonly href: string }[]
}

/** Some accounts of a report under their title, and what they come to. */
export const Part = ({ title, rows, total, totalName, link, more = [] }: Props) => {
  const all = [...rows.map((r) => ({ ...r, href: link(r.id) })), ...more.map((r) => ({ ...r, code: '' }))]
  return (
    <tbody>
      <tr>
        <td colSpan={3} className="border-b-iron-900 pt-4 font-slab text-[17px] font-semibold">
          {title}
        </td>
      </tr>
      {all.map((r) => (
        <tr key={r.href} className="row">
          <td className="w-20 font-figure">{r.code}</td>
          <td>
            <To data-row className="cover" href={r.href}>
              {r.name}
            </To>
          </td>
          <td className="fig w-37.5">{formatMoney(r.amount)}</td>
        </tr>
      ))}
      <tr className="font-bold">
        <td className="border-0" />
        <td className="r border-0">{totalName}</td>
        <td className="fig border-0 border-t border-iron-900">{formatMoney(total)}</td>
      </tr>
    </tbody>
  )
}
