import { present } from '@/core/present'
import { isPaper } from '@/core/formats'
import type { Day } from '@/core/day'
import type { Database } from '@/data/connect'
import type { Business } from '@/data/queries/business'
import { listOpenDues } from '@/data/queries/due'
import { insertFile, listFiles, findFile } from '@/data/queries/files'
import { claimPost, closePost, listPost, putPostBack, type PostRow } from '@/data/queries/post'
import { makeNamedPaper } from '@/documents/make'
import { opens, unseal } from '@/services/access/seal'
import { makeLink } from '@/services/post/links'
import { LINK_PLACE } from '@/services/post/writeLetter'
import { smtpMail } from '@/standins/mail/smtpMail'
import { standInMail } from '@/standins/mail/standInMail'
import type { MailTransport, OutgoingMail } from '@/standins/mail/transport'

interface House {
  readonly db: Database
  readonly business: Business
  readonly today: Day
}

/** The paper that goes with a letter, made at the first try and kept: what is sent again is what was to be sent. */
const attachmentOf = async ({ db, business, today }: House, letter: PostRow): Promise<OutgoingMail['attachments']> => {
  if (!isPaper(letter.paper) || letter.paperId === null) return []
  const [kept] = await listFiles(db, 'post', letter.id)
  if (kept) {
    const file = present(await findFile(db, kept.id))
    return [{ name: file.name, type: file.type, body: file.body }]
  }
  const made = await makeNamedPaper({ db, business, today }, letter.paper, letter.paperId)
  if (!made) return []
  const { body, name } = made
  await insertFile(db, {
    ownerKind: 'post',
    ownerId: letter.id,
    name,
    type: 'application/pdf',
    size: body.length,
    body,
    addedOn: today,
  })
  return [{ name, type: 'application/pdf', body }]
}

/** The letter as it goes out: with a link of its own, whose secret stands nowhere else. */
const withLink = async ({ db, business, today }: House, letter: PostRow): Promise<string> => {
  const { customerId, saleId } = letter
  if (!letter.body.includes(LINK_PLACE) || customerId === null) return letter.body
  return letter.body.replaceAll(
    LINK_PLACE,
    await makeLink(db, { customerId, saleId, opensAll: business.linksOpenAll, on: today }),
  )
}

const SEALED_ELSEWHERE =
  'The address of the mail server was set up with another key. Enter it again in Settings, or start with that TILL_SEAL_KEY.'

const transportOf = ({ db, business: { smtpUrl } }: House): MailTransport => {
  if (!smtpUrl) return standInMail(db)
  if (!opens(smtpUrl)) return { deliver: async () => ({ as: 'unreachable', why: SEALED_ELSEWHERE }) }
  return smtpMail(unseal(smtpUrl))
}

/** A reminder of nothing: everything that was late has been paid since it was written. */
const remindsOfNothing = async ({ db, business, today }: House, { paper, customerId }: PostRow): Promise<boolean> =>
  paper === 'reminder' &&
  customerId !== null &&
  !(await listOpenDues(db, customerId, business.currency)).some((d) => d.dueOn < today)

/**
 * Tries to send one letter that waits, and writes down what became of it. False where another would not go either:
 * none waits, or the mail server does not answer.
 */
const sendNext = async (house: House, transport: MailTransport, only?: number): Promise<boolean> => {
  const { db, business, today } = house
  const postId = await claimPost(db, only)
  if (postId === null) return false
  const letter = present((await listPost(db, { id: postId }, { limit: 1 }))[0])
  try {
    if (await remindsOfNothing(house, letter)) {
      await closePost(db, postId, { state: 'dropped', sentOn: null, problem: 'Everything was paid before it went.' })
      return true
    }
    const delivery = await transport.deliver(
      {
        messageId: letter.messageId,
        from: business.email || `till@${business.name.toLowerCase().replace(/[^a-z0-9]+/g, '-')}.example`,
        to: letter.recipient,
        subject: letter.subject,
        body: await withLink(house, letter),
        attachments: await attachmentOf(house, letter),
      },
      letter.tries,
    )
    if (delivery.as === 'sent') await closePost(db, postId, { state: 'sent', sentOn: today, problem: '' })
    else if (delivery.as === 'bounced')
      await closePost(db, postId, { state: 'bounced', sentOn: today, problem: delivery.why })
    else await putPostBack(db, postId, letter.tries, delivery.why)
    return delivery.as !== 'unreachable'
  } catch (problem) {
    await putPostBack(db, postId, letter.tries, problem instanceof Error ? problem.message : String(problem))
    return true
  }
}

/**
 * Sends what waits, or the one letter named; how many went through to the mail server. A server that does not answer
 * ends the round: the clockwork has other work, and comes again.
 */
export const sendPost = async (house: House, only?: number): Promise<number> => {
  const transport = transportOf(house)
  let tried = 0
  while (await sendNext(house, transport, only)) {
    tried++
    if (only !== undefined || tried >= 200) break
  }
  return tried
}
