import { formatDigits } from '@/core/locale'
import { addressLine } from '@/core/people'
import type { Delivery } from '@/model/parcel/deliveries'
import { defineColumns } from './column'
import { dayField } from './field'
import { defineList } from './list'

const sayGoods = ({ lines }: Delivery): string =>
  lines.map((l) => `${formatDigits(l.quantity)} × ${l.description}`).join(', ')

/** What is delivered by ourselves: of one day it is the list of stops that goes along in the van, with what is to be collected. */
export const deliveriesList = defineList<Delivery>()({
  name: 'deliveries',
  title: 'Deliveries',
  path: '/deliveries',
  fields: { on: dayField('On') },
  columns: defineColumns<Delivery>([
    { key: 'on', head: 'Date', as: 'day', of: (d) => d.on, tone: 'quiet' },
    {
      key: 'customer',
      head: 'Customer',
      as: 'text',
      of: (d) => d.customer,
      note: (d) => d.phone || null,
      href: (d) => `/handovers/${d.id}`,
    },
    { key: 'address', head: 'Address', as: 'text', of: (d) => addressLine(d.address) },
    { key: 'phone', head: 'Phone', as: 'text', of: (d) => d.phone, only: 'file' },
    { key: 'note', head: 'Instructions', as: 'text', of: (d) => d.note, only: 'file' },
    { key: 'what', head: 'Goods', as: 'text', of: sayGoods, notOnPhone: true },
    { key: 'sale', head: 'Sale', as: 'text', of: (d) => String(d.saleNumber), href: (d) => `/sales/${d.saleId}` },
    { key: 'open', head: 'To collect', as: 'money', of: (d) => d.open, sum: true, blankZero: true },
  ]),
  opensBy: { by: 'on', down: true },
  empty: 'Nothing was delivered by ourselves yet. Choose “Delivered” when goods are handed over.',
  foot: { says: 'total', inFile: true },
  nothingFits: 'No stops on this day.',
})
