import { readAccounts } from '@/model/books/journal'
import type { Metadata } from 'next'
import { To } from '@/ui/To'
import { addDays, formatDay, isDayInReach } from '@/core/day'
import { formatMoney, isZeroMoney, negateMoney } from '@/core/money'
import { Heading } from '@/ui/Heading'
import { DrawerForms } from '@/ui/till/DrawerForms'
import { ListExport } from '@/ui/list/ListExport'
import { ListRows } from '@/ui/list/ListView'
import { drawer as drawerReader } from '@/api/lists/money'
import { openList } from '../../_list'
import { openShop, queryOf, type Search } from '../../_shop'
import { FigureCell } from '@/ui/FigureCell'
import { LedgerHead, right } from '@/ui/LedgerHead'

export const metadata: Metadata = { title: 'Drawer' }

export default async function Drawer({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const { today, currency } = shop
  const query = await queryOf(searchParams)
  const asked = query.on
  const on = asked && isDayInReach(asked) ? asked : today
  const [lines, accounts] = await Promise.all([openList(drawerReader, shop, { ...query, on }), readAccounts(shop)])
  const { drawer } = lines
  return (
    <>
      <Heading
        above={
          <To className="underline" href="/money-in">
            Money in
          </To>
        }
        title="Drawer"
        beside={formatDay(on)}
        action={
          <>
            <To className="btn" href={`/money-in/drawer?on=${addDays(on, -1)}`}>
              Previous day
            </To>
            {on < today && (
              <To className="btn" href={`/money-in/drawer?on=${addDays(on, 1)}`}>
                Next day
              </To>
            )}
            <ListExport name="drawer" query={{ on }} />
          </>
        }
      />
      <div className="grid gap-x-10 gap-y-8 lg:grid-cols-[minmax(0,1fr)_380px]">
        <section>
          <h2>Cash of the day</h2>
          <ListRows open={lines} about={shop} />
          {drawer.counts.length > 0 && (
            <>
              <h2 className="mt-7">Counted</h2>
              <table className="ledger list small max-w-160">
                <LedgerHead
                  heads={['Count no.', 'Notes and coins', right('Expected'), right('Counted'), right('Over or short')]}
                />
                <tbody>
                  {drawer.counts.map((c) => (
                    <tr key={c.id}>
                      <td className="first font-figure">{c.number}</td>
                      <td className="rest sub">
                        {Object.entries(c.pieces)
                          .map(([worth, n]) => `${n} × ${worth}`)
                          .join(', ')}
                      </td>
                      <FigureCell head="Expected">{formatMoney(c.expected)}</FigureCell>
                      <FigureCell head="Counted">{formatMoney(c.counted)}</FigureCell>
                      <td className={`fig main ${c.over.minor < 0n ? 'text-oxide-700' : ''}`}>
                        {isZeroMoney(c.over)
                          ? 'agrees'
                          : `${formatMoney(c.over.minor < 0n ? negateMoney(c.over) : c.over)} ${c.over.minor < 0n ? 'short' : 'over'}`}
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </>
          )}
        </section>
        <DrawerForms
          key={on}
          on={on}
          today={today}
          currency={currency}
          expected={formatMoney(drawer.now)}
          accounts={accounts
            .filter((a) => a.role === null || a.role === 'owner-capital' || a.role === 'bank')
            .map((a) => ({ code: a.code, name: a.name }))}
        />
      </div>
    </>
  )
}
