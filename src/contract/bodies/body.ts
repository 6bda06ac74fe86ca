import type { z } from 'zod'

/** What is sent: the input of the command, without what stands in the path. */
export type Body<S extends z.ZodType, FromPath extends PropertyKey = never> = Given<Omit<z.input<S>, FromPath>>
/** What is only read may be given too. */
export type Given<T> = T extends object ? { readonly [K in keyof T]: Given<T[K]> } : T

/** What a call takes that says all in its address. */
export type Nothing = Readonly<Record<string, never>>
