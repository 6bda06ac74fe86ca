'use client'
import type { ReactElement, ReactNode } from 'react'
import type { FieldValues } from 'react-hook-form'
import type { BodyTo } from '@/contract/calls'
import { CommandForm } from '../form/CommandForm'

const schema = () => import('@/contract/inputs/access/changeSettings').then((m) => m.changeSettingsInput)

interface Props<D extends FieldValues> {
  readonly start: D
  readonly asBody: (draft: D) => BodyTo<'PATCH', '/settings'>
  readonly say?: (draft: D) => string
  readonly again?: boolean
  /** Of several settings only those that were changed are sent. */
  readonly changes?: boolean
  readonly submit?: string | ReactElement
  readonly children: ReactNode
}

/** Some of the settings, kept together. */
export const SettingsForm = <D extends FieldValues>({
  asBody,
  say = () => 'Saved.',
  submit = 'Save',
  ...rest
}: Props<D>) => (
  <CommandForm
    method="PATCH"
    path="/settings"
    schema={schema}
    asBody={(d) => ({ ...asBody(d) })}
    say={(_, d) => say(d)}
    submit={submit}
    quiet
    {...rest}
  />
)
