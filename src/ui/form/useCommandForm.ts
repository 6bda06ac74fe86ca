'use client'
import { useEffect, useRef, type BaseSyntheticEvent } from 'react'
import {
  get,
  set,
  useForm,
  type DefaultValues,
  type FieldErrors,
  type FieldValues,
  type Path,
  type Resolver,
} from 'react-hook-form'
import type { z } from 'zod'
import type { AnswerTo, BodyTo, Method } from '@/contract/calls'
import { holdWhile } from '../keysAhead'
import { useLeft } from '../left'
import { useSend, type Refused, type Then } from '../send'
import { changedOf } from './changedOf'
import { chosenOf, type Chosen } from './chosen'

type Body = Readonly<Record<string, unknown>>
/** By the name of a list, `lines` or `what.lines`: which of its rows are empty. */
type Skip = Readonly<Record<string, (row: never) => boolean>>

export interface Wish<D extends FieldValues, B extends Body> {
  readonly start: D
  /** The schema of the call, fetched when a field is entered: a page that is only looked at does not carry it. */
  readonly schema: () => Promise<z.ZodType>
  /** What is typed as the call takes it, in the same shape: a path of the one is a path of the other. */
  readonly asBody: (draft: D) => B
  /** Rows left empty, which are not sent: they are left out before `asBody` sees the draft. */
  readonly skip?: Skip
  /** Kept under this name when its page is left with something typed, and offered there again. */
  readonly keeps?: string
  /** It changes what is there already: only what was changed of it is sent. */
  readonly changes?: boolean
  /** Which edition of it stands in the form: sent with what is changed, so that nobody's later change is undone unseen. */
  readonly edition?: string
}

type Rows = ReadonlyMap<string, readonly number[]>

/** What is sent, and from which row of the form each of its rows came. */
export const bodyOf = <D extends FieldValues, B extends Body>(
  { asBody, skip }: Pick<Wish<D, B>, 'asBody' | 'skip'>,
  draft: D,
) => {
  const rowsOf = new Map<string, readonly number[]>()
  const filled = structuredClone(draft)
  for (const [name, isEmpty] of Object.entries(skip ?? {})) {
    const rows: readonly unknown[] = get(draft, name) ?? []
    const kept = rows.flatMap((row, i) => ((isEmpty as (row: unknown) => boolean)(row) ? [] : [i]))
    rowsOf.set(name, kept)
    set(
      filled,
      name,
      kept.map((i) => rows[i]),
    )
  }
  return { body: asBody(filled), rowsOf }
}

/** `addresses.0.text` of what was sent, as the form counts its rows. */
const pathInForm = (path: string, rows: Rows): string => {
  for (const [name, kept] of rows) {
    const [, n, rest = ''] = path.startsWith(`${name}.`) ? (/^(\d+)(.*)$/.exec(path.slice(name.length + 1)) ?? []) : []
    const row = n === undefined ? undefined : kept[Number(n)]
    if (row !== undefined) return `${name}.${row}${rest}`
  }
  return path
}

const errorsInForm = (errors: FieldErrors, rows: Rows): FieldErrors => {
  for (const [name, kept] of rows) {
    const listed: unknown = get(errors, name)
    if (!Array.isArray(listed)) continue
    const moved: unknown[] = []
    listed.forEach((e, i) => (moved[kept[i] ?? i] = e))
    set(errors, name, moved)
  }
  return errors
}

/** The edition of what is there now, as an answer tells it. */
const editionIn = (answer: unknown): string | undefined =>
  typeof answer === 'object' && answer !== null && 'edition' in answer && typeof answer.edition === 'string'
    ? answer.edition
    : undefined

/** Everything a check needs beside what was typed. */
const checkerOf = <D extends FieldValues, B extends Body>(wish: Wish<D, B>) =>
  Promise.all([import('@hookform/resolvers/zod'), import('@/contract/sayIssue'), wish.schema()])

const resolverOf =
  <D extends FieldValues, B extends Body>(wish: Wish<D, B>): Resolver<D> =>
  async (draft, context, options) => {
    const [{ zodResolver }, { saidByField }, schema] = await checkerOf(wish)
    const { body, rowsOf } = bodyOf(wish, draft)
    const check = zodResolver(saidByField(schema) as z.ZodType<FieldValues, FieldValues>)
    const { errors } = await check(body, context, options as never)
    return Object.keys(errors).length === 0
      ? { values: draft, errors: {} }
      : { values: {}, errors: errorsInForm(errors, rowsOf) as FieldErrors<D> }
  }

/**
 * What is typed, held against a schema before it is sent; what is refused afterwards finds its field, in whichever row.
 * Nothing typed is lost either way.
 */
export const useCheckedForm = <D extends FieldValues, B extends Body>(wish: Wish<D, B>, refused: Refused | null) => {
  const form = useForm<D>({
    defaultValues: wish.start as DefaultValues<D>,
    resolver: resolverOf(wish),
    reValidateMode: 'onChange',
  })
  const { setError, getValues } = form
  useEffect(() => {
    // Whoever enters a field will send the form: by then what checks it is there, and sending waits for nothing.
    const warm = () => void checkerOf(wish)
    document.addEventListener('focusin', warm, { once: true })
    return () => document.removeEventListener('focusin', warm)
    // oxlint-disable-next-line react/exhaustive-deps -- the schema of a form stays the same
  }, [])
  useEffect(() => {
    const { rowsOf } = bodyOf(wish, getValues())
    refused?.errors.forEach((e, i) =>
      setError(
        pathInForm(e.path, rowsOf) as Path<D>,
        { type: 'refused', message: e.message },
        { shouldFocus: i === 0 },
      ),
    )
    // Only a new refusal marks fields.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [refused])
  return form
}

/** A form over a call of the interface: checked by its schema, sent once. */
export const useCommandForm = <D extends FieldValues, B extends Body>(wish: Wish<D, B>) => {
  const { send, busy, refused } = useSend()
  const form = useCheckedForm(wish, refused)
  const { start, keeps, changes } = wish
  /** What was sent last, or stood there at first. */
  const began = useRef<Body>({})
  if (changes && Object.keys(began.current).length === 0) began.current = bodyOf(wish, start).body
  const edition = useRef(wish.edition)
  const chosen = chosenOf(form.control)
  const left = useLeft<{ readonly draft: D; readonly names: readonly (readonly [string, Chosen])[] }>({
    name: keeps ?? '',
    start: { draft: start, names: [] },
    now: () => (keeps === undefined ? { draft: start, names: [] } : { draft: form.getValues(), names: [...chosen] }),
    put: ({ draft, names }) => {
      for (const [name, was] of names) chosen.set(name, was)
      form.reset(draft, { keepDefaultValues: true })
    },
  })
  const sendBody = <M extends Method, P extends string>(
    method: M,
    path: P,
    then: Then<AnswerTo<M, P>>,
    /** What goes on from it, and what becomes of the form itself: at once, since whoever types on types into it. A promise is waited for. */
    after?: (value: AnswerTo<M, P>) => unknown,
  ) => {
    const submit = form.handleSubmit(async (draft) => {
      const { body } = bodyOf(wish, draft)
      const sent = changes ? changedOf(began.current, body) : body
      const seen = edition.current === undefined ? {} : { edition: edition.current }
      const value = await send(method, path, { ...sent, ...seen } as BodyTo<M, P>, then)
      if (value === null) return
      began.current = body
      if (edition.current !== undefined) edition.current = editionIn(value)
      left.sent()
      await after?.(value)
    })
    // It is sent when it has been checked; keys are held from the press on.
    return (e?: BaseSyntheticEvent) => ((then.done ?? then.go) ? holdWhile(() => submit(e)) : submit(e))
  }
  return { form, sendBody, busy, refused, bringBack: left.bringBack }
}
