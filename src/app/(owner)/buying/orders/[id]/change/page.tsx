import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { readOrderPage } from '@/model/buying/pages'
import { OrderForm } from '@/ui/buying/OrderForm'
import { Heading } from '@/ui/Heading'
import { idFrom, openShop } from '../../../../_shop'

export const metadata: Metadata = { title: 'Change purchase order' }

export default async function ChangeOrder({ params }: { params: Promise<{ id: string }> }) {
  const shop = await openShop()
  const { order } = (await readOrderPage(shop, await idFrom(params))) ?? notFound()
  return (
    <>
      <Heading above={order.supplier} title={`Change purchase order ${order.number}`} />
      <div className="max-w-3xl">
        <OrderForm
          id={order.id}
          edition={order.edition}
          supplier={order.supplier}
          today={shop.today}
          start={{
            supplierId: String(order.supplierId),
            wantedBy: order.wantedBy ?? '',
            confirmedFor: order.confirmedFor ?? '',
            note: order.note,
            lines: order.lines.map((l) => ({
              lineId: l.id,
              ...(l.goodsId === null ? {} : { goodsId: l.goodsId }),
              ...(l.saleLineId === null ? {} : { saleLineId: l.saleLineId }),
              description: l.description,
              quantity: l.ordered,
              unitCost: l.unitCost,
            })),
          }}
        />
      </div>
    </>
  )
}
