import type { Failure } from './failure'

/** Ends a command's transaction: nothing is saved, and the command answers with the failure. Caught by `defineCommand` alone. */
export class Refusal extends Error {
  constructor(readonly failure: Failure) {
    super(failure.code)
  }
}

export const refuse = (failure: Failure): never => {
  throw new Refusal(failure)
}

/** Ends it for what stands at a field: what is wrong with it, and what now. */
export const refuseAt = (path: string, message: string): never =>
  refuse({ code: 'invalid', errors: [{ path, message }] })

/** The value, or the end of the command. */
export const orRefuse = <T>(result: { ok: true; value: T } | { ok: false; error: Failure }): T =>
  result.ok ? result.value : refuse(result.error)

export const found = <T>(value: T | null | undefined, what: string, id: number | string): T =>
  value ?? refuse({ code: 'not-found', what, id })

/** What something uses stays; `use` is what does, in words, or null. */
export const refuseUsed = (path: string, what: string, use: string | null): void => {
  if (use !== null) refuseAt(path, `${use} uses it: ${what} stays.`)
}
