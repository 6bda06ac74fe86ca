import type { Metadata } from 'next'
import { readForecastFacts, readOpenCustomers, RUNS } from '@/model/receivables/expected'
import { Empty } from '@/ui/Empty'
import { Heading } from '@/ui/Heading'
import { BackTests } from '@/ui/owed/BackTests'
import { ExpectedMoney } from '@/ui/owed/ExpectedMoney'
import { ListExport } from '@/ui/list/ListExport'
import { pack } from '@/ui/pack'
import { OwedTabs } from '@/ui/owed/OwedTabs'
import { openReports } from '../../_shop'

export const metadata: Metadata = { title: 'Expected money' }

export default async function Expected() {
  const { db, today, currency } = await openReports()
  const [facts, customers] = await Promise.all([readForecastFacts(db, today), readOpenCustomers(db)])
  return (
    <>
      <Heading
        title="Expected money"
        beside="When unpaid invoices will probably be paid, based on each customer’s habits"
        action={<ListExport name="expected" query={{}} />}
      />
      <OwedTabs at="/owed/expected" />
      {facts.dues.length === 0 ? (
        <Empty>Nothing is unpaid, so nothing to forecast.</Empty>
      ) : (
        <ExpectedMoney facts={pack(facts)} customers={customers} currency={currency} runs={RUNS} />
      )}
      <BackTests currency={currency} />
    </>
  )
}
