import { z } from 'zod'
import { id, text, needed } from '@/contract/fields'
import { paperKind } from '@/contract/layout'
import { LETTERS, PAPER_LANGUAGES } from '@/core/formats'

export const writeLetterInput = z.object({
  paper: paperKind,
  paperId: id,
  to: z.email('An e-mail address looks like name@place.example.').max(200).optional(),
  subject: text(200).optional(),
  body: text(10_000).optional(),
})

export const letterKind = z.enum(LETTERS, { error: `One of ${LETTERS.join(', ')}.` })

export const keepLetterTemplateInput = z.object({
  paper: letterKind,
  language: z.enum(PAPER_LANGUAGES),
  subject: needed(200, 'A subject'),
  body: needed(10_000, 'A text'),
})

export const dropLetterInput = z.object({ postId: id })

export const dropLetterTemplateInput = keepLetterTemplateInput.pick({ paper: true, language: true })
