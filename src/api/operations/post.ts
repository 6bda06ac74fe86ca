import { setTimeout as sleep } from 'node:timers/promises'
import { POST_STATES } from '@/core/kinds'
import { present } from '@/core/present'
import { z } from 'zod'
import { fillLetter, PAPER_LANGUAGES, usualLayout } from '@/core/formats'
import { ok, err } from '@/core/result'
import { sendPost } from '@/clockwork/postman'
import { findBusiness } from '@/data/queries/business'
import { listLayouts, listTemplates } from '@/data/queries/layouts'
import { listMailbox } from '@/data/queries/mailbox'
import { isPostTaken, listPost } from '@/data/queries/post'
import { day as dayField, id as idField } from '@/contract/fields'
import { addLayout, changeLayout, dropLayout } from '@/services/papers/keepLayout'
import { readTemplate } from '@/services/post/letterFacts'
import {
  dropLetter,
  dropLetterTemplate,
  keepLetterTemplate,
  readDraftLetter,
  viewOfPost,
  writeLetter,
} from '@/services/post/writeLetter'
import { letterKind } from '@/contract/inputs/post/writeLetter'
import { change, listOf, noQuery, page, read, readCursor, type Operation } from '../operation'
import { paperKind } from '@/contract/layout'

const whole = <T>(items: readonly T[]) => ({ items, next: null })

/** A caller waits no longer than this for a slow mail server; the letter goes on by itself. */
const PATIENCE = 5_000
/** How often who waits for another's try looks what became of it. */
const LOOK = 100

/** Tries a letter now, or waits for who is trying it already: it does not go out twice because two asked. */
const tryNow = async (house: Parameters<typeof sendPost>[0], id: number): Promise<void> => {
  if ((await sendPost(house, id)) > 0) return
  while (await isPostTaken(house.db, id)) await sleep(LOOK)
}

/** The answer says what has become of the letter so far. */
const sendNow: Operation = {
  method: 'POST',
  path: '/post/{id}/send',
  summary: 'Sends a waiting email now.',
  run: async ({ till, params }) => {
    const business = await findBusiness(till.db)
    if (!business) return err({ code: 'not-set-up' })
    const id = Number(params.id)
    const before = Number.isSafeInteger(id) ? (await listPost(till.db, { id }, { limit: 1 }))[0] : undefined
    if (!before) return err({ code: 'not-found', what: 'letter', id: params.id ?? '' })
    // A letter that went is answered as it went: who asks twice is told the same.
    if (before.state === 'dropped' || before.state === 'bounced')
      return err({ code: 'letter-not-waiting', state: before.state })
    await Promise.race([tryNow({ db: till.db, business, today: till.today }, id), sleep(PATIENCE)])
    return ok({ status: 200, body: viewOfPost(present((await listPost(till.db, { id }, { limit: 1 }))[0])) })
  },
}

export const post = [
  read(
    '/post/draft',
    'An email as it would be sent: to whom, subject and text.',
    z.object({ paper: paperKind, paperId: idField, until: dayField.optional() }),
    ({ db, business, today, query: { until, ...about } }) => readDraftLetter(db, about, business, today, { until }),
    'paper',
  ),
  change('/post', 'Writes an email; it waits until it is sent.', writeLetter, { status: 201 }),
  read(
    '/post',
    'Emails, newest first.',
    page.extend({
      customerId: idField.optional(),
      saleId: idField.optional(),
      state: z.enum(POST_STATES).optional(),
    }),
    async ({ db, query }) =>
      listOf(
        await listPost(db, query, { limit: query.limit, after: readCursor(z.number().int(), query.after) }),
        query.limit,
        viewOfPost,
        (p) => p.id,
      ),
  ),
  sendNow,
  change('/post/{id}', 'Discards an email that was not sent.', dropLetter, {
    path: { postId: 'id' },
    method: 'DELETE',
  }),
  read('/mailbox', 'What the mail stand-in delivered, newest first.', noQuery, async ({ db }) =>
    whole(await listMailbox(db, 200)),
  ),
  read('/letter-templates', 'The owner’s own email wording.', noQuery, async ({ db }) =>
    whole(await listTemplates(db)),
  ),
  read(
    '/letter-templates/one',
    'The email wording in use.',
    z.object({ paper: letterKind, language: z.enum(PAPER_LANGUAGES).default('en') }),
    async ({ db, query }) => {
      const template = await readTemplate(db, query.paper, query.language)
      return {
        ...query,
        ...template,
        example: fillLetter(template.body, { name: 'Ines Marlowe', business: 'us' }),
      }
    },
  ),
  change('/letter-templates', 'Saves the owner’s own wording of an email.', keepLetterTemplate),
  change('/letter-templates', 'Restores the standard text.', dropLetterTemplate, { method: 'DELETE' }),
  read('/layouts', 'The owner’s own document layouts.', noQuery, async ({ db }) => whole(await listLayouts(db))),
  read(
    '/layouts/usual',
    'The standard layout of a document, where an own one begins.',
    z.object({ paper: paperKind }),
    async ({ query }) => ({ paper: query.paper, spec: usualLayout(query.paper) }),
  ),
  change('/layouts', 'Adds an own layout for a document.', addLayout, { status: 201 }),
  change('/layouts/{id}', 'Changes a layout, or makes it the default.', changeLayout, {
    path: { layoutId: 'id' },
    method: 'PATCH',
  }),
  change('/layouts/{id}', 'Deletes a layout.', dropLayout, {
    path: { layoutId: 'id' },
    method: 'DELETE',
  }),
]
