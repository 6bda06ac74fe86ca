'use client'
import { X } from 'lucide-react'
import { useFieldArray, useFormContext } from 'react-hook-form'
import type { Day } from '@/core/day'
import { formatDigits } from '@/core/locale'
import { CommandForm } from '../form/CommandForm'
import { FormDay, FormMoney, FormOn, FormQuantity, FormSelect, FormText } from '../form/inputs'
import { SupplierPick } from './SupplierPick'

/** Goods that came, or are on order, and are not billed yet. */
export interface ToInvoice {
  readonly receivedLineId?: number
  readonly purchaseOrderLineId?: number
  readonly description: string
  readonly quantity: string
  readonly unitCost: string
}

interface Line {
  receivedLineId?: number
  purchaseOrderLineId?: number
  accountId: string
  description: string
  quantity: string
  unitCost: string
  amount: string
  taxCode: string
}

interface Props {
  readonly supplier: { readonly id: number; readonly name: string } | null
  readonly goods: readonly ToInvoice[]
  readonly accounts: readonly { readonly id: number; readonly code: string; readonly name: string }[]
  readonly codes: readonly { readonly code: string; readonly name: string }[]
  readonly currency: string
  readonly today: Day
}

interface Draft {
  supplierId: string
  theirNumber: string
  on: string
  due: string
  lines: Line[]
}

const schema = () => import('@/contract/inputs/buying/bills').then((m) => m.enterBillInput)

const bodyOf = ({ accountId, quantity, unitCost, amount, taxCode, ...l }: Line) =>
  accountId === ''
    ? { ...l, quantity, unitCost, ...(taxCode === '' ? {} : { taxCode }) }
    : { accountId, description: l.description, amount, ...(taxCode === '' ? {} : { taxCode }) }

/** A supplier's bill: for goods that came at the price it asks, and for anything else by account. */
export const BillForm = ({ supplier, goods, accounts, codes, currency, today }: Props) => {
  const empty = { accountId: accounts[0] ? String(accounts[0].id) : '', description: '', amount: '', taxCode: '' }
  const start: Draft = {
    supplierId: supplier ? String(supplier.id) : '',
    theirNumber: '',
    on: String(today),
    due: '',
    lines:
      goods.length > 0
        ? goods.map((g) => ({ ...g, accountId: '', amount: '', taxCode: '' }))
        : [{ ...empty, quantity: '1', unitCost: '' }],
  }
  return (
    <CommandForm
      method="POST"
      path="/bills"
      schema={schema}
      start={start}
      asBody={({ due, lines, ...d }: Draft) => ({ ...d, ...(due === '' ? {} : { due }), lines: lines.map(bodyOf) })}
      skip={{ lines: (l: Line) => l.accountId === '' && (l.quantity === '' || l.quantity === '0') }}
      say={(b) =>
        `${b.number}: ${formatDigits(b.totals.gross)} owed to ${b.supplier}.${Number(b.priceDifference) === 0 ? '' : ` ${formatDigits(b.priceDifference)} other than the goods came in at.`}`
      }
      go={(b) => `/buying/bills/${b.id}`}
      preview={{ currency }}
      submit="Enter bill"
    >
      <div className="mb-3 grid gap-3 md:grid-cols-2">
        <SupplierPick start={supplier?.name} autoFocus={supplier === null} />
        <FormText name="theirNumber" label="Number on their bill" most={60} />
        <FormOn today={today} />
        <FormDay name="due" label="Due, if not by their terms" today={today} />
      </div>
      <Lines empty={{ ...empty, quantity: '1', unitCost: '' }} accounts={accounts} codes={codes} currency={currency} />
    </CommandForm>
  )
}

type LinesProps = Pick<Props, 'accounts' | 'codes' | 'currency'> & { readonly empty: Line }

const Lines = ({ empty, accounts, codes, currency }: LinesProps) => {
  const { control } = useFormContext<Draft>()
  const { fields, append, remove } = useFieldArray({ control, name: 'lines' })
  const tax = [{ value: '', name: 'No tax' }, ...codes.map((c) => ({ value: c.code, name: c.name }))]
  return (
    <div>
      {fields.map((l, i) => {
        const name = l.description || `line ${i + 1}`
        return (
          <fieldset key={l.id} className="mb-3 grid items-end gap-3 md:grid-cols-[1.4fr_1fr_1fr_1fr_auto]">
            <legend className="sr-only">{name}</legend>
            {l.accountId === '' ? (
              <>
                <span className="pb-1.5">{l.description}</span>
                <FormQuantity name={`lines.${i}.quantity`} label="Quantity" />
                <FormQuantity name={`lines.${i}.unitCost`} label="Cost of one" />
              </>
            ) : (
              <>
                <FormText name={`lines.${i}.description`} label="What for" most={500} />
                <FormSelect
                  name={`lines.${i}.accountId`}
                  label="Account"
                  options={accounts.map((a) => ({ value: String(a.id), name: `${a.code} ${a.name}` }))}
                />
                <FormMoney name={`lines.${i}.amount`} label="Net" currency={currency} />
              </>
            )}
            <FormSelect name={`lines.${i}.taxCode`} label="Tax" options={tax} />
            <button type="button" aria-label={`Remove ${name}`} className="p-2 text-iron-500" onClick={() => remove(i)}>
              <X size={15} />
            </button>
          </fieldset>
        )
      })}
      <button type="button" className="text-xs underline" onClick={() => append(empty, { shouldFocus: false })}>
        Add a line by account
      </button>
    </div>
  )
}
