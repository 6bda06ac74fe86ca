import { FigureCell } from '@/ui/FigureCell'
import { To } from '@/ui/To'
import { formatDay } from '@/core/day'
import { sayEntry } from '@/core/ledger'
import { addMoney, formatBalance, formatMoney, negateMoney, type Money } from '@/core/money'
import type { EntryView } from '@/model/books/entryView'
import { LedgerHead, right } from '@/ui/LedgerHead'

/** What accounts stood at before entries, in debit, by `entryId:accountId`. */
export type Before = ReadonlyMap<string, Money>

/** An entry in plain words, as debits and credits, and what it made of each account. */
export const EntryLines = ({ entry, before }: { readonly entry: EntryView; readonly before: Before }) => (
  <div>
    <p className="mb-1.5 max-w-prose">{sayEntry(entry.lines)}</p>
    <table className="ledger list small max-w-215">
      <caption className="pb-1 text-left max-sm:block">
        <span className="sub">{formatDay(entry.on)} · </span>
        <To href={`/books/entries/${entry.id}`} className="hover:underline">
          {entry.text}
        </To>
      </caption>
      <LedgerHead
        heads={[
          'Account',
          right('Debit', 'lg:w-30'),
          right('Credit', 'lg:w-30'),
          right('Before', 'lg:w-32.5'),
          right('After', 'lg:w-32.5'),
        ]}
      />
      <tbody>
        {entry.lines.map((l, i) => {
          const was = before.get(`${entry.id}:${l.accountId}`)
          const moved = entry.lines.filter((x) => x.accountId === l.accountId).map((x) => x.amount)
          return (
            <tr key={i}>
              <td className={`first max-w-none ${l.amount.minor < 0n ? 'pl-8' : ''}`}>
                <To href={`/books/accounts/${l.accountId}`} className="hover:underline">
                  {l.account}
                </To>{' '}
                <span className="sub">{l.code}</span>
              </td>
              <FigureCell head="Debit">{l.amount.minor > 0n && formatMoney(l.amount)}</FigureCell>
              <FigureCell head="Credit">{l.amount.minor < 0n && formatMoney(negateMoney(l.amount))}</FigureCell>
              <FigureCell head="Before" className="text-iron-500">
                {was && formatBalance(was)}
              </FigureCell>
              <FigureCell head="After">{was && formatBalance(moved.reduce(addMoney, was))}</FigureCell>
            </tr>
          )
        })}
      </tbody>
    </table>
  </div>
)

/** What a paper did: each entry it posted. */
export const InTheBooks = ({
  entries,
  before,
}: {
  readonly entries: readonly EntryView[]
  readonly before: Before
}) => (
  <section className="mt-7">
    <h2>In the books</h2>
    {entries.length === 0 ? (
      <p className="sub">This document has no entries.</p>
    ) : (
      <div className="grid gap-5">
        {entries.map((e) => (
          <EntryLines key={e.id} entry={e} before={before} />
        ))}
      </div>
    )}
  </section>
)
