import { describe, expect, test } from 'vitest'
import { z } from 'zod'
import { saidByField, sayIssues } from './sayIssue'

const said = (schema: z.ZodType, input: unknown) => {
  const read = schema.safeParse(input)
  return read.success ? [] : sayIssues(read.error).map((p) => `${p.path}: ${p.message}`)
}

describe('what is wrong with a value is a sentence at its field', () => {
  const schema = z.object({
    name: z.string(),
    how: z.enum(['cash', 'card']),
    lines: z.array(z.object({ quantity: z.string().regex(/^\d+$/, 'A quantity is written like 2.') })),
    mail: z.union([z.literal(''), z.email('An address looks like name@place.example.')]),
  })
  const good = { name: 'x', how: 'cash', lines: [], mail: '' }

  test.each([
    [{ ...good, name: undefined }, ['name: This is needed.']],
    [{ ...good, name: 7 }, ['name: Write text here.']],
    [{ ...good, how: 'gold' }, ['how: One of cash, card.']],
    [{ ...good, lines: 'x' }, ['lines: A list is wanted here.']],
    // The second line: its own sentence, at its own place.
    [{ ...good, lines: [{ quantity: '2' }, { quantity: 'two' }] }, ['lines.1.quantity: A quantity is written like 2.']],
    [{ ...good, mail: 'nowhere' }, ['mail: An address looks like name@place.example.']],
  ])('%j', (input, sentences) => {
    expect(said(schema, input)).toEqual(sentences)
  })

  test.each([
    [z.int().min(1), 0, 'At least 1.'],
    [z.int().max(24), 25, 'At most 24.'],
    [z.int().positive(), 0, 'More than 0.'],
    [z.string().max(3), 'long', 'At most 3 characters.'],
    [z.array(z.string()).max(2), ['a', 'b', 'c'], 'At most 2 of them.'],
    [z.array(z.string()).min(1), [], 'At least 1 of them.'],
  ])('a bound says what it is: %#', (bounded, input, sentence) => {
    expect(said(z.object({ field: bounded }), { field: input })).toEqual([`field: ${sentence}`])
  })

  const percent = z.string().regex(/^\d+$/, 'A percentage is written like 40.')
  const what = z.union(
    [z.literal('all'), z.object({ percent }), z.object({ lines: z.array(z.object({ n: percent })) })],
    {
      error: 'Say all, {percent} or {lines}.',
    },
  )
  test.each([
    // What is meant is plain: the problem stands at the field of it.
    [{ percent: 'x' }, ['what.percent: A percentage is written like 40.']],
    [{ lines: [{ n: '1' }, { n: 'x' }] }, ['what.lines.1.n: A percentage is written like 40.']],
    // Neither is meant: all there is to say is what there is to choose from.
    [{}, ['what: Say all, {percent} or {lines}.']],
    [5, ['what: Say all, {percent} or {lines}.']],
  ])('one thing or another, %j: what is wrong with the one that was meant', (input, sentences) => {
    expect(said(z.object({ what }), { what: input })).toEqual(sentences)
    const checked = saidByField(z.object({ what })).safeParse({ what: input })
    expect(checked.error?.issues.map((i) => `${i.path.join('.')}: ${i.message}`)).toEqual(sentences)
  })

  test('several things wrong are all said', () => {
    expect(said(schema, { ...good, name: 1, how: 2 })).toHaveLength(2)
  })

  test('what is good is said nothing about', () => {
    expect(said(schema, good)).toEqual([])
  })
})
