import type { Metadata } from 'next'
import { formatDay } from '@/core/day'
import { formatMoney, money } from '@/core/money'
import { listOpenCustomers } from '@/data/queries/receivables'
import { readBackTests, readForecastFacts, RUNS } from '@/services/read/expected'
import { Empty } from '@/ui/Empty'
import { Heading } from '@/ui/Heading'
import { ExpectedMoney } from '@/ui/owed/ExpectedMoney'
import { OwedTabs } from '@/ui/owed/OwedTabs'
import { openShop } from '../../_shop'

export const metadata: Metadata = { title: 'Expected money' }

export default async function Expected() {
  const { db, today, currency } = await openShop()
  const [facts, tests, customers] = await Promise.all([
    readForecastFacts(db, today),
    readBackTests(db, today, { times: 6, weeks: 4 }),
    listOpenCustomers(db, 200),
  ])
  const m = (minor: bigint) => formatMoney(money(minor, currency))
  const inside = tests.reduce((sum, t) => sum + t.inside, 0)
  const weeks = tests.reduce((sum, t) => sum + t.weeks, 0)
  return (
    <>
      <Heading title="Expected money" beside="when what is open may come, as each customer usually pays" />
      <OwedTabs at="/owed/expected" />
      {facts.dues.length === 0 ? (
        <Empty>Nothing is open. What is billed and not paid will be laid out here, week by week.</Empty>
      ) : (
        <ExpectedMoney facts={facts} customers={customers} currency={currency} runs={RUNS} />
      )}
      <section className="mt-9">
        <h2>How good it was</h2>
        {tests.length === 0 ? (
          <p className="sub">There is no month behind us yet to hold it against.</p>
        ) : (
          <>
            <p className="mb-2">
              Made again for the last months with what was known then: {inside} of {weeks} weeks came in
              inside the band.
            </p>
            <table className="ledger max-w-[760px]">
              <thead>
                <tr>
                  <th scope="col">Four weeks from</th>
                  <th scope="col" className="r">
                    Expected
                  </th>
                  <th scope="col" className="r">
                    Came
                  </th>
                  <th scope="col" className="r">
                    Difference
                  </th>
                  <th scope="col" className="r">
                    Weeks inside the band
                  </th>
                </tr>
              </thead>
              <tbody>
                {tests.map((t) => (
                  <tr key={t.from}>
                    <td>{formatDay(t.from)}</td>
                    <td className="fig">{m(t.expected)}</td>
                    <td className="fig">{m(t.came)}</td>
                    <td className="fig">{m(t.came - t.expected)}</td>
                    <td className="fig">
                      {t.inside} of {t.weeks}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </>
        )}
      </section>
    </>
  )
}
