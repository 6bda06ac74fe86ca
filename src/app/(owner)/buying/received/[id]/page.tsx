import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { formatDay } from '@/core/day'
import { formatDigits } from '@/core/locale'
import { readReceivedPage } from '@/model/buying/pages'
import { InTheBooks } from '@/ui/books/EntryLines'
import { Heading } from '@/ui/Heading'
import { LedgerHead, right } from '@/ui/LedgerHead'
import { To } from '@/ui/To'
import { idFrom, openShop } from '../../../_shop'

export const metadata: Metadata = { title: 'Goods received' }

export default async function ReceivedPage({ params }: { params: Promise<{ id: string }> }) {
  const shop = await openShop()
  const { paper, posted } = (await readReceivedPage(shop, await idFrom(params))) ?? notFound()
  const toBill = paper.lines.some((l) => Number(l.toBill) > 0)
  return (
    <>
      <Heading
        above={
          <To href={`/buying/suppliers/${paper.supplierId}`} className="underline">
            {paper.supplier}
          </To>
        }
        title={`Goods received ${paper.number}`}
        beside={formatDay(paper.on)}
        action={
          <>
            {paper.purchaseOrderId !== null && (
              <To className="btn" href={`/buying/orders/${paper.purchaseOrderId}`}>
                Order
              </To>
            )}
            {toBill && (
              <To className="btn btn-do" data-primary href={`/buying/bills/new?supplier=${paper.supplierId}`}>
                Enter bill
              </To>
            )}
          </>
        }
      />
      <table className="ledger max-w-3xl">
        <LedgerHead heads={['Item', right('Quantity'), right('Cost of one'), right('Not billed')]} />
        <tbody>
          {paper.lines.map((l) => (
            <tr key={l.id}>
              <td>
                <To className="hover:underline" href={`/goods/${l.goodsId}`}>
                  {l.name}
                </To>
              </td>
              <td className="fig">{formatDigits(l.quantity)}</td>
              <td className="fig">{formatDigits(l.unitCost)}</td>
              <td className="fig">{formatDigits(l.toBill)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {paper.canGo.length > 0 && (
        <p className="mt-3">
          Can go now:{' '}
          {paper.canGo.map((c) => (
            <To key={c.saleId} className="mr-3 underline" href={`/sales/${c.saleId}`}>
              sale {c.number}, {c.customer}
            </To>
          ))}
        </p>
      )}
      <InTheBooks {...posted} />
    </>
  )
}
