import {
  dropLetterInput,
  dropLetterTemplateInput,
  writeLetterInput,
  keepLetterTemplateInput,
} from '@/contract/inputs/post/writeLetter'
import { present } from '@/core/present'
import { randomUUID } from 'node:crypto'
import { type Day } from '@/core/day'
import { fillLetter, paperWords, reminderLetter, type LetterKind, type PaperKind } from '@/core/formats'
import type { Db } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { deleteTemplate, keepTemplate } from '@/data/queries/layouts'
import { dropPost, insertPost, listPost, type PostRow } from '@/data/queries/post'
import { findSales } from '@/data/queries/sales'
import { defineCommand, type Work } from '../command'
import { found, refuse } from '@/contract/refuse'
import { readAboutPaper, readTemplate } from './letterFacts'
import { readNextReminder } from '@/model/receivables/nextReminder'

/** Where in a letter the link to the customer's own page will stand. */
export const LINK_PLACE = '{link}'

export const viewOfPost = (p: PostRow) => ({
  id: p.id,
  customerId: p.customerId,
  supplierId: p.supplierId,
  customer: p.name,
  saleId: p.saleId,
  paper: p.paper,
  paperId: p.paperId,
  to: p.recipient,
  subject: p.subject,
  body: p.body.replaceAll(LINK_PLACE, '[link to their page, made when it is sent]'),
  state: p.state,
  tries: p.tries,
  problem: p.problem,
  writtenOn: p.writtenOn,
  sentOn: p.sentOn,
})

const letterOf = ({ paper, stage }: { readonly paper: PaperKind; readonly stage?: number }): LetterKind =>
  paper === 'reminder' ? reminderLetter(stage ?? 1) : paper

/** A letter as it would go out, before anything is written: whom to, about what, in which words. */
export const readDraftLetter = async (
  db: Db,
  { paper, paperId }: { readonly paper: PaperKind; readonly paperId: number },
  business: Business,
  today: Day,
  /** Until when an estimate is good, where that is only being chosen. */
  { until }: { readonly until?: Day } = {},
) => {
  const about = await readAboutPaper(db, paper, paperId, business, today)
  if (!about) return null
  const stage = paper === 'reminder' ? (await readNextReminder(db, paperId, business, today))?.stage : undefined
  const template = await readTemplate(db, letterOf({ paper, stage }), about.party.language)
  // The link is made when the letter is written; until then its place is kept.
  const facts = {
    ...about.facts,
    ...(until && { until: paperWords(about.party.language).day(until) }),
    link: LINK_PLACE,
  }
  return {
    customerId: about.party.customerId,
    customer: about.party.name,
    to: about.party.email,
    subject: fillLetter(template.subject, facts).replace(/\n/g, ' '),
    body: fillLetter(template.body, facts),
  }
}

interface Letter {
  readonly paper: PaperKind
  readonly paperId: number
  /** How firm a reminder is. */
  readonly stage?: number
  /** In another wording than the paper's own. */
  readonly as?: LetterKind
  readonly to?: string
  readonly subject?: string
  readonly body?: string
}

/** What goes with a letter about an estimate is the estimate as its customer can answer it. */
const mustSayAsSent = async (w: Work, saleId: number): Promise<void> => {
  const [sale] = await findSales(w.tx, [saleId], w.currency)
  if (sale?.reworked) refuse({ code: 'estimate-reworked', sentOn: present(sale.sentOn) })
}

/** Writes a letter: it waits to be sent, and nothing has gone out yet. What is left out is filled in from the templates. */
export const writeLetterIn = async (w: Work, letter: Letter): Promise<number> => {
  const about = found(
    await readAboutPaper(w.tx, letter.paper, letter.paperId, w.business, w.today),
    letter.paper,
    letter.paperId,
  )
  if (letter.paper === 'estimate') await mustSayAsSent(w, letter.paperId)
  const to = letter.to || about.party.email
  if (!to) refuse({ code: 'no-address', name: about.party.name })
  const template = await readTemplate(w.tx, letter.as ?? letterOf(letter), about.party.language)
  const wording = {
    subject: letter.subject || template.subject,
    body: letter.body || template.body,
  }
  // The link is made when the letter goes out, and stands in it alone: until then its place is kept.
  const facts = { ...about.facts, link: LINK_PLACE }
  return insertPost(w.tx, {
    customerId: about.party.customerId,
    supplierId: about.party.supplierId,
    saleId: about.saleId,
    paper: letter.paper,
    paperId: letter.paperId,
    recipient: to,
    subject: fillLetter(wording.subject, facts).replace(/\s+/g, ' '),
    body: fillLetter(wording.body, facts),
    messageId: `${randomUUID()}@till.local`,
    writtenOn: w.today,
  })
}

export const writeLetter = defineCommand('write-letter', writeLetterInput, async (w, letter) => {
  const postId = await writeLetterIn(w, letter)
  return {
    id: postId,
    answer: async () => viewOfPost(present((await listPost(w.tx, { id: postId }, { limit: 1 }))[0])),
  }
})

/** Drops a letter that has not gone and is not just going, or clears away one that came back. */
export const dropLetter = defineCommand('drop-letter', dropLetterInput, async (w, { postId }) => {
  const letter = found((await listPost(w.tx, { id: postId }, { limit: 1 }))[0], 'letter', postId)
  if (letter.state === 'sent') refuse({ code: 'letter-gone', to: letter.recipient })
  if (!(await dropPost(w.tx, postId))) refuse({ code: 'letter-going', to: letter.recipient })
  return { id: postId, answer: async () => viewOfPost({ ...letter, state: 'dropped' }) }
})

/** The owner's own wording of a letter. */
export const keepLetterTemplate = defineCommand('keep-letter-template', keepLetterTemplateInput, async (w, t) => {
  await keepTemplate(w.tx, t)
  return { id: 1, answer: async () => t }
})

/** Back to the program's own wording. */
export const dropLetterTemplate = defineCommand('drop-letter-template', dropLetterTemplateInput, async (w, t) => {
  await deleteTemplate(w.tx, t.paper, t.language)
  return { id: 1, answer: async () => ({ ...t, ...(await readTemplate(w.tx, t.paper, t.language)) }) }
})
