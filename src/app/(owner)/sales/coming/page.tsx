import type { Metadata } from 'next'
import { To } from '@/ui/To'
import { addMonths, formatDayLong, monthStart, type Day } from '@/core/day'
import { formatMoney, sumMoney } from '@/core/money'
import { readComing, sayRepeat, type Coming } from '@/model/sale/repeats'
import { Empty } from '@/ui/Empty'
import { TotalRow } from '@/ui/TotalRow'
import { Heading } from '@/ui/Heading'
import { ListExport } from '@/ui/list/ListExport'
import { openShop } from '../../_shop'

export const metadata: Metadata = { title: 'Repeating sales' }
const MONTHS = 6

export default async function ComingPage() {
  const { db, today, currency } = await openShop()
  const coming = await readComing(db, today, MONTHS, currency)
  const months = Array.from({ length: MONTHS + 1 }, (_, n) => monthStart(addMonths(monthStart(today), n)))
  return (
    <>
      <Heading
        title="Repeating sales"
        beside={`what they will make in the next ${MONTHS} months`}
        action={<ListExport name="repeats" query={{}} />}
      />
      {coming.length === 0 ? (
        <Empty>
          For rent, lessons or upkeep: open a sale and choose Repeat. Coming sales will be listed here by month.
        </Empty>
      ) : (
        <div className="grid max-w-245 gap-7">
          {months.map((m) => (
            <Month key={m} month={m} coming={coming.filter((c) => monthStart(c.on) === m)} currency={currency} />
          ))}
        </div>
      )}
    </>
  )
}

const Month = ({
  month,
  coming,
  currency,
}: {
  readonly month: Day
  readonly coming: readonly Coming[]
  readonly currency: string
}) =>
  coming.length === 0 ? null : (
    <section>
      <h2>
        {formatDayLong(month).split(' ').at(-1)} {month.slice(0, 4)}
      </h2>
      <table className="ledger list small">
        <tbody>
          {coming.map((c, i) => (
            <tr key={i} className="row">
              <td className="sub rest w-47.5 max-sm:w-auto">{formatDayLong(c.on)}</td>
              <td className="first max-w-95 one-line">
                <To data-row className="cover" href={`/sales/${c.repeat.saleId}`}>
                  {c.repeat.customerName}
                  <span className="text-iron-500"> · {c.repeat.title}</span>
                </To>
              </td>
              <td className="sub rest">{sayRepeat(c.repeat)}</td>
              <td className="fig main">{formatMoney(c.total)}</td>
            </tr>
          ))}
          <TotalRow
            name="At today’s prices"
            of={sumMoney(
              coming.map((c) => c.total),
              currency,
            )}
            span={3}
            last
          />
        </tbody>
      </table>
    </section>
  )
