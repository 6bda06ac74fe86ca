import type { ReportRow } from '@/core/ledger'
import { formatMoney, isZeroMoney, type Money } from '@/core/money'
import { LedgerHead, right, unseen } from '@/ui/LedgerHead'
import { To } from '@/ui/To'

/** A report of one span or day, as a column beside others: its parts in the same order, and what it ends in. */
export interface Column {
  readonly head: string
  readonly parts: readonly { readonly rows: readonly ReportRow[]; readonly total: Money }[]
  readonly last: Money
  /** What an account’s figure opens into. */
  readonly href: (accountId: number) => string
}

interface Props {
  readonly label: string
  readonly parts: readonly { readonly title: string; readonly totalName: string }[]
  readonly lastName: string
  readonly columns: readonly Column[]
}

/** A report by account, its spans or days beside each other; every figure opens into what it is made of. */
export const Columns = ({ label, parts, lastName, columns }: Props) => (
  <div className="overflow-x-auto" role="region" aria-label={label} tabIndex={0}>
    <table className="ledger [&_td]:px-2 [&_th]:px-2">
      <LedgerHead heads={[unseen('Account'), ...columns.map((c) => right(c.head))]} />
      {parts.map((part, n) => (
        <tbody key={part.title}>
          <tr>
            <td colSpan={columns.length + 1} className="border-b-iron-900 pt-3 font-slab text-lg font-semibold">
              {part.title}
            </td>
          </tr>
          {accountsOf(columns.map((c) => c.parts[n]?.rows ?? [])).map((account) => (
            <tr key={account.id}>
              <td className="max-w-55 min-w-40">{account.name}</td>
              {columns.map((c) => (
                <Cell key={c.head} column={c} row={c.parts[n]?.rows.find((r) => r.id === account.id)} />
              ))}
            </tr>
          ))}
          <tr className="font-bold">
            <td className="border-0">{part.totalName}</td>
            {columns.map((c) => (
              <td key={c.head} className="fig border-0 border-t border-iron-900">
                {c.parts[n] && formatMoney(c.parts[n].total)}
              </td>
            ))}
          </tr>
        </tbody>
      ))}
      <tbody>
        <tr className="total">
          <td>{lastName}</td>
          {columns.map((c) => (
            <td key={c.head} className="fig">
              {formatMoney(c.last)}
            </td>
          ))}
        </tr>
      </tbody>
    </table>
  </div>
)

const Cell = ({ column, row }: { readonly column: Column; readonly row: ReportRow | undefined }) => (
  <td className="fig">
    {row && !isZeroMoney(row.amount) && (
      <To className="hover:underline" href={column.href(row.id)}>
        {formatMoney(row.amount)}
      </To>
    )}
  </td>
)

/** Every account that stands in any of the columns, in the order of their codes. */
const accountsOf = (columns: readonly (readonly ReportRow[])[]): readonly ReportRow[] =>
  [...new Map(columns.flat().map((r) => [r.id, r])).values()].sort((a, b) => a.code.localeCompare(b.code))
