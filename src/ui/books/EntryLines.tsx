import Link from 'next/link'
import { formatDay } from '@/core/day'
import { formatMoney, negateMoney } from '@/core/money'
import type { EntryView } from '@/data/queries/ledger'

/** An entry as debits and credits. */
export const EntryLines = ({ entry }: { readonly entry: EntryView }) => (
  <table className="ledger max-w-[640px]">
    <caption className="pb-1 text-left">
      <span className="sub">{formatDay(entry.on)} · </span>
      <Link prefetch={false} href={`/books/entries/${entry.id}`} className="hover:underline">
        {entry.text}
      </Link>
    </caption>
    <thead>
      <tr>
        <th scope="col">Account</th>
        <th scope="col" className="r w-[120px]">
          Debit
        </th>
        <th scope="col" className="r w-[120px]">
          Credit
        </th>
      </tr>
    </thead>
    <tbody>
      {entry.lines.map((l, i) => (
        <tr key={i}>
          <td className={l.amount.minor < 0n ? 'pl-8!' : ''}>
            <Link prefetch={false} href={`/books/accounts/${l.accountId}`} className="hover:underline">
              {l.account}
            </Link>{' '}
            <span className="sub">{l.code}</span>
          </td>
          <td className="fig">{l.amount.minor > 0n && formatMoney(l.amount)}</td>
          <td className="fig">{l.amount.minor < 0n && formatMoney(negateMoney(l.amount))}</td>
        </tr>
      ))}
    </tbody>
  </table>
)

/** What a paper did: each entry it posted. */
export const InTheBooks = ({ entries }: { readonly entries: readonly EntryView[] }) => (
  <section className="mt-7">
    <h2>In the books</h2>
    {entries.length === 0 ? (
      <p className="sub">This paper has posted nothing.</p>
    ) : (
      <div className="grid gap-5">
        {entries.map((e) => (
          <EntryLines key={e.id} entry={e} />
        ))}
      </div>
    )}
  </section>
)
