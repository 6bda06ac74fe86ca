import type { Day } from '@/core/day'
import { GOODS_KIND_NAMES } from '@/core/names'
import { readGoodsPage } from '@/model/goods/goodsPage'
import { formatDayAndMonth } from '@/core/day'
import { present } from '@/core/present'
import type { Metadata } from 'next'
import { To } from '@/ui/To'
import { notFound } from 'next/navigation'
import { formatPrice, formatMoney, formatQuantity } from '@/core/money'
import { Files } from '@/ui/files/Files'
import type { GoodsDraft } from '@/ui/goods/goodsDraft'
import { readWhereItLies, type PlaceWithGoods } from '@/model/goods/placesOf'
import { GoodsActs } from '@/ui/goods/GoodsActs'
import { GoodsForm } from '@/ui/goods/GoodsForm'
import { LedgerHead, right } from '@/ui/LedgerHead'
import { ByMistake } from '@/ui/ByMistake'
import { Facts } from '@/ui/Facts'
import { Heading } from '@/ui/Heading'
import { ListExport } from '@/ui/list/ListExport'
import { ListRows, type OpenList } from '@/ui/list/ListView'
import { stockCard, stockOn } from '@/api/lists/sales'
import type { CardLine } from '@/model/goods/goodsPage'
import { openList } from '../../_list'
import { idFrom, openShop, queryOf, type Search } from '../../_shop'

export const metadata: Metadata = { title: 'Goods' }

interface Props {
  readonly params: Promise<{ id: string }>
  readonly searchParams: Search
}

export default async function GoodsPage({ params, searchParams }: Props) {
  const shop = await openShop()
  const { currency, today } = shop
  const page = (await readGoodsPage(shop, await idFrom(params))) ?? notFound()
  const { standing: g, codes, incomes, levels, places: allPlaces, files, parts, moved } = page
  const { goods } = g
  // A kit lies somewhere too as far as it is assembled.
  const kit = goods.kind === 'kit' && goods.parts.length > 0
  const lies = goods.kind === 'stock' || (kit && (moved || g.shelf.quantity.gt(0)))
  const places = goods.kind === 'stock' || kit ? await readWhereItLies(shop, goods) : []
  const pieces =
    goods.track === 'none' ? null : await openList(stockOn, shop, { goods: String(goods.id) }, `/goods/${goods.id}`)
  const card = lies
    ? await openList(
        stockCard,
        shop,
        { ...(await queryOf(searchParams)), goods: String(goods.id) },
        `/goods/${goods.id}`,
      )
    : null
  const draft = goodsDraftOf(page)
  return (
    <>
      <Heading
        above={`${goods.code} · ${GOODS_KIND_NAMES[goods.kind]}${goods.retired ? ' · Discontinued' : ''}`}
        title={goods.name}
        beside={[
          goods.tags.join(', '),
          goods.weight ? `${formatQuantity(goods.weight)} kg` : '',
          goods.size,
          goods.onShopfront ? 'in the online shop' : '',
        ]
          .filter(Boolean)
          .join(' · ')}
        action={
          <GoodsActs
            id={goods.id}
            name={goods.name}
            code={goods.code}
            kept={lies}
            assembled={kit ? g.shelf.quantity.toString() : undefined}
            currency={currency}
            today={today}
            places={places}
            track={goods.track}
          />
        }
      />
      <div className="flex flex-wrap items-start gap-x-14">
        <Figures of={g} coming={page.coming} currency={currency} />
        {lies && places.length > 1 && goods.track === 'none' && <WhereItLies places={places} />}
      </div>
      {pieces && pieces.rows.length > 0 && (
        <section className="mb-7 max-w-4xl">
          <div className="mb-1 flex items-end justify-between gap-3">
            <h2>{goods.track === 'serial' ? 'Serials in stock' : 'Lots in stock'}</h2>
            <ListExport name="stock" query={pieces.query} />
          </div>
          <ListRows open={pieces} about={shop} />
        </section>
      )}
      {goods.parts.length > 0 && (
        <p className="mb-5">
          One kit is{' '}
          {goods.parts.map((p) => `${formatQuantity(p.quantity)} ${parts.get(p.goodsId)?.name ?? ''}`).join(', ')}.
        </p>
      )}
      <div className="grid gap-x-10 gap-y-7 lg:grid-cols-[360px_1fr]">
        <section>
          <h2>Details</h2>
          <GoodsForm
            key={JSON.stringify(draft)}
            id={goods.id}
            edition={page.view.edition}
            currency={currency}
            today={today}
            codes={codes.map((c) => ({ code: c.code, name: c.name }))}
            accounts={incomes}
            moved={moved}
            places={allPlaces}
            levels={levels.map((l) => ({ code: l.code, name: l.name }))}
            reorder={page.reorder}
            start={draft}
          />
          {page.unused && <ByMistake path={`/goods/${goods.id}`} what={goods.name} go="/goods" />}
        </section>
        <div className="grid min-w-0 content-start gap-7">
          <section>
            {goods.pictureFileId !== null && (
              // oxlint-disable-next-line nextjs/no-img-element -- kept in the database, shown as it is
              <img
                src={`/api/v1/export/files/${goods.pictureFileId}`}
                alt={goods.name}
                className="mb-3 max-h-55 max-w-full border border-paper-300 object-contain"
              />
            )}
            <Files ownerKind="goods" ownerId={goods.id} files={files} label="Pictures and files" />
          </section>
          {card && <StockCard shop={shop} open={card} code={goods.code} />}
        </div>
      </div>
    </>
  )
}

/** How many lie in each place, and what they are worth. */
const WhereItLies = ({ places }: { readonly places: readonly PlaceWithGoods[] }) => (
  <table className="ledger mb-6 w-auto min-w-80">
    <LedgerHead heads={['Place', right('On hand'), right('Stock value')]} />
    <tbody>
      {places.map((p) => (
        <tr key={p.id}>
          <td>{p.name}</td>
          <td className="fig">{p.onHand}</td>
          <td className="fig">{p.value}</td>
        </tr>
      ))}
    </tbody>
  </table>
)

/** What came and went, and what was there after each. */
const StockCard = ({
  shop,
  open,
  code,
}: {
  readonly shop: Awaited<ReturnType<typeof openShop>>
  readonly open: OpenList<CardLine>
  readonly code: string
}) => (
  <section className="min-w-0">
    <div className="mb-1 flex items-end justify-between gap-3">
      <h2>Stock card</h2>
      {open.rows.length > 0 && <ListExport name="stock-card" query={open.query} />}
    </div>
    {open.rows.length === 0 ? (
      <p className="sub">
        Nothing came or went yet.{' '}
        <To className="underline" href={`/goods/count?search=${encodeURIComponent(code)}`}>
          Count it
        </To>{' '}
        to put in what is there.
      </p>
    ) : (
      <ListRows open={open} about={shop} />
    )}
  </section>
)

type Page = NonNullable<Awaited<ReturnType<typeof readGoodsPage>>>

const stepDraftOf = (p: {
  readonly fromQuantity: string
  readonly validFrom: Day | null
  readonly validUntil: Day | null
}) => ({
  fromQuantity: p.fromQuantity === '0' ? '' : p.fromQuantity,
  validFrom: p.validFrom ?? '',
  validUntil: p.validUntil ?? '',
})

/** Goods as their form begins with them. */
const goodsDraftOf = ({ standing: g, accounts, view, parts }: Page): GoodsDraft => {
  const { goods } = g
  return {
    code: goods.code,
    name: goods.name,
    kind: goods.kind,
    price: goods.price.toString(),
    taxCode: g.taxCode,
    incomeAccount: present(accounts.find((a) => a.id === goods.incomeAccountId)).code,
    barcode: goods.barcode,
    note: goods.note,
    tags: goods.tags.join(', '),
    weight: goods.weight?.toString() ?? '',
    size: goods.size,
    reorderAt: goods.reorderAt?.toString() ?? '',
    track: goods.track,
    costing: goods.costing,
    warrantyMonths: goods.warrantyMonths === null ? '' : String(goods.warrantyMonths),
    placeId: goods.placeId === null ? '' : String(goods.placeId),
    priceIsSum: goods.priceIsSum,
    onShopfront: goods.onShopfront,
    retired: goods.retired,
    prices: view.prices.map((p) => ({ ...p, ...stepDraftOf(p) })),
    suppliers: view.suppliers.map((s) => ({
      ...s,
      unitCost: s.unitCost ?? '',
      prices: s.prices.map((p) => ({ ...p, ...stepDraftOf(p) })),
    })),
    parts: goods.parts.map((p) => ({
      goodsId: p.goodsId,
      name: parts.get(p.goodsId)?.name ?? '',
      quantity: p.quantity.toString(),
    })),
  }
}

const COST_NAMES = {
  average: 'Average cost',
  fifo: 'Average of what is here',
  unit: 'Average of what is here',
} as const

/** How it stands on the shelf; nothing for work and charges. */
const Figures = ({
  of: g,
  coming,
  currency,
}: {
  readonly of: Page['standing']
  readonly coming: Page['coming']
  readonly currency: string
}) => {
  const { kind } = g.goods
  if (kind !== 'stock' && kind !== 'kit') return null
  const figures: readonly (readonly [string, string])[] =
    kind === 'stock'
      ? [
          ['On hand', formatQuantity(g.onHand)],
          ['Set aside', formatQuantity(g.setAside)],
          ['Available', formatQuantity(g.available)],
          ...(coming
            ? [
                [
                  'On order',
                  `${formatQuantity(coming.quantity)}${coming.on ? `, comes ${formatDayAndMonth(coming.on)}` : ''}`,
                ] as const,
              ]
            : []),
          [COST_NAMES[g.goods.costing], formatPrice(g.unitCost.round(4), currency)],
          ['Stock value', formatMoney(g.shelf.value)],
        ]
      : [
          ['Assembled', formatQuantity(g.shelf.quantity)],
          ['Can be assembled', formatQuantity(g.available.minus(g.shelf.quantity.minus(g.setAside)))],
          ['Cost of parts', formatPrice(g.unitCost.round(2), currency)],
        ]
  return <Facts facts={figures} />
}
