import bwipjs from 'bwip-js/node'
import { formatQuantity } from '@/core/money'
import type { ParcelLabel } from '@/documents/draw/drawParcelLabels'
import { readParcelsOf } from '@/model/parcel/parcels'
import type { Asked } from '@/model/where'
import { drawElsewhere } from './drawElsewhere'
import { fileName, type NamedFile } from './fileName'

/** The labels of a handover's parcels, one a page; null where it had none. */
export const makeParcelLabels = async (asked: Asked, handoverId: number): Promise<NamedFile | null> => {
  const of = await readParcelsOf(asked, handoverId)
  if (!of || of.parcels.length === 0) return null
  const { business } = asked
  const labels: ParcelLabel[] = []
  for (const [i, p] of of.parcels.entries())
    labels.push({
      from: [business.name, business.address].filter(Boolean).join('\n'),
      to: [of.customer, p.address].filter(Boolean).join('\n'),
      service: [p.carrier, p.service].filter(Boolean).join(' '),
      weight: `${formatQuantity(p.weight)} kg`,
      tracking: p.tracking,
      about: `${of.number}   ${i + 1} of ${of.parcels.length}`,
      bars: p.tracking ? await bwipjs.toBuffer({ bcid: 'code128', text: p.tracking, height: 16, scale: 3 }) : null,
    })
  return { body: await drawElsewhere({ as: 'parcel-labels', labels }), name: fileName('label', of.number, 'pdf') }
}
