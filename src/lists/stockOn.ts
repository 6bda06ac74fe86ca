import type { StockOnRow } from '@/model/goods/stockOn'
import { pieceHref } from '@/contract/pieceHref'
import { defineColumns, type About, type Column } from './column'
import { dayOf } from './days'
import { dayField, hiddenId } from './field'
import { defineList } from './list'

const pieceColumns = (expire: boolean): readonly Column<StockOnRow>[] => [
  {
    key: 'piece',
    head: 'Lot or serial',
    as: 'text',
    of: (r) => r.serial ?? r.lot,
    href: (r) => pieceHref(r) ?? `/goods/${r.goodsId}`,
    only: 'screen',
  },
  { key: 'lot', head: 'Lot', as: 'text', of: (r) => r.lot, only: 'file' },
  { key: 'serial', head: 'Serial', as: 'text', of: (r) => r.serial, only: 'file' },
  ...(expire
    ? [
        {
          key: 'expires',
          head: 'Expires',
          as: 'day' as const,
          of: (r: StockOnRow) => r.expires,
          tone: (r: StockOnRow, { today }: About) =>
            r.expires !== null && r.expires < today ? ('late' as const) : undefined,
        },
      ]
    : []),
]

const whichThing: readonly Column<StockOnRow>[] = [
  { key: 'code', head: 'Code', as: 'text', of: (r) => r.code, tone: 'quiet' },
  { key: 'name', head: 'Name', as: 'text', of: (r) => r.name, href: (r) => `/goods/${r.goodsId}` },
]

/** What a stock list says: where it lies where there are several places, which lot or serial where any is told apart. */
interface Shows {
  readonly several: boolean
  readonly told: boolean
  readonly expire: boolean
  /** It is all of one thing, on the page of that thing. */
  readonly one: boolean
}

export const stockOnColumns = ({ several, told, expire, one }: Shows) =>
  defineColumns<StockOnRow>([
    ...(one ? [] : whichThing),
    ...(told ? pieceColumns(expire) : []),
    ...(several ? [{ key: 'place', head: 'Place', as: 'text' as const, of: (r: StockOnRow) => r.place }] : []),
    { key: 'onHand', head: 'On hand', as: 'quantity', of: (r) => r.quantity },
    { key: 'unitCost', head: 'Unit cost', as: 'price', of: (r) => r.unitCost.round(4), tone: 'quiet' },
    { key: 'value', head: 'Stock value', as: 'money', of: (r) => r.value, sum: true, tone: 'strong' },
    // Where a thing lies in several piles they stand together, with what they come to.
    {
      key: 'worth',
      head: 'Item total',
      as: 'money',
      of: (r) => r.worth,
      only: (several || told) && !one ? undefined : 'file',
    },
  ])

export const stockOnList = defineList<StockOnRow>()({
  name: 'stock',
  title: 'Stock on a day',
  path: '/goods/stock',
  days: dayOf,
  fields: { asOf: dayField('As of'), goods: hiddenId('Goods') },
  columns: stockOnColumns({ several: true, told: true, expire: true, one: false }),
  opensBy: { by: 'worth', down: true },
  empty: 'Nothing was in stock on this day.',
  foot: { says: 'total', inFile: true },
  nothingFits: 'Nothing was in stock on this day.',
})
