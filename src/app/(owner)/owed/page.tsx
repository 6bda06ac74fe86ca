import type { Metadata } from 'next'
import { To } from '@/ui/To'
import { receivables } from '@/api/lists/money'
import { dayOf } from '@/lists/days'
import { readFilter } from '@/lists/list'
import { owedList } from '@/lists/owed'
import { formatDay, type Day } from '@/core/day'
import { addMoney, formatMoney, isZeroMoney, subtractMoney, zeroMoney } from '@/core/money'
import type { MoneyBar } from '@/core/sale'
import { ageNames, expectByWeek } from '@/core/receivables'
import { readOpenByDay } from '@/model/receivables/openAsOf'
import { AGE_GROUPS, type AgedRow } from '@/model/receivables/owed'
import { withQuery } from '@/ui/address'
import { AgeBar } from '@/ui/charts/AgeBar'
import { WeekChart } from '@/ui/charts/WeekChart'
import { Heading } from '@/ui/Heading'
import { ListExport } from '@/ui/list/ListExport'
import { ListRows } from '@/ui/list/ListView'
import { AsOf } from '@/ui/money/AsOf'
import { barWords } from '@/ui/MoneyBar'
import type { DrawnBox } from '@/ui/list/drawnRow'
import { CHOSEN } from '@/ui/owed/chosen'
import { LettersToChosen } from '@/ui/owed/LettersToChosen'
import { OwedTabs } from '@/ui/owed/OwedTabs'
import { openList } from '../_list'
import { openShop, queryOf, type Search } from '../_shop'
import { OneCustomer } from './_parts/OneCustomer'

export const metadata: Metadata = { title: 'Owed' }

const SHOWN = new Map([
  ['late', 'those who are late'],
  ['held', 'Customers with held money only'],
])

export default async function Owed({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const { business, today, currency } = shop
  const query = await queryOf(searchParams)
  const { asOf } = dayOf(readFilter(owedList.fields, query), today)
  const by = query.by === 'invoice' ? ('invoice' as const) : ('due' as const)
  const group = AGE_GROUPS.find((g) => g === query.group) ?? 'customer'
  const chosen = /^\d{1,9}$/.test(query.customer ?? '') ? Number(query.customer) : null
  const part = query.kind || query.channel
  const [open, due] = await Promise.all([openList(receivables, shop, query), readOpenByDay(shop)])
  const { owed } = open
  const shown = SHOWN.get(query.show ?? '')
  const letters = group === 'customer' && asOf === today
  return (
    <>
      <Heading
        title="Owed to you"
        beside={<AsOf asOf={asOf} today={today} by={by} group={group} />}
        action={
          <>
            <ListExport name="receivables" query={open.query} />
            <To className="btn btn-do" data-primary href="/money-in">
              Take payment
            </To>
          </>
        }
      />
      <OwedTabs at="/owed" />
      <div className="mb-6 grid gap-x-10 gap-y-5 lg:grid-cols-[minmax(0,1fr)_470px]">
        <section>
          <h2>Age of balances</h2>
          <AgeBar
            ages={owed.totals}
            names={ageNames(business.ageLimits)}
            hrefOf={(age) => withQuery('/owed', query, { sort: `-${age}`, page: undefined })}
          />
        </section>
        <section>
          <h2>{asOf === today ? 'Due by week' : 'Due by week, from today'}</h2>
          <WeekChart weeks={expectByWeek(due, { today, weeks: 8, currency })} today={today} />
        </section>
      </div>
      {shown && <Only what={shown} href={withQuery('/owed', query, { show: undefined })} />}
      {part && (
        <Only what={`sales of ${part}`} href={withQuery('/owed', query, { kind: undefined, channel: undefined })} />
      )}
      {letters && open.rows.length > 0 && <LettersToChosen />}
      <ListRows
        open={open}
        about={shop}
        cells={{ stands: (r) => ({ bar: barWords(standing(r, currency), true), width: 'w-28' }) }}
        boxes={letters ? { head: 'Chosen', form: CHOSEN, of: choose } : undefined}
      />
      {!part && (
        <Agrees agrees={owed.agrees} difference={formatMoney(owed.difference)} asOf={asOf}>
          {formatMoney(owed.controlAccount)}
        </Agrees>
      )}
      {chosen && <OneCustomer customerId={chosen} asOf={asOf} today={today} />}
    </>
  )
}

const Only = ({ what, href }: { readonly what: string; readonly href: string }) => (
  <p className="mb-2">
    Only {what} ·{' '}
    <To className="underline" href={href}>
      show all
    </To>
  </p>
)

/** Where the money of a row stands: what is held, not due, late. */
const standing = (row: AgedRow, currency: string): MoneyBar => {
  const none = zeroMoney(currency)
  const held = addMoney(row.held, row.onAccount)
  const late = subtractMoney(row.total, row.notDue)
  const total = addMoney(held, row.total)
  return { earned: none, held, notDue: row.notDue, late, toCome: none, total, heldBeyond: none }
}

const choose = (row: AgedRow): DrawnBox => ({
  value: String(row.customerId ?? ''),
  label: `Write to ${row.name}`,
  withAll: !isZeroMoney(row.total),
})

/** What the books say beside it. */
const Agrees = (p: {
  readonly agrees: boolean
  readonly difference: string
  readonly asOf: Day
  readonly children: string
}) => (
  <p className={`mt-2 text-xs ${p.agrees ? 'text-iron-500' : 'font-bold text-oxide-700'}`}>
    {p.agrees ? '✓ Matches' : `✗ ${p.difference} different from`} the receivables account on {formatDay(p.asOf)}:{' '}
    <To className="underline" href={`/books?view=trial-balance&asOf=${p.asOf}`}>
      {p.children}
    </To>
  </p>
)
