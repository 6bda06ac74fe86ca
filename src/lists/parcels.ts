import { addressLine } from '@/core/people'
import { PARCEL_STATE_NAMES } from '@/core/names'
import type { SentParcel } from '@/model/parcel/parcels'
import { defineColumns } from './column'
import { dayField, links } from './field'
import { defineList } from './list'

/** What was sent, and where the carrier has it; of one day it is the manifest that goes along with the carrier. */
export const parcelsList = defineList<SentParcel>()({
  name: 'parcels',
  title: 'Parcels',
  path: '/parcels',
  fields: {
    state: links('Where they are', {
      sent: PARCEL_STATE_NAMES.sent,
      delivered: PARCEL_STATE_NAMES.delivered,
      lost: PARCEL_STATE_NAMES.lost,
    }),
    sentOn: dayField('Sent on'),
  },
  columns: defineColumns<SentParcel>([
    { key: 'sentOn', head: 'Sent', as: 'day', of: (p) => p.sentOn, tone: 'quiet' },
    {
      key: 'customer',
      head: 'Customer',
      as: 'text',
      of: (p) => p.customer,
      href: (p) => `/handovers/${p.handoverId ?? 0}`,
    },
    { key: 'sale', head: 'Sale', as: 'text', of: (p) => String(p.saleNumber), href: (p) => `/sales/${p.saleId}` },
    { key: 'tracking', head: 'Tracking number', as: 'text', of: (p) => p.tracking, note: (p) => p.service || null },
    { key: 'carrier', head: 'Carrier', as: 'text', of: (p) => p.carrier, only: 'file' },
    { key: 'service', head: 'Service', as: 'text', of: (p) => p.service, only: 'file' },
    { key: 'weight', head: 'Weight, kg', as: 'quantity', of: (p) => p.weight, sum: true },
    { key: 'size', head: 'Size, cm', as: 'text', of: (p) => p.size, notOnPhone: true },
    { key: 'address', head: 'Address', as: 'text', of: (p) => addressLine(p.address), only: 'file' },
    { key: 'price', head: 'Cost', as: 'money', of: (p) => p.price, tone: 'strong', sum: true },
    {
      key: 'state',
      head: 'Status',
      as: 'text',
      of: (p) => PARCEL_STATE_NAMES[p.state],
      tone: (p) => (p.state === 'lost' ? 'late' : p.state === 'delivered' ? 'paid' : undefined),
    },
  ]),
  opensBy: { by: 'sentOn', down: true },
  empty: 'Nothing was sent by a carrier yet.',
  foot: { says: 'total', inFile: true },
  nothingFits: 'No parcels here.',
})
