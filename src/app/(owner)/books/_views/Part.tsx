import type { ReportRow } from '@/core/ledger'
import { To } from '@/ui/To'
import { formatMoney } from '@/core/money'

export const Part = ({
  title,
  rows,
  total,
  totalName,
  link,
}: {
  title: string
  rows: readonly ReportRow[]
  total: ReportRow['amount']
  totalName: string
  link: (id: number) => string
}) => (
  <>
    <tbody>
      <tr>
        <td colSpan={3} className="border-b-iron-900! pt-4! font-slab text-[17px] font-semibold">
          {title}
        </td>
      </tr>
      {rows.map((r) => (
        <tr key={r.id} className="row">
          <td className="w-20 font-figure">{r.code}</td>
          <td>
            <To data-row className="cover" href={link(r.id)}>
              {r.name}
            </To>
          </td>
          <td className="fig w-[150px]">{formatMoney(r.amount)}</td>
        </tr>
      ))}
      <tr className="font-bold">
        <td className="border-0!" />
        <td className="r border-0!">{totalName}</td>
        <td className="fig border-0! border-t! border-iron-900!">{formatMoney(total)}</td>
      </tr>
    </tbody>
  </>
)
