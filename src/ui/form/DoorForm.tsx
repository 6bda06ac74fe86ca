'use client'
import { useRouter } from 'next/navigation'
import { useMemo, type ReactNode } from 'react'
import { FormProvider, type FieldValues } from 'react-hook-form'
import type { z } from 'zod'
import { request, UNANSWERED } from '../http'
import { useOnce } from '../useOnce'
import { FormProblems } from './FormProblems'
import { useCheckedForm } from './useCommandForm'

interface Props<D extends FieldValues> {
  /** A call outside the interface, to which one needs not be signed in. */
  readonly address: string
  readonly start: D
  readonly schema: () => Promise<z.ZodType>
  /** What is typed as the schema takes it, where that is not what is typed. */
  readonly asTyped?: (draft: D) => Readonly<Record<string, unknown>>
  readonly asBody?: (draft: D) => unknown
  /** The only field, where there is one: a refusal that names none stands beside it, and nowhere else. */
  readonly at?: string
  /** Where it leads. */
  readonly go: () => string
  readonly submit: string
  readonly children: ReactNode
}

/** The forms before one is in: setting up and signing in. Checked and sent as any other. */
export const DoorForm = <D extends FieldValues>({
  address,
  start,
  schema,
  asTyped = (draft) => draft,
  asBody = asTyped,
  at,
  go,
  submit,
  children,
}: Props<D>) => {
  const router = useRouter()
  const { once, busy, refused } = useOnce()
  const placed = useMemo(
    () =>
      refused && at && refused.errors.length === 0
        ? { ...refused, errors: [{ path: at, message: refused.detail }] }
        : refused,
    [refused, at],
  )
  const form = useCheckedForm({ start, schema, asBody: asTyped }, placed)
  const enter = form.handleSubmit(async (draft) => {
    const entered = await once(
      null,
      () => request(address, { method: 'POST', body: asBody(draft), unanswered: UNANSWERED }),
      () => true,
    )
    if (entered !== null) router.push(go())
  })
  return (
    <FormProvider {...form}>
      <form noValidate onSubmit={(e) => void enter(e)} className="grid gap-3">
        {children}
        <FormProblems refused={placed} unseen={at !== undefined} />
        <button className="btn btn-do" disabled={busy} data-primary>
          {submit}
        </button>
      </form>
    </FormProvider>
  )
}
