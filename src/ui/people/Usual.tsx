import { To } from '@/ui/To'
import { formatDayShort, type Day } from '@/core/day'
import { decimal, formatPrice, formatQuantity } from '@/core/money'
import type { UsualRow } from '@/model/sale/usualGoods'
import { Empty } from '../Empty'
import { ListExport } from '../list/ListExport'
import { LedgerHead, right, unseen } from '@/ui/LedgerHead'

interface Props {
  readonly customerId: number
  readonly rows: readonly UsualRow[]
  readonly today: Day
  readonly currency: string
}

/** What a customer usually takes; a row's key puts it on a new sale in the quantity of last time. */
export const Usual = ({ customerId, rows, today, currency }: Props) => (
  <section className="mt-7">
    <div className="mb-1 flex items-end justify-between gap-3">
      <h2>Usually buys</h2>
      {rows.length > 0 && <ListExport name="usual" query={{ customer: String(customerId) }} />}
    </div>
    {rows.length === 0 ? (
      <Empty>No purchases yet.</Empty>
    ) : (
      <div className="overflow-x-auto">
        <table className="ledger list small sm:min-w-150">
          <LedgerHead
            heads={[
              'Item',
              right('Last bought', 'whitespace-normal'),
              right('Last quantity and price', 'whitespace-normal'),
              right('Times, a month', 'whitespace-normal'),
              right('Available', 'whitespace-normal'),
              right('Price today', 'whitespace-normal'),
              unseen('Sell again'),
            ]}
          />
          <tbody>
            {rows.map((u) => {
              const { goods } = u.standing
              const shelf = goods.kind === 'stock' || goods.kind === 'kit'
              return (
                <tr key={u.goodsId}>
                  <td className="first sm:max-w-47.5 one-line">
                    <To className="block py-1 hover:underline one-line" href={`/goods/${u.goodsId}`}>
                      {goods.name}
                    </To>
                  </td>
                  <td className="r sub rest whitespace-nowrap">{formatDayShort(u.lastOn, today)}</td>
                  <td className="fig rest">
                    {formatQuantity(u.lastQuantity)} × {formatPrice(u.lastPrice, currency)}
                  </td>
                  <td className="fig rest" data-head="Times, a month">
                    {u.times}, {formatQuantity(u.perMonth)}
                  </td>
                  <td className="fig rest" data-head="Available">
                    {shelf ? formatQuantity(u.standing.available) : ''}
                  </td>
                  <td className="fig main" title={u.priceFrom}>
                    {formatPrice(decimal(u.price), currency)}
                  </td>
                  <td className="r rest">
                    <To
                      data-row
                      className="btn min-h-7 px-2 text-xs"
                      aria-label={`Sell again: ${goods.name}`}
                      href={`/sales/new?customer=${customerId}&take=${u.goodsId}x${u.lastQuantity.toString()}`}
                    >
                      Sell
                    </To>
                  </td>
                </tr>
              )
            })}
          </tbody>
        </table>
      </div>
    )}
  </section>
)
