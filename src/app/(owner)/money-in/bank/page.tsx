import { readToBank } from '@/model/bank/toBank'
import type { Metadata } from 'next'
import { To } from '@/ui/To'
import { formatDayShort } from '@/core/day'
import { toDecimalString } from '@/core/money'
import { Heading } from '@/ui/Heading'
import { ToBankForms } from '@/ui/till/ToBankForms'
import { ListExport } from '@/ui/list/ListExport'
import { ListRows } from '@/ui/list/ListView'
import { settlements, slips } from '@/api/lists/money'
import type { Reader } from '@/api/lists/reader'
import { openList } from '../../_list'
import { openShop, queryOf, type Search } from '../../_shop'

export const metadata: Metadata = { title: 'Take to the bank' }

export default async function Bank({ searchParams }: { searchParams: Search }) {
  const [shop, query] = await Promise.all([openShop(), queryOf(searchParams)])
  const { today, currency } = shop
  const { cheques, cards, inDrawer, most } = await readToBank(shop)
  const plain = (rows: typeof cheques) =>
    rows.map((r) => ({ ...r, on: formatDayShort(r.on, today), amount: toDecimalString(r.amount) }))
  return (
    <>
      <Heading
        above={
          <To className="underline" href="/money-in">
            Money in
          </To>
        }
        title="Take to the bank"
        beside="One slip matches one line on your bank statement"
        action={
          <To className="btn" href="/money-in/statements">
            Bank statements
          </To>
        }
      />
      <ToBankForms
        key={JSON.stringify([plain(cheques), plain(cards)])}
        today={today}
        currency={currency}
        inDrawer={toDecimalString(inDrawer)}
        cheques={plain(cheques)}
        cards={plain(cards)}
        most={most}
      />
      <div className="mt-8 grid gap-x-6 gap-y-7 lg:grid-cols-2">
        <Gone title="Banking slips" reader={slips} query={query} />
        <Gone title="Card payouts received" reader={settlements} query={query} />
      </div>
    </>
  )
}

const Gone = async <Row,>({
  title,
  reader,
  query,
}: {
  readonly title: string
  readonly reader: Reader<Row, Record<string, never>>
  readonly query: Readonly<Record<string, string>>
}) => {
  const shop = await openShop()
  const open = await openList(reader, shop, query)
  return (
    <section>
      <div className="mb-1 flex items-end justify-between gap-3">
        <h2>{title}</h2>
        {open.rows.length > 0 && <ListExport name={reader.list.name} query={open.query} />}
      </div>
      <ListRows open={open} about={shop} />
    </section>
  )
}
