import { z } from 'zod'
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

/** Whether what is wrong stands in fields of it, all of them there: the alternative somebody meant. */
const isMeant = (branch: readonly z.core.$ZodIssue[]): boolean =>
  branch.length > 0 && branch.every((i) => i.path.length > 0 && i.code !== 'invalid_type')

/** Of something that may be one thing or another, what is wrong with the one that was meant. */
const atField = (issue: z.core.$ZodIssue): readonly z.core.$ZodIssue[] => {
  if (issue.code !== 'invalid_union') return [issue]
  const meant = issue.errors.filter(isMeant).sort((a, b) => a.length - b.length)[0]
  return meant?.flatMap((i) => atField({ ...i, path: [...issue.path, ...i.path] })) ?? [issue]
}

/** Everything that is wrong with an input, each at its field. */
export const sayIssues = (error: z.ZodError): FieldProblem[] =>
  error.issues.flatMap(atField).map((issue) => ({ path: issue.path.join('.'), message: sayIssue(issue) }))

/** A schema whose issues are already said and stand at their fields: what checks a form says what the call would say. */
export const saidByField = (schema: z.ZodType): z.ZodType =>
  z.unknown().check((ctx) => {
    const read = schema.safeParse(ctx.value)
    if (!read.success)
      for (const { path, message } of sayIssues(read.error))
        ctx.issues.push({ code: 'custom', message, path: path === '' ? [] : path.split('.'), input: ctx.value })
  })
