'use client'
import type { z } from 'zod'
import type { Day } from '@/core/day'
import { CommandForm } from './form/CommandForm'
import { FormOn, FormReason } from './form/inputs'

interface Props {
  readonly what: {
    readonly title: string
    readonly does: string
    readonly done: string
    readonly schema: () => Promise<z.ZodType>
  }
  readonly path: string
  readonly today: Day
  readonly onDone: () => void
}

/** Why something is taken back, and from which day. */
export const ReasonForm = ({ what, path, today, onDone }: Props) => (
  <CommandForm
    method="POST"
    path={path}
    schema={what.schema}
    start={{ reason: '', on: String(today) }}
    asBody={(d) => d}
    say={() => what.done}
    onDone={onDone}
    submit={what.title}
  >
    <p className="mb-3">{what.does}</p>
    <div className="grid gap-3">
      <FormReason />
      <FormOn today={today} />
    </div>
  </CommandForm>
)
