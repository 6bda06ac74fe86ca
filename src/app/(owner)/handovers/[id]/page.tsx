import { formatQuantity } from '@/core/money'
import { HANDOVER_BY_NAMES, PARCEL_STATE_NAMES } from '@/core/names'
import { formatDigits } from '@/core/locale'
import type { ParcelView } from '@/model/parcel/pickView'
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

export default async function HandoverPage({ params }: { params: Promise<{ id: string }> }) {
  const shop = await openShop()
  const { db, currency, today } = shop
  const { paper, posted, view, pieces, places } = (await readHandover(shop, await idFrom(params))) ?? notFound()
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
            ? `${formatDay(paper.on)}, ${HANDOVER_BY_NAMES[paper.by]}`
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
                  places={places.map((p) => ({ id: p.id, name: p.name }))}
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
              <td>
                {l.description}
                {pieces.get(l.saleLineId) && <div className="sub">{pieces.get(l.saleLineId)}</div>}
              </td>
              <td className="fig">{formatQuantity(l.quantity)}</td>
              <td className="r">
                <Figure of={l.cost} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {view.parcels.length > 0 && <Parcels handoverId={paper.id} parcels={view.parcels} />}
      <InTheBooks {...posted} />
    </>
  )
}

interface ParcelsProps {
  readonly handoverId: number
  readonly parcels: readonly ParcelView[]
}

/** What it went in, and where the carrier has it. */
const Parcels = ({ handoverId, parcels }: ParcelsProps) => (
  <section className="my-5">
    <div className="mb-1 flex max-w-245 items-end justify-between gap-3">
      <h2>Parcels</h2>
      <a className="btn" href={`/api/v1/export/handovers/${handoverId}/labels.pdf`} target="_blank">
        Labels (PDF)
      </a>
    </div>
    <table className="ledger max-w-245">
      <LedgerHead heads={['Carrier', 'Tracking number', right('Weight, kg'), 'Size, cm', right('Cost'), 'Status']} />
      <tbody>
        {parcels.map((p) => (
          <tr key={p.id}>
            <td>{[p.carrier, p.service].filter(Boolean).join(' ')}</td>
            <td className="font-figure text-[14px]">{p.tracking}</td>
            <td className="fig">{formatDigits(p.weight)}</td>
            <td>{p.size}</td>
            <td className="fig">{p.price && formatDigits(p.price)}</td>
            <td className={p.state === 'lost' ? 'text-oxide-700' : undefined}>
              {PARCEL_STATE_NAMES[p.state]}
              {p.arrivedOn && ` ${formatDay(p.arrivedOn)}`}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  </section>
)
