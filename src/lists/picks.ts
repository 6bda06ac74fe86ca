import { PICK_STATE_NAMES } from '@/core/names'
import type { PickOnList } from '@/model/parcel/picks'
import { defineColumns } from './column'
import { links } from './field'
import { defineList } from './list'

export const picksList = defineList<PickOnList>()({
  name: 'picks',
  title: 'Pick lists',
  path: '/picks',
  fields: { state: links('How far they are', PICK_STATE_NAMES) },
  columns: defineColumns<PickOnList>([
    { key: 'number', head: 'Number', as: 'text', of: (p) => p.number, href: (p) => `/picks/${p.id}` },
    { key: 'customer', head: 'Customer', as: 'text', of: (p) => p.customer, note: (p) => `sale ${p.saleNumber}` },
    { key: 'on', head: 'Made', as: 'day', of: (p) => p.on, tone: 'quiet' },
    { key: 'wantedBy', head: 'Needed by', as: 'day', of: (p) => p.wantedBy },
    { key: 'wanted', head: 'To pick', as: 'quantity', of: (p) => p.wanted },
    { key: 'picked', head: 'Picked', as: 'quantity', of: (p) => (p.state === 'to pick' ? null : p.picked) },
    {
      key: 'state',
      head: 'Status',
      as: 'text',
      of: (p) => PICK_STATE_NAMES[p.state],
      tone: (p) => (p.state === 'sent' ? 'paid' : undefined),
    },
  ]),
  opensBy: { by: 'number', down: true },
  empty: 'No pick lists yet. Choose “Pick” on a sale whose goods are in stock.',
  nothingFits: 'No pick lists here.',
})
