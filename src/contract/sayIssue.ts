import type { z } from 'zod'
import type { FieldProblem } from './failure'

const WANTED: Readonly<Record<string, string>> = {
  string: 'Write text here.',
  number: 'A number is wanted here.',
  int: 'A whole number is wanted here.',
  boolean: 'Say true or false.',
  array: 'A list is wanted here.',
  object: 'This is made of named parts.',
  record: 'This is made of named parts.',
}

/** Whether a message is the schema library's own, and not a sentence of ours. */
const isTheirs = (message: string): boolean => /^(Invalid|Too |Unrecognized)/.test(message)

const sayUnion = (issue: z.core.$ZodIssueInvalidUnion): string | undefined =>
  issue.errors
    .flat()
    .map(sayIssue)
    .find((s) => s !== NOT_UNDERSTOOD)

const NOT_UNDERSTOOD = 'This is not understood here.'

/** What a figure, a text or a list may be at most or at least. */
const sayBound = (how: string, bound: number | bigint, of: string): string => {
  if (of === 'string') return `${how} ${bound} characters.`
  return of === 'array' ? `${how} ${bound} of them.` : `${how} ${bound}.`
}

/** What is wrong with a value, as a sentence for the owner: the field's own where it has one. */
export const sayIssue = (issue: z.core.$ZodIssue): string => {
  if (!isTheirs(issue.message)) return issue.message
  switch (issue.code) {
    case 'invalid_type':
      return issue.message.endsWith('received undefined')
        ? 'This is needed.'
        : (WANTED[issue.expected] ?? NOT_UNDERSTOOD)
    case 'invalid_value':
      return issue.values.every((v) => v === '') ? NOT_UNDERSTOOD : `One of ${issue.values.join(', ')}.`
    case 'invalid_union':
      return sayUnion(issue) ?? NOT_UNDERSTOOD
    case 'too_big':
      return sayBound(issue.inclusive === false ? 'Less than' : 'At most', issue.maximum, issue.origin)
    case 'too_small':
      return sayBound(issue.inclusive === false ? 'More than' : 'At least', issue.minimum, issue.origin)
    default:
      return NOT_UNDERSTOOD
  }
}

/** The same while something is checked in a form: only what has no sentence of its own comes here. */
export const sayAsTyped = (issue: z.core.$ZodRawIssue): string =>
  sayIssue({
    ...issue,
    message: issue.input === undefined ? 'Invalid: received undefined' : 'Invalid',
  } as z.core.$ZodIssue)

/** Everything that is wrong with an input, each at its field. */
export const sayIssues = (error: z.ZodError): FieldProblem[] =>
  error.issues.map((issue) => ({ path: issue.path.join('.'), message: sayIssue(issue) }))
