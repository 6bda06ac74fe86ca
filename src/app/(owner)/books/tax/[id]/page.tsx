import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { taxPapers } from '@/api/lists/books'
import { formatDay } from '@/core/day'
import { formatDigits, formatPercent } from '@/core/locale'
import { decimal } from '@/core/money'
import { TAX_BASIS_NAMES, TAX_SIDE_NAMES, TAX_STATE_NAMES, TREATMENT_NAMES } from '@/core/names'
import { taxReturnView } from '@/model/books/taxReturns'
import { FigureCell } from '@/ui/FigureCell'
import { TaxReturnActs } from '@/ui/books/TaxReturnActs'
import { Facts } from '@/ui/Facts'
import { Heading } from '@/ui/Heading'
import { LedgerHead, right } from '@/ui/LedgerHead'
import { ListExport } from '@/ui/list/ListExport'
import { ListRows } from '@/ui/list/ListView'
import { To } from '@/ui/To'
import { openList } from '../../../_list'
import { idFrom, openShop, queryOf, type Search } from '../../../_shop'

export const metadata: Metadata = { title: 'Tax return' }

interface Props {
  readonly params: Promise<{ id: string }>
  readonly searchParams: Search
}

export default async function TaxReturnPage({ params, searchParams }: Props) {
  const shop = await openShop()
  const id = await idFrom(params)
  const r = (await taxReturnView(shop.db, id, shop.currency)) ?? notFound()
  const open = await openList(
    taxPapers,
    shop,
    { ...(await queryOf(searchParams)), return: String(id) },
    `/books/tax/${id}`,
  )
  return (
    <>
      <Heading
        above={
          <To href="/books?view=tax" className="underline">
            Tax
          </To>
        }
        title={`${formatDay(r.from)} through ${formatDay(r.through)}`}
        beside={[
          TAX_STATE_NAMES[r.state],
          r.filedOn ? `filed ${formatDay(r.filedOn)}` : '',
          r.paidOn ? `paid ${formatDay(r.paidOn)}` : '',
        ]
          .filter(Boolean)
          .join(', ')}
        action={
          <TaxReturnActs id={id} state={r.state} due={r.totals.due} currency={shop.currency} today={shop.today} />
        }
      />
      <Facts
        facts={[
          ['On sales', formatDigits(r.totals.sales)],
          ['On purchases', formatDigits(r.totals.purchases)],
          ['Due', formatDigits(r.totals.due)],
          ['Tax is due', TAX_BASIS_NAMES[r.basis]],
        ]}
      />
      <table className="ledger list small mb-7 max-w-3xl">
        <LedgerHead heads={['', 'Tax', right('Rate'), right('Net'), right('Tax')]} />
        <tbody>
          {r.rows.map((row, i) => (
            <tr key={i}>
              <td className="sub rest">{TAX_SIDE_NAMES[row.side]}</td>
              <td className="first max-w-none">
                {[row.code, row.component ?? row.name].filter(Boolean).join(' ')}
                {row.treatment !== 'taxed' && TREATMENT_NAMES[row.treatment] !== row.name && (
                  <span className="sub"> {TREATMENT_NAMES[row.treatment]}</span>
                )}
              </td>
              <FigureCell head="Rate">
                {row.component === null ? '' : formatPercent(decimal(row.rate).times(100).toString())}
              </FigureCell>
              <FigureCell head="Net">{formatDigits(row.net)}</FigureCell>
              <td className="fig main">{formatDigits(row.tax)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="mb-2 flex flex-wrap items-baseline justify-between gap-3">
        <h2>What it is made of</h2>
        <ListExport name="tax-return" query={open.query} />
      </div>
      <ListRows open={open} about={shop} />
    </>
  )
}
