'use client'
import { addressLine } from '@/core/people'
import { CommandForm } from '../../form/CommandForm'
import { FormDay, FormPick, FormSelect, FormText } from '../../form/inputs'
import { sayShort, type AsideLine } from '../sayShort'
import { Quantities, quantitiesOf, type PanelProps, type SheetLine } from './parts'
import { isEmptyRow } from '../../form/isEmptyRow'

const leftToThem = (l: SheetLine): string =>
  l.choice === 'optional' ? 'optional' : l.choice === 'alternative' ? `one of: ${l.choiceGroup}` : ''

const HOW = { 'by phone': 'By phone', 'in person': 'In person', 'by email': 'By email' } as const
const schema = () => import('@/contract/inputs/sales/agreeSale').then((m) => m.agreeSaleInput.omit({ saleId: true }))

const sayAgreed = (lines: readonly AsideLine[], customer: string): string => {
  const short = sayShort(lines)
  return short === '' ? `Order of ${customer} saved. Stock is set aside.` : `Order saved. ${short}`
}

/** What stock will be set aside, and what will be short. */
const Aside = ({ lines }: { readonly lines: readonly AsideLine[] }) => {
  const short = sayShort(lines)
  return (
    <p className={`mt-3 px-3 py-2 ${short === '' ? 'bg-paper-100' : 'bg-oxide-100'}`}>
      {short || 'Everything that is kept in stock is there and will be set aside.'}
    </p>
  )
}

/** The customer said yes: to what, who, how, by when, under which order of theirs. */
export const Agree = ({ sale, today, onClose }: PanelProps) => {
  const lines = sale.lines.filter((l) => Number(l.quantity) > 0)
  const start = {
    purchaseOrder: sale.purchaseOrder,
    wantedBy: sale.wantedBy,
    by: '',
    how: 'by phone',
    deliverTo: sale.deliverTo,
    lines: quantitiesOf(lines, (l) => (l.chosen ? l.quantity : '')),
  }
  return (
    <CommandForm
      method="POST"
      path={`/sales/${sale.id}/agree`}
      schema={schema}
      start={start}
      asBody={(d: typeof start) => ({ ...d, wantedBy: d.wantedBy || undefined })}
      skip={{ lines: isEmptyRow }}
      say={(s) => sayAgreed(s.lines, sale.customer)}
      preview={{ currency: sale.currency, say: (s) => <Aside lines={s.lines} /> }}
      onDone={onClose}
      submit="Save order"
    >
      <p>Accept all of it, or choose what they ordered. Stock is set aside; nothing is posted yet.</p>
      <Quantities name="lines" lines={lines} most={(l) => l.quantity} side={leftToThem} />
      <div className="grid grid-cols-2 gap-3">
        <FormText name="purchaseOrder" label="Customer PO number" most={80} />
        <FormDay name="wantedBy" label="Needed by" today={today} />
        <FormText name="by" label="Accepted by" most={200} />
        <FormPick name="how" label="How" options={HOW} />
      </div>
      {sale.addresses.length > 1 && (
        <div className="mt-3">
          <FormSelect
            name="deliverTo"
            label="Delivered to"
            options={[...new Set([sale.deliverTo, ...sale.addresses])].map((a) => ({
              value: a,
              name: addressLine(a) || 'None',
            }))}
          />
        </div>
      )}
    </CommandForm>
  )
}
