import type { Metadata } from 'next'
import { addMonths, day, formatMonth, isDayInReach } from '@/core/day'
import { formatMoney } from '@/core/money'
import { MONTH_STEP_NAMES } from '@/core/names'
import { monthInHand, readMonth } from '@/model/books/month'
import { Heading } from '@/ui/Heading'
import { LedgerHead, right, unseen } from '@/ui/LedgerHead'
import { To } from '@/ui/To'
import { openShop, queryOf, type Search } from '../../_shop'

export const metadata: Metadata = { title: 'Month’s end' }

/** Where each step is done. */
const whereOf = (key: keyof typeof MONTH_STEP_NAMES, from: string, to: string): string =>
  ({
    drawer: '/money-in/drawer',
    slips: '/money-in/bank',
    statement: '/money-in/statements',
    unbilled: '/sales',
    held: '/owed?show=held',
    tax: '/books?view=tax',
    profit: `/books?view=profit-and-loss&from=${from}&to=${to}`,
    closed: '/books?view=closings',
  })[key]

export default async function MonthEnd({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const { month } = await queryOf(searchParams)
  const first = `${month ?? ''}-01`
  const { from, to, steps } = await readMonth(shop, isDayInReach(first) ? day(first) : monthInHand(shop.today))
  const done = steps.filter((s) => s.done).length
  const link = (by: number, label: string) => (
    <To className="btn" href={`/books/month?month=${addMonths(from, by).slice(0, 7)}`}>
      {label}
    </To>
  )
  return (
    <>
      <Heading
        above={
          <To className="underline" href="/books">
            Books
          </To>
        }
        title={`${formatMonth(from)} ${from.slice(0, 4)}`}
        beside={`${done} of ${steps.length} done`}
        action={
          <>
            {link(-1, 'Month before')}
            {to < shop.today && link(1, 'Month after')}
          </>
        }
      />
      <p className="mb-3">
        <a className="underline" href={`/api/v1/export/accountant.zip?from=${from}&to=${to}`} download>
          For your accountant (ZIP)
        </a>
        <span className="sub ml-3">Reports, journal, and the documents behind them by their numbers.</span>
      </p>
      <p className="sub mb-3 max-w-prose">
        What is done at the end of a month. Nobody ticks it off: each line is read from your books.
      </p>
      <table className="ledger max-w-4xl">
        <LedgerHead heads={[unseen('Done'), 'Step', 'Why', right('Amount')]} />
        <tbody>
          {steps.map((s) => (
            <tr key={s.key} className="row">
              <td className="w-10 text-center">
                <span aria-hidden className={s.done ? 'text-patina-700' : 'text-oxide-700'}>
                  {s.done ? '✓' : '○'}
                </span>
                <span className="sr-only">{s.done ? 'done' : 'to do'}</span>
              </td>
              <td className="font-bold">
                <To data-row className="cover" href={whereOf(s.key, from, to)}>
                  {MONTH_STEP_NAMES[s.key]}
                </To>
              </td>
              <td>{s.why}</td>
              <td className="fig">{s.amount && s.amount.minor !== 0n && formatMoney(s.amount)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  )
}
