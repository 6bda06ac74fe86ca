import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { formatDay, type Day } from '@/core/day'
import { formatDigits } from '@/core/locale'
import { decimal, formatPrice, type Decimal } from '@/core/money'
import { PURCHASE_STATUS_NAMES } from '@/core/names'
import { readOrderPage } from '@/model/buying/pages'
import { FigureCell } from '@/ui/FigureCell'
import { OrderActs } from '@/ui/buying/OrderActs'
import { Heading } from '@/ui/Heading'
import { LedgerHead, right } from '@/ui/LedgerHead'
import { To } from '@/ui/To'
import { idFrom, openShop } from '../../../_shop'

export const metadata: Metadata = { title: 'Purchase order' }

export default async function OrderPage({ params }: { params: Promise<{ id: string }> }) {
  const shop = await openShop()
  const { order, tracks, codes, places, letters, priceChanges } =
    (await readOrderPage(shop, await idFrom(params))) ?? notFound()
  const says = [
    PURCHASE_STATUS_NAMES[order.status],
    formatDay(order.on),
    order.wantedBy ? `needed by ${formatDay(order.wantedBy)}` : '',
    order.confirmedFor ? `confirmed for ${formatDay(order.confirmedFor)}` : '',
    order.version > 1 ? `version ${order.version}` : '',
    order.direct ? 'straight to the customer' : '',
    order.changed ? 'changed since it was sent' : '',
    order.closedReason,
  ]
  return (
    <>
      <Heading
        above={
          <To href={`/buying/suppliers/${order.supplierId}`} className="underline">
            {order.supplier}
          </To>
        }
        title={`Purchase order ${order.number}`}
        beside={says.filter(Boolean).join(', ')}
        action={
          <OrderActs
            id={order.id}
            number={order.number}
            status={order.status}
            changed={order.changed}
            supplierId={order.supplierId}
            canInvoice={order.lines.some((l) => Number(l.toBill) > 0)}
            direct={order.direct}
            canGoDirect={order.lines.every((l) => l.saleId !== null)}
            today={shop.today}
            places={places}
            lines={order.lines
              .filter((l) => l.goodsId !== null && Number(l.toReceive) > 0)
              .map((l) => ({
                id: l.id,
                description: l.description,
                toReceive: l.toReceive,
                track: tracks.get(l.id) ?? 'none',
                codes: codes.get(l.id) ?? [],
              }))}
          />
        }
      />
      <table className="ledger list small max-w-4xl">
        <LedgerHead
          heads={[
            'Description',
            right('Ordered'),
            right('Received'),
            right('To come'),
            right('Not billed'),
            right('Cost of one'),
          ]}
        />
        <tbody>
          {order.lines.map((l) => (
            <tr key={l.id}>
              <td className="first max-w-none">
                {l.goodsId === null ? (
                  l.description
                ) : (
                  <To className="hover:underline" href={`/goods/${l.goodsId}`}>
                    {l.description}
                  </To>
                )}
                <PriceChange change={priceChanges.get(l.id)} currency={shop.currency} />
                {l.saleId !== null && (
                  <To className="sub ml-2 underline" href={`/sales/${l.saleId}`}>
                    for a sale
                  </To>
                )}
              </td>
              <FigureCell head="Ordered">{formatDigits(l.ordered)}</FigureCell>
              <FigureCell head="Received">{formatDigits(l.received)}</FigureCell>
              <FigureCell head="To come">{formatDigits(l.toReceive)}</FigureCell>
              <FigureCell head="Not billed">{formatDigits(l.toBill)}</FigureCell>
              <FigureCell head="Cost of one">{formatPrice(decimal(l.unitCost), shop.currency)}</FigureCell>
            </tr>
          ))}
          <tr className="total">
            <td colSpan={5} className="r">
              Net
            </td>
            <td className="fig">{formatDigits(order.totals.net)}</td>
          </tr>
        </tbody>
      </table>
      {order.note && <p className="mt-3 max-w-prose whitespace-pre-line">{order.note}</p>}
      {letters.length > 0 && (
        <section className="mt-6">
          <h2>Mail</h2>
          {letters.map((l) => (
            <p key={l.id}>
              <To className="underline" href={`/post/${l.id}`}>
                {l.subject}
              </To>{' '}
              <span className="sub">
                {l.recipient}, {formatDay(l.sentOn ?? l.writtenOn)}
              </span>
            </p>
          ))}
        </section>
      )}
    </>
  )
}

interface PriceChangeProps {
  readonly change?: { readonly unitCost: Decimal; readonly on: Day; readonly sellsAt: Decimal }
  readonly currency: string
}

/** That a thing costs another price than it did last, and what it sells for. */
const PriceChange = ({ change, currency }: PriceChangeProps) =>
  change && (
    <div className="sub">
      last billed at {formatPrice(change.unitCost, currency)} on {formatDay(change.on)}; sells at{' '}
      {formatPrice(change.sellsAt, currency)}
    </div>
  )
