'use client'
import { RemoveRow } from '../RemoveRow'
import { useFieldArray, useFormContext, useFormState } from 'react-hook-form'
import type { Day } from '@/core/day'
import { CommandForm } from '../form/CommandForm'
import { FormArea, FormDay, FormQuantity, FormText } from '../form/inputs'
import { LedgerHead, right } from '../LedgerHead'
import { findGoodsChoices, Picker } from '../Picker'
import { SupplierPick } from './SupplierPick'

interface Line {
  lineId?: number
  goodsId?: number
  saleLineId?: number
  description: string
  quantity: string
  unitCost: string
}

export interface OrderDraft {
  supplierId: string
  wantedBy: string
  /** The day they said it comes. */
  confirmedFor: string
  note: string
  lines: Line[]
}

interface Props {
  /** The order that is changed; null writes a new one. */
  readonly id: number | null
  /** What of the order is in `start`. */
  readonly edition?: string
  readonly supplier: string
  readonly start: OrderDraft
  readonly today: Day
}

const inputs = () => import('@/contract/inputs/buying/orders')
const toAdd = () => inputs().then((m) => m.orderGoodsInput)
const toChange = () => inputs().then((m) => m.changeOrderInput.omit({ orderId: true }))

const factsOf = ({ wantedBy, confirmedFor, note, lines }: OrderDraft) => ({
  wantedBy: wantedBy || null,
  confirmedFor: confirmedFor || null,
  note,
  lines: lines.map(({ unitCost, ...l }) => ({ ...l, ...(unitCost === '' ? {} : { unitCost }) })),
})

/** An order to a supplier: whom, what, how many, at what cost. */
export const OrderForm = ({ id, edition, supplier, start, today }: Props) =>
  id === null ? (
    <CommandForm
      method="POST"
      path="/purchase-orders"
      schema={toAdd}
      start={start}
      asBody={(d: OrderDraft) => ({ supplierId: d.supplierId, ...factsOf(d) })}
      say={(o) => `Order ${o.number} saved as a draft.`}
      go={(o) => `/buying/orders/${o.id}`}
      keeps
      submit="Save order"
    >
      <div className="mb-3 grid max-w-3xl gap-3 md:grid-cols-[1fr_180px]">
        <SupplierPick start={supplier} autoFocus={start.supplierId === ''} />
        <FormDay name="wantedBy" label="Needed by" today={today} />
      </div>
      <Lines />
    </CommandForm>
  ) : (
    <CommandForm
      method="PATCH"
      path={`/purchase-orders/${id}`}
      edition={edition}
      schema={toChange}
      start={start}
      asBody={factsOf}
      say={(o) => `Order ${o.number} saved.`}
      go={(o) => `/buying/orders/${o.id}`}
      keeps
      submit="Save order"
    >
      <div className="mb-3 grid max-w-95 grid-cols-2 gap-3">
        <FormDay name="wantedBy" label="Needed by" today={today} />
        <FormDay name="confirmedFor" label="Confirmed for" today={today} />
      </div>
      <Lines />
    </CommandForm>
  )

/** What is ordered, line by line; the next is found below. */
const Lines = () => {
  const { control } = useFormContext<OrderDraft>()
  const { fields, append, remove } = useFieldArray({ control, name: 'lines' })
  const { errors } = useFormState<OrderDraft>()
  const add = (line: Line) => append(line, { shouldFocus: false })
  return (
    <div className="max-w-3xl">
      {fields.length > 0 && (
        <table className="ledger mb-2">
          <LedgerHead heads={['Description', right('Quantity', 'w-28'), right('Cost of one', 'w-32'), '']} />
          <tbody>
            {fields.map((l, i) => (
              <tr key={l.id}>
                <td>
                  <FormText name={`lines.${i}.description`} label={`Description ${i + 1}`} hideLabel most={500} />
                </td>
                <td>
                  <FormQuantity name={`lines.${i}.quantity`} label={`How many: ${l.description}`} hideLabel />
                </td>
                <td>
                  <FormQuantity name={`lines.${i}.unitCost`} label={`Cost of one: ${l.description}`} hideLabel />
                </td>
                <td className="w-9">
                  <RemoveRow label={`Remove ${l.description}`} onRemove={() => remove(i)} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <Picker
        label="Add an item: name, code or barcode"
        chosen=""
        many
        find={findGoodsChoices}
        onPick={(g) => add({ goodsId: g.id, description: g.name, quantity: '1', unitCost: '' })}
        otherwise={{
          say: (typed) => `Order “${typed}” in words`,
          take: (typed) => add({ description: typed, quantity: '1', unitCost: '' }),
        }}
        problem={errors.lines?.root?.message ?? errors.lines?.message}
      />
      <p className="sub mt-1">A cost that is left empty is what they last asked for, else what it cost so far.</p>
      <div className="mt-3">
        <FormArea name="note" label="Note to them" most={2000} />
      </div>
    </div>
  )
}
