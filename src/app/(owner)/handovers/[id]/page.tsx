import { formatQuantity } from '@/core/money'
import { readHandover } from '@/model/sale/handoverPage'
import type { Metadata } from 'next'
import { To } from '@/ui/To'
import { notFound } from 'next/navigation'
import { formatDay } from '@/core/day'
import { InTheBooks } from '@/ui/books/EntryLines'
import { Figure } from '@/ui/Figure'
import { Heading } from '@/ui/Heading'
import { WriteLetter } from '@/ui/post/WriteLetter'
import { goodsThatMayComeBack } from '@/services/sales/returnGoods'
import { GoodsBack } from '@/ui/sale/GoodsBack'
import { idFrom, openShop } from '../../_shop'
import { LedgerHead, right } from '@/ui/LedgerHead'

export const metadata: Metadata = { title: 'Handover' }
const BY = { counter: 'Picked up', parcel: 'Shipped', delivery: 'delivered' } as const

export default async function HandoverPage({ params }: { params: Promise<{ id: string }> }) {
  const shop = await openShop()
  const { db, currency, today } = shop
  const { paper, posted } = (await readHandover(shop, await idFrom(params))) ?? notFound()
  const mayComeBack = await goodsThatMayComeBack(db, paper, currency)
  return (
    <>
      <Heading
        above={
          <To href={`/sales/${paper.saleId}`} className="underline">
            Sale {paper.saleNumber}, {paper.customer}
          </To>
        }
        title={`${paper.direction === 'out' ? 'Handover' : 'Return'} ${paper.number}`}
        beside={
          paper.direction === 'out'
            ? `${formatDay(paper.on)}, ${BY[paper.by]}`
            : [formatDay(paper.on), paper.reason].filter(Boolean).join(', ')
        }
        action={
          paper.direction === 'out' && (
            <>
              <a className="btn" href={`/api/v1/export/papers/packing-slip/${paper.id}.pdf`} target="_blank">
                Packing slip (PDF)
              </a>
              <WriteLetter paper="packing-slip" paperId={paper.id} />
              {mayComeBack.length > 0 && (
                <GoodsBack
                  handoverId={paper.id}
                  number={paper.number}
                  today={today}
                  lines={mayComeBack.map((l) => ({ ...l, quantity: l.quantity.toString() }))}
                />
              )}
            </>
          )
        }
      />
      <table className="ledger max-w-160">
        <LedgerHead heads={['Description', right('Quantity'), right('Cost')]} />
        <tbody>
          {paper.lines.map((l) => (
            <tr key={l.id}>
              <td>{l.description}</td>
              <td className="fig">{formatQuantity(l.quantity)}</td>
              <td className="r">
                <Figure of={l.cost} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <InTheBooks {...posted} />
    </>
  )
}
