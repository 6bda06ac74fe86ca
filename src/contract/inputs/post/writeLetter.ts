import { z } from 'zod'
import { id, text, needed } from '@/contract/fields'
import { paperKind } from '@/contract/layout'
import { LETTER_FACTS, LETTERS, PAPER_LANGUAGES, unknownFacts } from '@/core/formats'

export const writeLetterInput = z.object({
  paper: paperKind,
  paperId: id,
  to: z.email('An e-mail address looks like name@place.example.').max(200).optional(),
  subject: text(200).optional(),
  body: text(10_000).optional(),
})

/** A fact that nobody fills in would stand in the letter as it is written here. */
const factsAreKnown = (text: string, context: z.RefinementCtx): void => {
  const unknown = unknownFacts(text)
  if (unknown.length > 0)
    context.addIssue({
      code: 'custom',
      message: `Nothing is filled in for ${unknown.join(', ')}. What can be: ${LETTER_FACTS.map((f) => `{${f}}`).join(', ')}.`,
    })
}

export const letterKind = z.enum(LETTERS, { error: `One of ${LETTERS.join(', ')}.` })

export const keepLetterTemplateInput = z.object({
  paper: letterKind,
  language: z.enum(PAPER_LANGUAGES),
  subject: needed(200, 'A subject').superRefine(factsAreKnown),
  body: needed(10_000, 'A text').superRefine(factsAreKnown),
})

export const dropLetterInput = z.object({ postId: id })

export const dropLetterTemplateInput = keepLetterTemplateInput.pick({ paper: true, language: true })
