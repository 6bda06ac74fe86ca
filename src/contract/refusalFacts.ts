import type { Failure, FieldProblem } from './failure'
import { sentence } from './sentences'

/** Failures of a paper's own date: they stand at its field. */
const OF_DATE: ReadonlySet<Failure['code']> = new Set([
  'date-ahead',
  'not-before',
  'period-closed',
  'before-invoice',
  'before-plan',
])

/** The field an input failure belongs to, where it is one. */
export const problemsOf = (failure: Failure): readonly FieldProblem[] =>
  failure.code === 'invalid'
    ? failure.errors
    : OF_DATE.has(failure.code)
      ? [{ path: 'on', message: sentence(failure) }]
      : []

/** What a program reads of a failure beside its sentence. */
export const factsOf = (failure: Failure): Readonly<Record<string, string>> =>
  failure.code === 'not-before' ? { from: failure.from } : {}
