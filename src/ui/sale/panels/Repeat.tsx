'use client'
import { useController } from 'react-hook-form'
import { addMonths, formatDay } from '@/core/day'
import { REPEAT_MAKES_NAMES } from '@/core/names'
import { CommandForm } from '../../form/CommandForm'
import { FormPick } from '../../form/inputs'
import { rhythmBody, RhythmFields, type RhythmDraft } from '../../form/RhythmFields'
import type { PanelProps } from './parts'

interface Draft extends RhythmDraft {
  makes: keyof typeof REPEAT_MAKES_NAMES
  byItself: boolean
}

const schema = () => import('@/contract/inputs/sales/keepRepeat').then((m) => m.startRepeatInput.omit({ saleId: true }))

/** The sale comes again: how often, from when, until when, as what. */
export const Repeat = ({ sale, today, onClose }: PanelProps) => {
  const start: Draft = {
    every: 'month',
    firstOn: String(addMonths(today, 1)),
    makes: 'invoice',
    times: '',
    until: '',
    byItself: false,
  }
  return (
    <CommandForm
      method="POST"
      path={`/sales/${sale.id}/repeats`}
      schema={schema}
      start={start}
      asBody={({ makes, byItself, ...d }) => ({ ...rhythmBody(d), makes, byItself })}
      say={(x) => `Repeats, first on ${formatDay(x.nextOn ?? x.firstOn)}.`}
      onDone={onClose}
      submit="Start repeating"
    >
      <p className="mb-3">A new sale with these lines is created each time, at that day’s prices.</p>
      <RhythmFields today={today}>
        <FormPick name="makes" label="Create" options={REPEAT_MAKES_NAMES} />
      </RhythmFields>
      <GoesOut />
    </CommandForm>
  )
}

const GoesOut = () => {
  const { field } = useController<Draft, 'byItself'>({ name: 'byItself' })
  return (
    <fieldset className="mt-3">
      <legend className="sr-only">How it goes out</legend>
      {[
        { value: false, label: 'Prepare for my review' },
        { value: true, label: 'Issue and email automatically' },
      ].map(({ value, label }) => (
        <label key={label} className="flex gap-2 py-1">
          <input type="radio" name="by-itself" checked={field.value === value} onChange={() => field.onChange(value)} />{' '}
          {label}
        </label>
      ))}
    </fieldset>
  )
}
