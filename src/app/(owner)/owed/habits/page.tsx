import { present } from '@/core/present'
import type { Metadata } from 'next'
import { To } from '@/ui/To'
import { formatMoney } from '@/core/money'
import { readOweMost, readPayHabits } from '@/model/receivables/payHabits'
import { Empty } from '@/ui/Empty'
import { Heading } from '@/ui/Heading'
import { HabitChart } from '@/ui/charts/HabitChart'
import { OweLines } from '@/ui/charts/OweLines'
import { OwedTabs } from '@/ui/owed/OwedTabs'
import { openReports } from '../../_shop'
import { LedgerHead, right } from '@/ui/LedgerHead'

export const metadata: Metadata = { title: 'Paying habits' }
const MONTHS = 12

export default async function Habits() {
  const { db, today, currency } = await openReports()
  const [months, most] = await Promise.all([readPayHabits(db, today, MONTHS), readOweMost(db, today, MONTHS, currency)])
  return (
    <>
      <Heading title="Paying habits" beside={`the last ${MONTHS} months`} />
      <OwedTabs at="/owed/habits" />
      <div className="grid gap-x-10 gap-y-8 lg:grid-cols-2">
        <section>
          <h2>Days from invoice to payment</h2>
          <HabitChart
            months={months.map((h) => ({ month: h.month, value: h.days }))}
            unit="days"
            fill="var(--color-slate-600)"
          />
        </section>
        <section>
          <h2>Share paid late</h2>
          <HabitChart
            months={months.map((h) => ({ month: h.month, value: h.lateShare }))}
            unit="%"
            fill="var(--color-oxide-500)"
          />
        </section>
      </div>
      <section className="mt-8">
        <h2>Ten largest balances</h2>
        {most.length === 0 ? (
          <Empty>Nobody owes you anything.</Empty>
        ) : (
          <div className="grid gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1fr)_360px]">
            <OweLines customers={most} months={months.map((h) => h.month)} />
            <table className="ledger">
              <LedgerHead heads={['Customer', right('A year ago'), right('Now')]} />
              <tbody>
                {most.map((c, i) => (
                  <tr key={c.customerId}>
                    <td className="w-full max-w-0 one-line">
                      <span className="fig mr-2 text-iron-500">{i + 1}</span>
                      <To className="hover:underline" href={`/owed?customer=${c.customerId}#customer`}>
                        {c.name}
                      </To>
                    </td>
                    <td className="fig text-iron-500">{formatMoney(present(c.owed[0]))}</td>
                    <td className="fig">{formatMoney(present(c.owed.at(-1)))}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        )}
      </section>
    </>
  )
}
