// Long, because the six reports of one page share their parts; each is a small component of its own below.
import { readAccounts, readClosings, readJournal, readTax } from '@/model/books/journal'
import { present } from '@/core/present'
import type { Metadata } from 'next'
import Link from 'next/link'
import { addDays, addMonths, daysBetween, formatDay, isDay, monthStart, yearStart, type Day } from '@/core/day'
import { formatMoney, isZeroMoney, sumMoney, negateMoney } from '@/core/money'
import type { ReportRow } from '@/core/ledger'
import { readBalanceSheet, readProfitAndLoss, readTrialBalance } from '@/model/books/books'
import { withQuery } from '@/ui/address'
import { BooksActions } from '@/ui/books/BooksActions'
import { Span } from '@/ui/books/Span'
import { Empty } from '@/ui/Empty'
import { Heading } from '@/ui/Heading'
import { openShop, queryOf, type Search } from '../_shop'
import { hrefOfSource } from '@/model/books/entrySource'
import { readTies } from '@/model/books/ties'

export const metadata: Metadata = { title: 'Books' }

const VIEWS = {
  journal: 'Journal',
  'trial-balance': 'Trial balance',
  'profit-and-loss': 'Profit and loss',
  'balance-sheet': 'Balance sheet',
  tax: 'Tax',
  ties: 'Do they agree?',
  closings: 'Closings',
} as const
type View = keyof typeof VIEWS

interface Shown {
  readonly from: Day
  readonly to: Day
  readonly query: Record<string, string>
}

export default async function Books({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const { business, today } = shop
  const query = await queryOf(searchParams)
  const view = (query.view && query.view in VIEWS ? query.view : 'journal') as View
  const asDay = (text: string | undefined, otherwise: Day): Day => (text && isDay(text) ? text : otherwise)
  const to = asDay(query.to ?? query.asOf, today)
  const from = asDay(query.from, view === 'journal' ? addMonths(monthStart(to), -1) : yearStart(to))
  const accounts = await readAccounts(shop)
  const spans = view === 'journal' || view === 'profit-and-loss' || view === 'tax'
  return (
    <>
      <Heading
        title="Books"
        beside={business.closedThrough ? `closed through ${formatDay(business.closedThrough)}` : undefined}
        action={
          <BooksActions
            today={today}
            currency={business.currency}
            accounts={accounts.map((a) => ({ code: a.code, name: a.name }))}
            closed={business.closedThrough !== null}
          />
        }
      />
      <div className="mb-4 flex flex-wrap items-end justify-between gap-x-6 gap-y-2 border-b border-paper-300">
        <nav aria-label="Reports" className="flex flex-wrap">
          {Object.entries(VIEWS).map(([v, name]) => (
            <Link
              key={v}
              prefetch={false}
              href={withQuery('/books', query, { view: v, after: undefined })}
              aria-current={v === view ? 'page' : undefined}
              className="border-b-[3px] border-transparent px-3 py-2 text-iron-700 first:pl-0 aria-[current]:border-rust-600 aria-[current]:font-bold aria-[current]:text-iron-900"
            >
              {name}
            </Link>
          ))}
        </nav>
        {view !== 'closings' && <Span from={spans ? from : null} to={to} today={today} />}
      </div>
      {view === 'journal' && <Journal from={from} to={to} query={query} />}
      {view === 'trial-balance' && <TrialBalance to={to} />}
      {view === 'profit-and-loss' && <ProfitAndLoss from={from} to={to} />}
      {view === 'balance-sheet' && <BalanceSheet to={to} />}
      {view === 'tax' && <Tax from={from} to={to} />}
      {view === 'ties' && <Ties to={to} />}
      {view === 'closings' && <Closings />}
    </>
  )
}

const Closings = async () => {
  const closings = await readClosings(await openShop())
  if (closings.length === 0)
    return (
      <Empty>Nothing was closed yet. Close a period when its reports are final; each closing will stand here.</Empty>
    )
  return (
    <table className="ledger">
      <thead>
        <tr>
          <th scope="col">Day</th>
          <th scope="col">What</th>
          <th scope="col">Why</th>
        </tr>
      </thead>
      <tbody>
        {closings.map((c) => (
          <tr key={c.id}>
            <td>{formatDay(c.on)}</td>
            <td>
              {c.kind === 'closed'
                ? `Closed through ${formatDay(present(c.through))}`
                : c.through
                  ? `Reopened, closed through ${formatDay(c.through)}`
                  : 'Reopened, nothing closed'}
            </td>
            <td>{c.reason}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

const JOURNAL_PAGE = 60

const Journal = async ({ from, to, query }: Shown) => {
  const shop = await openShop()
  const [on, id] = (query.after ?? '').split('_')
  const after = on && isDay(on) && /^\d{1,9}$/.test(id ?? '') ? { on, id: Number(id) } : undefined
  const entries = await readJournal(shop, { from, to }, { limit: JOURNAL_PAGE, after })
  const last = entries.at(-1)
  if (entries.length === 0)
    return (
      <Empty>
        Nothing was posted from {formatDay(from)} through {formatDay(to)}. Papers post by themselves; your own entries
        can be written above.
      </Empty>
    )
  return (
    <>
      <table className="ledger">
        <thead>
          <tr>
            <th scope="col" className="w-[100px]">
              Day
            </th>
            <th scope="col">What</th>
            <th scope="col">Account</th>
            <th scope="col" className="r w-[120px]">
              Debit
            </th>
            <th scope="col" className="r w-[120px]">
              Credit
            </th>
          </tr>
        </thead>
        {entries.map((e) => (
          <tbody key={e.id} className="border-b border-paper-300 [&_td]:h-7 [&_td]:border-b-0">
            {e.lines.map((l, i) => (
              <tr key={i}>
                <td className="sub whitespace-nowrap">{i === 0 && formatDay(e.on)}</td>
                <td className="max-w-[380px] truncate">
                  {i === 0 && (
                    <Link prefetch={false} className="hover:underline" href={hrefOfSource(e)}>
                      {e.text}
                    </Link>
                  )}
                </td>
                <td className={l.amount.minor < 0n ? 'pl-7!' : ''}>
                  <Link prefetch={false} className="hover:underline" href={`/books/accounts/${l.accountId}?to=${to}`}>
                    {l.account}
                  </Link>
                </td>
                <td className="fig">{l.amount.minor > 0n && formatMoney(l.amount)}</td>
                <td className="fig">{l.amount.minor < 0n && formatMoney(negateMoney(l.amount))}</td>
              </tr>
            ))}
          </tbody>
        ))}
      </table>
      {entries.length === JOURNAL_PAGE && last && (
        <p className="pt-3">
          <Link prefetch={false} className="btn" href={withQuery('/books', query, { after: `${last.on}_${last.id}` })}>
            Older entries
          </Link>
        </p>
      )}
    </>
  )
}

const exportLinks = (name: string, query: string) => (
  <p className="mt-4 flex gap-2">
    <a className="btn" href={`/api/v1/export/${name}.csv?${query}`}>
      Save as CSV
    </a>
    <a className="btn" href={`/api/v1/export/${name}.xlsx?${query}`}>
      XLSX
    </a>
  </p>
)

const TrialBalance = async ({ to }: { to: Day }) => {
  const shop = await openShop()
  const { db, currency } = shop
  const t = await readTrialBalance(db, to, currency)
  return (
    <>
      <table className="ledger max-w-[760px]">
        <thead>
          <tr>
            <th scope="col" className="w-20">
              Code
            </th>
            <th scope="col">Account</th>
            <th scope="col" className="r w-[140px]">
              Debit
            </th>
            <th scope="col" className="r w-[140px]">
              Credit
            </th>
          </tr>
        </thead>
        <tbody>
          {t.rows.map((r) => (
            <tr key={r.id} className="row">
              <td className="font-figure">{r.code}</td>
              <td>
                <Link prefetch={false} data-row className="cover" href={`/books/accounts/${r.id}?to=${to}`}>
                  {r.name}
                </Link>
              </td>
              <td className="fig">{!isZeroMoney(r.debit) && formatMoney(r.debit)}</td>
              <td className="fig">{!isZeroMoney(r.credit) && formatMoney(r.credit)}</td>
            </tr>
          ))}
        </tbody>
        <tbody>
          <tr className="total">
            <td />
            <td className="r">{isZeroMoney(t.difference) ? 'both sides agree' : 'the sides differ'}</td>
            <td className="fig">{formatMoney(t.debit)}</td>
            <td className="fig">{formatMoney(t.credit)}</td>
          </tr>
        </tbody>
      </table>
      {exportLinks('trial-balance', `asOf=${to}`)}
    </>
  )
}

const Part = ({
  title,
  rows,
  total,
  totalName,
  link,
}: {
  title: string
  rows: readonly ReportRow[]
  total: ReportRow['amount']
  totalName: string
  link: (id: number) => string
}) => (
  <>
    <tbody>
      <tr>
        <td colSpan={3} className="border-b-iron-900! pt-4! font-slab text-[17px] font-semibold">
          {title}
        </td>
      </tr>
      {rows.map((r) => (
        <tr key={r.id} className="row">
          <td className="w-20 font-figure">{r.code}</td>
          <td>
            <Link prefetch={false} data-row className="cover" href={link(r.id)}>
              {r.name}
            </Link>
          </td>
          <td className="fig w-[150px]">{formatMoney(r.amount)}</td>
        </tr>
      ))}
      <tr className="font-bold">
        <td className="border-0!" />
        <td className="r border-0!">{totalName}</td>
        <td className="fig border-0! border-t! border-iron-900!">{formatMoney(total)}</td>
      </tr>
    </tbody>
  </>
)

const ProfitAndLoss = async ({ from, to }: { from: Day; to: Day }) => {
  const shop = await openShop()
  const { db, currency } = shop
  const length = Math.max(1, daysBetween(from, to) + 1)
  const before = { from: addDays(from, -length), to: addDays(from, -1) }
  const [p, earlier] = await Promise.all([
    readProfitAndLoss(db, { from, to }, currency),
    readProfitAndLoss(db, before, currency),
  ])
  const link = (id: number) => `/books/accounts/${id}?from=${from}&to=${to}`
  return (
    <>
      <table className="ledger max-w-[680px]">
        <Part title="Income" rows={p.income} total={p.totalIncome} totalName="income" link={link} />
        <Part
          title="What the goods cost"
          rows={p.costOfGoods}
          total={p.grossProfit}
          totalName="gross profit"
          link={link}
        />
        <Part title="Expenses" rows={p.expenses} total={p.totalExpenses} totalName="expenses" link={link} />
        <tbody>
          <tr className="total">
            <td />
            <td className="r">profit</td>
            <td className="fig">{formatMoney(p.profit)}</td>
          </tr>
        </tbody>
      </table>
      <p className="sub mt-3">
        The {length} days before, {formatDay(before.from)} through {formatDay(before.to)}: income{' '}
        {formatMoney(earlier.totalIncome)}, profit {formatMoney(earlier.profit)}.
      </p>
      {exportLinks('profit-and-loss', `from=${from}&to=${to}`)}
    </>
  )
}

const BalanceSheet = async ({ to }: { to: Day }) => {
  const shop = await openShop()
  const { db, currency } = shop
  const b = await readBalanceSheet(db, to, currency)
  const link = (id: number) => `/books/accounts/${id}?to=${to}`
  const earned: ReportRow = {
    id: 0,
    code: '',
    name: 'Earned so far, not moved to earlier years',
    amount: b.earnings,
  }
  return (
    <>
      <div className="grid max-w-[1060px] gap-x-12 lg:grid-cols-2">
        <table className="ledger self-start">
          <Part title="What there is" rows={b.assets} total={b.totalAssets} totalName="assets" link={link} />
        </table>
        <table className="ledger self-start">
          <Part
            title="What is owed to others"
            rows={b.liabilities}
            total={b.totalLiabilities}
            totalName="liabilities"
            link={link}
          />
          <tbody>
            <tr>
              <td colSpan={3} className="border-b-iron-900! pt-4! font-slab text-[17px] font-semibold">
                What is yours
              </td>
            </tr>
            {b.equity.map((r) => (
              <tr key={r.id} className="row">
                <td className="w-20 font-figure">{r.code}</td>
                <td>
                  <Link prefetch={false} data-row className="cover" href={link(r.id)}>
                    {r.name}
                  </Link>
                </td>
                <td className="fig">{formatMoney(r.amount)}</td>
              </tr>
            ))}
            <tr className="row">
              <td />
              <td>
                <Link
                  prefetch={false}
                  data-row
                  className="cover"
                  href={`/books?view=profit-and-loss&from=1990-01-01&to=${to}`}
                >
                  {earned.name}
                </Link>
              </td>
              <td className="fig">{formatMoney(earned.amount)}</td>
            </tr>
            <tr className="font-bold">
              <td className="border-0!" />
              <td className="r border-0!">equity</td>
              <td className="fig border-0! border-t! border-iron-900!">{formatMoney(b.totalEquity)}</td>
            </tr>
            <tr className="total">
              <td />
              <td className="r">owed and yours</td>
              <td className="fig">{formatMoney(sumMoney([b.totalLiabilities, b.totalEquity], currency))}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <p className="sub mt-3">
        {isZeroMoney(b.difference)
          ? '✓ what there is equals what is owed and what is yours'
          : `✗ the sides differ by ${formatMoney(b.difference)}`}
      </p>
      {exportLinks('balance-sheet', `asOf=${to}`)}
    </>
  )
}

const Tax = async ({ from, to }: { from: Day; to: Day }) => {
  const shop = await openShop()
  const { currency } = shop
  const rows = await readTax(shop, { from, to })
  if (rows.length === 0)
    return (
      <Empty>
        Nothing was billed from {formatDay(from)} through {formatDay(to)}.
      </Empty>
    )
  return (
    <table className="ledger max-w-[760px]">
      <thead>
        <tr>
          <th scope="col">Code</th>
          <th scope="col">Tax</th>
          <th scope="col" className="r">
            Rate
          </th>
          <th scope="col" className="r">
            Billed, net
          </th>
          <th scope="col" className="r">
            Tax
          </th>
        </tr>
      </thead>
      <tbody>
        {rows.map((r, i) => (
          <tr key={i}>
            <td className="font-figure">{r.code}</td>
            <td>{r.component ?? r.name}</td>
            <td className="fig">
              {r.component ? `${r.rate.times(100).toString()} %` : r.treatment === 'exempt' ? 'exempt' : '0 %'}
            </td>
            <td className="fig">{formatMoney(r.net)}</td>
            <td className="fig">{formatMoney(r.amount)}</td>
          </tr>
        ))}
      </tbody>
      <tbody>
        <tr className="total">
          <td />
          <td />
          <td />
          <td className="r">tax due</td>
          <td className="fig">
            {formatMoney(
              sumMoney(
                rows.map((r) => r.amount),
                currency,
              ),
            )}
          </td>
        </tr>
      </tbody>
    </table>
  )
}

const Ties = async ({ to }: { to: Day }) => {
  const shop = await openShop()
  const { db, currency } = shop
  const ties = await readTies(db, to, currency)
  return (
    <>
      <p className="mb-3 max-w-prose">
        Each figure is kept twice: by the papers, and by the accounts. The two must always be the same, on every day.
      </p>
      <table className="ledger max-w-[820px]">
        <thead>
          <tr>
            <th scope="col">What</th>
            <th scope="col" className="r">
              Papers say
            </th>
            <th scope="col" className="r">
              Accounts say
            </th>
            <th scope="col" className="r">
              Difference
            </th>
          </tr>
        </thead>
        <tbody>
          {ties.map((t) => (
            <tr key={t.name}>
              <td>{t.name}</td>
              <td className="fig">{formatMoney(t.subledger)}</td>
              <td className="fig">{formatMoney(t.account)}</td>
              <td className={`fig ${isZeroMoney(t.difference) ? 'text-patina-700' : 'font-bold text-oxide-700'}`}>
                {isZeroMoney(t.difference) ? '✓ ' : '✗ '}
                {formatMoney(t.difference)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  )
}
