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

/** Failures of a one-time code. */
const OF_CODE: ReadonlySet<Failure['code']> = new Set(['code-needed', 'wrong-code', 'codes-wait'])

/** The field an input failure belongs to, where it is one. */
export const problemsOf = (failure: Failure): readonly FieldProblem[] => {
  if (failure.code === 'invalid') return failure.errors
  const path = OF_DATE.has(failure.code) ? 'on' : OF_CODE.has(failure.code) ? 'code' : null
  return path ? [{ path, message: sentence(failure) }] : []
}

/** What a program reads of a failure beside its sentence. */
export const factsOf = (failure: Failure): Readonly<Record<string, string>> =>
  failure.code === 'not-before' ? { from: failure.from } : {}
