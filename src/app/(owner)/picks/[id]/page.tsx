import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { formatDay } from '@/core/day'
import { PICK_STATE_NAMES } from '@/core/names'
import { readPickPage } from '@/model/parcel/picks'
import { Heading } from '@/ui/Heading'
import { DropPick } from '@/ui/parcels/DropPick'
import { PackDesk } from '@/ui/parcels/PackDesk'
import { PickDesk } from '@/ui/parcels/PickDesk'
import { SendDesk } from '@/ui/parcels/SendDesk'
import { To } from '@/ui/To'
import { idFrom, openShop } from '../../_shop'

export const metadata: Metadata = { title: 'Pick list' }

export default async function PickPage({ params }: { params: Promise<{ id: string }> }) {
  const shop = await openShop()
  const page = (await readPickPage(shop, await idFrom(params))) ?? notFound()
  const { pick, lines, whole, places, parcels, address } = page
  const packable = whole
    .filter((l) => l.quantity.gt(0))
    .map(({ quantity, ...l }) => ({ ...l, picked: quantity.toString() }))
  return (
    <>
      <Heading
        above={
          <To href={`/sales/${pick.saleId}`} className="underline">
            Sale {pick.saleNumber}, {pick.customer}
          </To>
        }
        title={`Pick list ${pick.number}`}
        beside={[PICK_STATE_NAMES[pick.state], pick.wantedBy ? `needed by ${formatDay(pick.wantedBy)}` : '']
          .filter(Boolean)
          .join(', ')}
        action={
          pick.state !== 'sent' && (
            <>
              <a className="btn" href={`/api/v1/export/papers/pick-list/${pick.saleId}.pdf`} target="_blank">
                On paper (PDF)
              </a>
              <DropPick pickId={pick.id} number={pick.number} saleId={pick.saleId} />
            </>
          )
        }
      />
      {pick.state === 'sent' ? (
        <p>
          It was sent:{' '}
          <To className="underline" href={`/handovers/${pick.handoverId ?? 0}`}>
            see the handover
          </To>
          .
        </p>
      ) : (
        <>
          <PickDesk
            key={`pick ${JSON.stringify(lines)}`}
            pickId={pick.id}
            number={pick.number}
            lines={lines}
            places={places.map((p) => ({ id: p.id, name: p.name }))}
            done={pick.state !== 'to pick'}
          />
          {pick.state !== 'to pick' && packable.length > 0 && (
            <PackDesk
              key={`pack ${JSON.stringify(packable)} ${parcels.length}`}
              pickId={pick.id}
              number={pick.number}
              lines={packable}
              start={parcels.map((p) => ({
                weight: p.weight.toString(),
                size: p.size,
                quantities: Object.fromEntries(p.lines.map((l) => [l.lineId, l.quantity.toString()])),
              }))}
              done={pick.state === 'packed'}
            />
          )}
          <SendDesk
            key={`send ${parcels.length}`}
            pickId={pick.id}
            today={shop.today}
            customer={pick.customer}
            address={parcels[0]?.address ?? address}
            parcels={parcels.map((p) => ({ weight: p.weight.toString(), size: p.size }))}
            unpicked={pick.state === 'to pick'}
            isShort={pick.state !== 'to pick' && lines.some((l) => l.wanted !== l.picked)}
            currency={shop.currency}
          />
        </>
      )}
    </>
  )
}
