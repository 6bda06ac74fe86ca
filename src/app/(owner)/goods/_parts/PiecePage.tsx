import { notFound } from 'next/navigation'
import { stockCard } from '@/api/lists/sales'
import { formatDay, type Day } from '@/core/day'
import { formatMoney, formatQuantity, sumMoney } from '@/core/money'
import { present } from '@/core/present'
import { readPieceLife, type PieceLife } from '@/model/goods/lifeOf'
import { Facts } from '@/ui/Facts'
import { Heading } from '@/ui/Heading'
import { ListExport } from '@/ui/list/ListExport'
import { ListRows } from '@/ui/list/ListView'
import { To } from '@/ui/To'
import { openList } from '../../_list'
import { openShop, queryOf, type Search } from '../../_shop'

interface Props {
  readonly by: 'serial' | 'lot'
  /** As it stands in the address. */
  readonly name: string
  readonly searchParams: Search
}

/** A serial or a lot: where it is, what it is worth, who has it, and everything that happened to it. */
export const PiecePage = async ({ by, name: encoded, searchParams }: Props) => {
  const shop = await openShop()
  const query = await queryOf(searchParams)
  const name = decodeURIComponent(encoded)
  const goodsId = /^\d{1,9}$/.test(query.goods ?? '') ? Number(query.goods) : undefined
  const piece = (await readPieceLife(shop, by, name, goodsId)) ?? notFound()
  const first = present(piece.batches[0])
  const own = `/goods/${by === 'serial' ? 'serials' : 'lots'}/${encoded}`
  const open = await openList(stockCard, shop, { ...query, goods: String(piece.goods.id), [by]: name }, own)
  return (
    <>
      <Heading
        above={
          <To className="underline" href={`/goods/${piece.goods.id}`}>
            {piece.goods.name}
          </To>
        }
        title={`${by === 'serial' ? 'Serial' : 'Lot'} ${first.serial ?? first.lot ?? ''}`}
        action={<ListExport name="stock-card" query={open.query} />}
      />
      <Facts facts={factsOf(piece, shop.currency, shop.today)} />
      <Holders piece={piece} />
      <h2 className="mb-1">What happened to it</h2>
      <ListRows open={open} about={shop} className="max-w-4xl" />
    </>
  )
}

const factsOf = (
  { batches, here, warrantyUntil, holders }: PieceLife,
  currency: string,
  today: Day,
): readonly (readonly [string, string])[] => {
  const expires = batches[0]?.expires ?? null
  const value = sumMoney(
    here.map((h) => h.value),
    currency,
  )
  return [
    ...here.map((h): readonly [string, string] => [`In ${h.place}`, formatQuantity(h.quantity)]),
    ...(here.length > 0 ? [['Stock value', formatMoney(value)] as const] : []),
    ...(here.length === 0 && holders.length === 0 ? [['In stock', 'none'] as const] : []),
    ...(expires ? [[expires < today ? 'Expired' : 'Expires', formatDay(expires)] as const] : []),
    ...(warrantyUntil
      ? [[warrantyUntil < today ? 'Warranty ended' : 'Under warranty until', formatDay(warrantyUntil)] as const]
      : []),
  ]
}

/** Who has pieces of it. */
const Holders = ({ piece }: { readonly piece: PieceLife }) =>
  piece.holders.length > 0 && (
    <p className="mb-5">
      {piece.holders.length === 1 && piece.goods.track === 'serial' ? 'It is with ' : 'Sold to '}
      {piece.holders.map((h, i) => (
        <span key={h.customerId}>
          {i > 0 && ', '}
          <To className="underline" href={`/people/${h.customerId}`}>
            {h.customer}
          </To>
          {piece.goods.track === 'lot' && ` (${formatQuantity(h.quantity)})`}
        </span>
      ))}
      .
    </p>
  )
