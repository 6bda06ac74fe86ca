import type { ReportRow } from '@/core/ledger'
import { formatMoney, isZeroMoney, type Money } from '@/core/money'
import { LedgerHead, right, unseen } from '@/ui/LedgerHead'
import { To } from '@/ui/To'

/** A figure of a report by what it is of, and what it opens into. */
export interface Figure {
  readonly name: string
  readonly amount: Money
  readonly href: string
}

/** A report of one span or day, as a column beside others: its parts in the same order, and what it ends in. */
export interface Column {
  readonly head: string
  /** Figures by the code of their account, or by whatever puts them in their order. */
  readonly parts: readonly { readonly rows: ReadonlyMap<string, Figure>; readonly total: Money }[]
  readonly last: Money
}

/** Rows of accounts as figures that open into what their account says. */
export const figuresOf = (
  rows: readonly ReportRow[],
  href: (accountId: number) => string,
): ReadonlyMap<string, Figure> =>
  new Map(rows.map(({ id, code, name, amount }) => [code, { name, amount, href: href(id) }]))

interface Props {
  readonly label: string
  readonly parts: readonly { readonly title: string; readonly totalName: string }[]
  readonly lastName: string
  readonly columns: readonly Column[]
}

/** Columns that stand on a sheet of paper held upright: more of them lie across it. */
const MOST_UPRIGHT = 6

/** Columns that a phone shows beside their names. */
const MOST_ON_PHONE = 2

/** A report by account, its spans or days beside each other; every figure opens into what it is made of. */
export const Columns = (props: Props) => {
  const count = props.columns.length
  return (
    <>
      {count > MOST_ON_PHONE && (
        <p className={`sub no-print mb-1 ${count > MOST_UPRIGHT ? '' : 'sm:hidden'}`}>More columns to the right.</p>
      )}
      <div
        className={`overflow-x-auto ${count > MOST_UPRIGHT ? 'wide' : ''}`}
        role="region"
        aria-label={props.label}
        tabIndex={0}
      >
        <Accounts {...props} />
      </div>
    </>
  )
}

/** Names stay in sight where the figures are scrolled. */
const STAYS = 'sticky left-0 bg-paper-50'

const Accounts = ({ parts, lastName, columns }: Props) => (
  <table className="ledger [&_td]:px-2 [&_th]:px-2">
    <LedgerHead heads={[unseen('Account', STAYS), ...columns.map((c) => right(c.head))]} />
    {parts.map((part, n) => (
      <tbody key={part.title}>
        <tr>
          <td colSpan={columns.length + 1} className="border-b-iron-900 pt-3 font-slab text-lg font-semibold">
            {part.title}
          </td>
        </tr>
        {namesOf(columns.flatMap((c) => c.parts[n]?.rows ?? [])).map(([code, name]) => (
          <tr key={code}>
            <td className={`max-w-55 min-w-30 sm:min-w-40 ${STAYS}`}>{name}</td>
            {columns.map((c) => (
              <Cell key={c.head} figure={c.parts[n]?.rows.get(code)} />
            ))}
          </tr>
        ))}
        <tr className="font-bold">
          <td className={`border-0 ${STAYS}`}>{part.totalName}</td>
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
        <td className={STAYS}>{lastName}</td>
        {columns.map((c) => (
          <td key={c.head} className="fig">
            {formatMoney(c.last)}
          </td>
        ))}
      </tr>
    </tbody>
  </table>
)

const Cell = ({ figure }: { readonly figure: Figure | undefined }) => (
  <td className="fig">
    {figure && !isZeroMoney(figure.amount) && (
      <To className="hover:underline" href={figure.href}>
        {formatMoney(figure.amount)}
      </To>
    )}
  </td>
)

/** Whatever stands in any of the columns, in the order of the codes. */
const namesOf = (columns: readonly ReadonlyMap<string, Figure>[]): readonly (readonly [code: string, name: string])[] =>
  [...new Map(columns.flatMap((rows) => [...rows].map(([code, { name }]) => [code, name] as const)))].sort(([a], [b]) =>
    a.localeCompare(b),
  )
