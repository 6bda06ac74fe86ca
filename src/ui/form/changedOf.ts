type Body = Readonly<Record<string, unknown>>

/**
 * What of a body differs from the one a form began with, part by part: two windows that change different things of one do not undo each
 * other's. A part that is a list or holds several fields goes whole.
 */
export const changedOf = <B extends Body>(began: Body, body: B): Partial<B> =>
  Object.fromEntries(
    Object.entries(body).filter(([part, value]) => JSON.stringify(value) !== JSON.stringify(began[part])),
  ) as Partial<B>
