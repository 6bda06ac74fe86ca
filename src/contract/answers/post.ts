import { z } from 'zod'
import { list } from './texts'
import { layoutSpec, letter } from './things'

const template = z.object({ paper: z.string(), language: z.string(), subject: z.string(), body: z.string() })
const layout = z.object({
  id: z.int(),
  paper: z.string(),
  name: z.string(),
  usual: z.boolean(),
  spec: layoutSpec,
})

/** What the calls of “Post and papers” answer. */
export const postAnswers = {
  'GET /post/draft': z.object({
    /** Null where it goes to a supplier. */
    customerId: z.int().nullable(),
    customer: z.string(),
    to: z.string(),
    subject: z.string(),
    body: z.string(),
  }),
  'POST /post': letter,
  'GET /post': list(letter),
  'POST /post/{id}/send': letter,
  'DELETE /post/{id}': letter,
  'GET /mailbox': list(
    z.object({
      id: z.int(),
      messageId: z.string(),
      sender: z.string(),
      recipient: z.string(),
      subject: z.string(),
      body: z.string(),
      attachments: z.array(z.string()),
      arrivedAt: z.string(),
    }),
  ),
  'GET /letter-templates': list(template),
  'GET /letter-templates/one': z.object({
    paper: z.string(),
    language: z.string(),
    subject: z.string(),
    body: z.string(),
    example: z.string(),
  }),
  'POST /letter-templates': template,
  'DELETE /letter-templates': template,
  'GET /layouts': list(layout),
  'GET /layouts/usual': z.object({ paper: z.string(), spec: layoutSpec }),
  'POST /layouts': layout,
  'PATCH /layouts/{id}': layout,
  'DELETE /layouts/{id}': z.object({ id: z.int() }),
}
