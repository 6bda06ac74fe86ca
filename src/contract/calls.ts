import type { z } from 'zod'
import type { ANSWERS } from './answers'
import type { Bodies } from './bodies'

/** What each call answers, by method and path. */
export type Answers = { readonly [K in keyof typeof ANSWERS]: z.output<(typeof ANSWERS)[K]> }

type Method = 'GET' | 'POST' | 'PATCH' | 'DELETE'
/** `/sales/{id}/agree` as an address is written: a number where it names a thing. */
type Written<P extends string> = P extends `${infer A}{${string}}${infer B}` ? `${A}${number}${Written<B>}` : P
type WithoutQuery<P extends string> = P extends `${infer A}?${string}` ? A : P

/** The call an address means: the very one where there is one, else the one it is written after. */
export type CallTo<M extends Method, P extends string> = `${M} ${WithoutQuery<P>}` extends keyof Answers
  ? `${M} ${WithoutQuery<P>}`
  : {
      [K in keyof Answers]: K extends `${M} ${infer Path}` ? (WithoutQuery<P> extends Written<Path> ? K : never) : never
    }[keyof Answers]

/** What a call to an address answers; unknown where the address is only known while running. */
export type AnswerTo<M extends Method, P extends string> = [CallTo<M, P>] extends [never]
  ? unknown
  : Answers[CallTo<M, P>]

/** What a call to an address takes. */
export type BodyTo<M extends Method, P extends string> = [CallTo<M, P>] extends [never]
  ? unknown
  : CallTo<M, P> extends keyof Bodies
    ? Bodies[CallTo<M, P>]
    : unknown

export type { Method }
