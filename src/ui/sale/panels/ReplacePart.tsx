'use client'
import { useState } from 'react'
import { useFormContext, useFormState } from 'react-hook-form'
import { CommandForm } from '../../form/CommandForm'
import { FormQuantity, FormSelect } from '../../form/inputs'
import { findGoodsChoices, Picker } from '../../Picker'
import type { PanelProps } from './parts'

const START = { which: '', by: '', quantity: '' }
type Draft = typeof START

const schema = () =>
  import('@/contract/inputs/sales/replacePart').then((m) => m.replacePartInput.omit({ saleId: true }))

/** On this sale another part stands in for one of a kit. */
export const ReplacePart = ({ sale, onClose }: PanelProps) => {
  const parts = sale.lines.flatMap((l) =>
    l.agreed === l.toHandOver || !sale.agreed
      ? l.parts.map((p) => ({ ...p, value: `${l.id}:${p.goodsId}`, name: `${p.name}, of ${l.description}` }))
      : [],
  )
  return (
    <CommandForm
      method="POST"
      path={`/sales/${sale.id}/replace-part`}
      schema={schema}
      start={{ ...START, which: parts[0]?.value ?? '' }}
      asBody={({ which, by, quantity }) => {
        const [lineId = '', part = ''] = which.split(':')
        return { lineId, part, by, ...(quantity === '' ? {} : { quantity }) }
      }}
      say={() => 'The part is replaced on this sale; the price stays.'}
      onDone={onClose}
      submit="Replace"
    >
      <div className="grid gap-3">
        <FormSelect name="which" label="Part" options={parts} />
        <Instead />
        <FormQuantity name="quantity" label="How many a kit, if not as many" />
      </div>
    </CommandForm>
  )
}

const Instead = () => {
  const { setValue } = useFormContext<Draft>()
  const { errors } = useFormState<Draft>()
  const [chosen, setChosen] = useState('')
  return (
    <Picker
      label="Goes instead"
      chosen={chosen}
      find={findGoodsChoices}
      onPick={(g) => {
        setChosen(g.name)
        setValue('by', String(g.id), { shouldValidate: false })
      }}
      problem={errors.by && (chosen ? errors.by.message : 'Choose what goes instead.')}
    />
  )
}
