import { isDeepStrictEqual } from 'node:util'
import { z } from 'zod'
import { answerSchema } from '@/contract/answers'
import { entry } from '@/contract/answers/things'
import type { Operation } from './operation'

/** What a preview answers: what the command would answer (nothing, where that is a secret), and the entries it would post. */
const previewOf = (answer: z.ZodType) => z.object({ answer: answer.nullable(), entries: z.array(entry) })

/**
 * Fails where an answer is not what the contract declares, or says more than that. In tests every answer is held against
 * it (`TILL_CHECK_ANSWERS`); the owner is spared the work.
 */
export const mustFit = (
  { method, path }: Pick<Operation, 'method' | 'path'>,
  body: unknown,
  preview: boolean,
): void => {
  const call = `${method} ${path}`
  const declared = answerSchema(call)
  if (!declared) throw new Error(`${call} declares no answer`)
  // As it travels: dates and decimals are text by then.
  const sent: unknown = JSON.parse(JSON.stringify(body))
  const read = (preview ? previewOf(declared) : declared).safeParse(sent)
  if (!read.success) throw new Error(`${call} answers otherwise than it declares: ${z.prettifyError(read.error)}`)
  if (!isDeepStrictEqual(read.data, sent))
    throw new Error(`${call} answers more than it declares: ${JSON.stringify(sent).slice(0, 2_000)}`)
}
