import type { StockOnRow } from '@/model/goods/stockOn'
import { pieceHref } from '@/contract/pieceHref'
import { defineColumns, type Column } from './column'
import { dayField, hiddenId } from './field'
import { defineList } from './list'

const pieceColumns: readonly Column<StockOnRow>[] = [
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
  {
    key: 'expires',
    head: 'Expires',
    as: 'day',
    of: (r) => r.expires,
    tone: (r, { today }) => (r.expires !== null && r.expires < today ? 'late' : undefined),
  },
]

/** What a stock list says: where it lies where there are several places, which lot or serial where any is told apart. */
export const stockOnColumns = ({ several, told }: { readonly several: boolean; readonly told: boolean }) =>
  defineColumns<StockOnRow>([
    { key: 'code', head: 'Code', as: 'text', of: (r) => r.code, tone: 'quiet' },
    { key: 'name', head: 'Name', as: 'text', of: (r) => r.name, href: (r) => `/goods/${r.goodsId}` },
    ...(told ? pieceColumns : []),
    ...(several ? [{ key: 'place', head: 'Place', as: 'text' as const, of: (r: StockOnRow) => r.place }] : []),
    { key: 'onHand', head: 'On hand', as: 'quantity', of: (r) => r.quantity },
    { key: 'unitCost', head: 'Unit cost', as: 'price', of: (r) => r.unitCost.toDecimalPlaces(4), tone: 'quiet' },
    { key: 'value', head: 'Stock value', as: 'money', of: (r) => r.value, sum: true, tone: 'strong' },
  ])

export const stockOnList = defineList<StockOnRow>()({
  name: 'stock',
  title: 'Stock on a day',
  path: '/goods/stock',
  fields: { asOf: dayField('As of'), goods: hiddenId('Goods') },
  columns: stockOnColumns({ several: true, told: true }),
  opensBy: { by: 'value', down: true },
  empty: 'Nothing was in stock on this day.',
  foot: { says: 'total', inFile: true },
  nothingFits: 'Nothing was in stock on this day.',
})
