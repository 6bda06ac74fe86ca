'use client'
import type { FormEvent, ReactElement, ReactNode } from 'react'
import { FormProvider, useFormContext, useFormState, useWatch, type FieldValues } from 'react-hook-form'
import type { z } from 'zod'
import type { AnswerTo, BodyTo, Method } from '@/contract/calls'
import { FormProblems } from './FormProblems'
import { LeftOffer } from '../left'
import type { WayBack } from '../send'
import { usePreview, WouldPost } from '../WouldPost'
import { bodyOf, useCommandForm, type Wish } from './useCommandForm'
import { walk } from './walk'

interface Props<M extends Method, P extends string, D extends FieldValues> {
  readonly method: M
  readonly path: P
  readonly start: D
  readonly schema: () => Promise<z.ZodType>
  readonly asBody: (draft: D) => BodyTo<M, P> & Readonly<Record<string, unknown>>
  /** Rows left empty, by the name of their list. */
  readonly skip?: Readonly<Record<string, (row: never) => boolean>>
  readonly say?: (value: AnswerTo<M, P>, draft: D) => string
  /** How it is taken back, offered for ten seconds. */
  readonly undo?: (value: AnswerTo<M, P>, draft: D) => WayBack | null
  readonly go?: (value: AnswerTo<M, P>) => string | null
  /** What closes with it, at the moment the page says what is true now. */
  readonly onDone?: (value: AnswerTo<M, P>, draft: D) => void
  /** What goes on from it, at once; where it is a promise, nothing more is sent until that is kept. */
  readonly onSent?: (value: AnswerTo<M, P>, draft: D) => unknown
  /** What the button says, or the buttons themselves. */
  readonly submit: string | ReactElement
  /** Stands beside other forms of its page: its button is not the main one. */
  readonly quiet?: boolean
  /** Where much is typed: what is left unsent is offered again. */
  readonly keeps?: boolean
  /** It changes what is there already: only what was changed of it is sent. */
  readonly changes?: boolean
  /** Which edition of it stands in the form. */
  readonly edition?: string
  /** Begins anew after it was sent, for the next one. */
  readonly again?: boolean
  /** What it will do, said in figures before it is done, from the command's own preview, with what it would post. */
  readonly preview?: { readonly currency: string; readonly say?: (answer: AnswerTo<M, P>) => ReactNode }
  readonly children: ReactNode
}

/**
 * A form over one call: its fields by their names, what keeps it from being sent, and its button. What is typed is held
 * against the schema of the call, what is refused stands at its field, and a second click does nothing.
 */
export const CommandForm = <M extends Method, P extends string, D extends FieldValues>({
  method,
  path,
  start,
  schema,
  asBody,
  skip,
  say,
  undo,
  go,
  onDone,
  onSent,
  submit,
  quiet,
  again,
  keeps,
  changes,
  edition,
  preview,
  children,
}: Props<M, P, D>) => {
  const { form, sendBody, refused, bringBack } = useCommandForm({
    start,
    schema,
    asBody,
    skip,
    changes,
    edition,
    ...(keeps ? { keeps: `${method} ${path}` } : {}),
  })
  const save = sendBody(
    method,
    path,
    {
      say: say && ((value) => say(value, form.getValues())),
      undo: undo && ((value) => undo(value, form.getValues())),
      go,
      done: onDone && ((value) => onDone(value, form.getValues())),
    },
    (value) => {
      const draft = form.getValues()
      if (again) form.reset(start)
      return onSent?.(value, draft)
    },
  )
  const submitted = (e: FormEvent) => {
    // A panel hangs in the form of its page: what is sent in it is not that form's.
    e.stopPropagation()
    void save(e)
  }
  return (
    <FormProvider {...form}>
      <form noValidate onSubmit={submitted} onKeyDown={walk}>
        <div className="mb-4 empty:hidden">
          <LeftOffer bringBack={bringBack} />
        </div>
        {children}
        {preview && <FormPreview path={path as string} wish={{ asBody, skip }} {...(preview as Shown)} />}
        <FormProblems refused={refused} />
        {typeof submit === 'string' ? <Submit quiet={quiet}>{submit}</Submit> : submit}
      </form>
    </FormProvider>
  )
}

interface Shown {
  readonly currency: string
  readonly say?: (answer: never) => ReactNode
}

interface PreviewProps extends Shown {
  readonly path: string
  readonly wish: {
    readonly asBody: (draft: never) => object
    readonly skip?: Readonly<Record<string, (row: never) => boolean>>
  }
}

/** What would come of what is typed; nothing while it could not be done yet. */
const FormPreview = ({ path, wish, currency, say }: PreviewProps) => {
  const draft = useWatch()
  const { body } = bodyOf(wish as Pick<Wish<FieldValues, Record<string, unknown>>, 'asBody' | 'skip'>, draft)
  const told = usePreview(path, body as never)
  if (!told.seen) return null
  return (
    <div aria-live="polite">
      {say?.(told.seen.answer as never)}
      {told.seen.entries.length > 0 && <WouldPost seen={told} currency={currency} />}
    </div>
  )
}

interface SubmitProps {
  /** One of several: not the main one of what is open. */
  readonly quiet?: boolean
  /** A field of the form this button sets before it sends: as a draft or issued, in or out. */
  readonly set?: readonly [name: string, value: unknown]
  readonly disabled?: boolean
  readonly className?: string
  readonly children: ReactNode
}

/** A button that sends its form. */
export const Submit = ({ quiet, set, disabled, className, children }: SubmitProps) => {
  const { setValue } = useFormContext()
  const { isSubmitting } = useFormState()
  return (
    <button
      className={className ?? (quiet ? 'btn mt-3' : 'btn btn-do mt-4 w-full')}
      data-primary={quiet ? undefined : true}
      disabled={isSubmitting || disabled}
      onClick={set && (() => setValue(...set))}
    >
      {children} {!quiet && <kbd className="font-figure text-xs font-normal">Ctrl Enter</kbd>}
    </button>
  )
}
