import { readToBank } from '@/model/bank/toBank'
import type { Metadata } from 'next'
import Link from 'next/link'
import { formatDayShort, type Day } from '@/core/day'
import { formatMoney, toDecimalString, type Money } from '@/core/money'
import { Empty } from '@/ui/Empty'
import { Heading } from '@/ui/Heading'
import { ToBankForms } from '@/ui/till/ToBankForms'
import { openShop } from '../../_shop'

export const metadata: Metadata = { title: 'To the bank' }

export default async function Bank() {
  const shop = await openShop()
  const { today, currency } = shop
  const { cheques, cards, slips, settlements, inDrawer } = await readToBank(shop)
  const plain = (rows: typeof cheques) =>
    rows.map((r) => ({ ...r, on: formatDayShort(r.on, today), amount: toDecimalString(r.amount) }))
  return (
    <>
      <Heading
        above={
          <Link prefetch={false} className="underline" href="/money-in">
            Money in
          </Link>
        }
        title="To the bank"
        beside="one slip, one line of the statement"
      />
      <ToBankForms
        key={`${cheques.length}:${cards.length}:${slips.length}:${settlements.length}`}
        today={today}
        currency={currency}
        inDrawer={toDecimalString(inDrawer)}
        cheques={plain(cheques)}
        cards={plain(cards)}
      />
      <div className="mt-8 grid gap-x-10 gap-y-7 lg:grid-cols-2">
        <Gone
          title="Banking slips"
          empty="What is taken to the bank together will stand here."
          today={today}
          rows={slips.map((s) => ({ ...s, parts: [s.cash, s.cheques] as const, sum: s.total }))}
          names={['Cash', 'Cheques', 'Total']}
        />
        <Gone
          title="Card takings that arrived"
          empty="Card takings that arrived at the bank will stand here."
          today={today}
          rows={settlements.map((s) => ({ ...s, parts: [s.gross, s.fees] as const, sum: s.net }))}
          names={['Takings', 'Fees', 'Arrived']}
        />
      </div>
    </>
  )
}

type Amount = Money
interface GoneProps {
  readonly title: string
  readonly empty: string
  readonly today: Day
  readonly names: readonly [string, string, string]
  readonly rows: readonly {
    readonly id: number
    readonly number: string
    readonly on: Day
    readonly parts: readonly [Amount, Amount]
    readonly sum: Amount
    readonly entryId: number
  }[]
}

const Gone = ({ title, empty, today, names, rows }: GoneProps) => (
  <section>
    <h2>{title}</h2>
    {rows.length === 0 ? (
      <Empty>{empty}</Empty>
    ) : (
      <table className="ledger">
        <thead>
          <tr>
            <th scope="col">Number</th>
            <th scope="col">On</th>
            {names.map((n) => (
              <th key={n} scope="col" className="r">
                {n}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((r) => (
            <tr key={r.id}>
              <td>
                <Link prefetch={false} className="font-figure hover:underline" href={`/books/entries/${r.entryId}`}>
                  {r.number}
                </Link>
              </td>
              <td className="sub">{formatDayShort(r.on, today)}</td>
              <td className="fig">{formatMoney(r.parts[0])}</td>
              <td className="fig">{formatMoney(r.parts[1])}</td>
              <td className="fig font-bold">{formatMoney(r.sum)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    )}
  </section>
)
