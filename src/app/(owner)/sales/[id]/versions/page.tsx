import { formatPercent } from '@/core/locale'
import type { Metadata } from 'next'
import { To } from '@/ui/To'
import { notFound } from 'next/navigation'
import { formatDay } from '@/core/day'
import { decimal, formatMoney, formatPrice, isPositiveMoney, negateMoney } from '@/core/money'
import type { ComparedLine, KeptLine } from '@/core/sale'
import { readComparison, type Version } from '@/model/sale/versions'
import { Heading } from '@/ui/Heading'
import { idFrom, openShop, queryOf, type Search } from '../../../_shop'
import { LedgerHead, right, unseen } from '@/ui/LedgerHead'

export const metadata: Metadata = { title: 'What changed' }

const numberOf = (text: string | undefined) => (text && /^\d{1,6}$/.test(text) ? Number(text) : undefined)
const NAME = { offered: 'estimate', agreed: 'agreed', changed: 'changed' } as const
const sayVersion = (v: Version) => `Version ${v.n}, ${NAME[v.kind]} ${formatDay(v.on)}`

export default async function VersionsPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>
  searchParams: Search
}) {
  const { db, currency } = await openShop()
  const id = await idFrom(params)
  const query = await queryOf(searchParams)
  const c =
    (await readComparison(db, id, { before: numberOf(query.before), now: numberOf(query.now) }, currency)) ?? notFound()
  const { sale } = c
  const moved = c.lines.filter((l) => l.how !== 'same').length
  return (
    <>
      <Heading
        above={
          <To className="hover:underline" href={`/sales/${id}`}>
            Sale {sale.number} · {sale.customerName}
          </To>
        }
        title="What changed"
        beside={moved === 0 ? 'No changes to lines' : `${moved} ${moved === 1 ? 'line' : 'lines'}`}
      />
      <div className="overflow-x-auto" role="region" aria-label="Table" tabIndex={0}>
        <table className="ledger min-w-215">
          <LedgerHead
            heads={[
              unseen('Change', 'w-21.5'),
              sayVersion(c.before),
              right('Quantity × unit price, amount', 'w-47.5'),
              sayVersion(c.now),
              right('Quantity × unit price, amount', 'w-47.5'),
            ]}
          />
          <tbody>
            {c.lines.map((l, i) => (
              <Pair key={i} line={l} currency={currency} />
            ))}
          </tbody>
          <tbody>
            {(isPositiveMoney(c.before.less) || isPositiveMoney(c.now.less)) && (
              <tr>
                <td />
                <td className="r text-iron-500">Discount on total</td>
                <td className="fig">{formatMoney(negateMoney(c.before.less))}</td>
                <td className="r text-iron-500">Discount on total</td>
                <td className="fig">{formatMoney(negateMoney(c.now.less))}</td>
              </tr>
            )}
            <tr className="total">
              <td />
              <td className="r">Total with tax</td>
              <td className="fig">{formatMoney(c.before.gross)}</td>
              <td className="r">Total with tax</td>
              <td className="fig">{formatMoney(c.now.gross)}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </>
  )
}

const COLOUR = {
  added: 'text-patina-700',
  dropped: 'text-oxide-700',
  changed: 'text-rust-600',
  same: 'text-iron-500',
} as const

const Pair = ({ line, currency }: { readonly line: ComparedLine; readonly currency: string }) => (
  <tr className={line.how === 'same' ? 'text-iron-500' : ''}>
    <td className={`wrap-break-word font-bold ${COLOUR[line.how]}`}>{line.how === 'same' ? '' : line.how}</td>
    <Side of={line.before} line={line} currency={currency} gone={line.how === 'dropped'} />
    <Side of={line.now} line={line} currency={currency} />
  </tr>
)

const Side = ({
  of,
  line,
  currency,
  gone = false,
}: {
  readonly of: KeptLine | null
  readonly line: ComparedLine
  readonly currency: string
  readonly gone?: boolean
}) => {
  if (!of) return <td colSpan={2} className="text-iron-500" />
  const words = of.kind === 'heading' || of.kind === 'text'
  const mark = (field: ComparedLine['fields'][number], text: string) =>
    line.fields.includes(field) ? <mark className="bg-rust-100 font-bold text-iron-900">{text}</mark> : text
  return (
    <>
      <td className={gone ? 'line-through' : ''}>
        {mark('description', of.description)}
        {of.note && <div className="sub">{mark('note', of.note)}</div>}
        {!of.chosen && <div className="sub">{mark('chosen', 'Not included')}</div>}
      </td>
      <td className="fig">
        {words ? (
          ''
        ) : (
          <>
            {mark('quantity', of.quantity)} × {mark('unitPrice', formatPrice(decimal(of.unitPrice), currency))}
            {of.discountPercent !== '0' && <> − {mark('discountPercent', formatPercent(of.discountPercent))}</>}
            {/[1-9]/.test(of.discountAmount) && <> − {mark('discountAmount', of.discountAmount)}</>}
            <div>{of.net && formatPrice(decimal(of.net), currency)}</div>
          </>
        )}
      </td>
    </>
  )
}
