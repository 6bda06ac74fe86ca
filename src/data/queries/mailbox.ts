import { desc, eq, sql } from 'drizzle-orm'
import type { Db } from '../connect'
import { mailbox } from '../schema'

interface Arriving {
  readonly messageId: string
  readonly from: string
  readonly to: string
  readonly subject: string
  readonly body: string
  readonly attachments: readonly { readonly name: string; readonly type: string; readonly body: Buffer }[]
}

/** Puts a letter in the mailbox, once however often it is delivered. */
export const dropInMailbox = async (db: Db, mail: Arriving): Promise<void> => {
  await db
    .insert(mailbox)
    .values({
      messageId: mail.messageId,
      sender: mail.from,
      recipient: mail.to,
      subject: mail.subject,
      body: mail.body,
      attachments: mail.attachments.map((a) => ({
        name: a.name,
        type: a.type,
        base64: a.body.toString('base64'),
      })),
    })
    .onConflictDoNothing({ target: mailbox.messageId })
}

/** What arrived, newest first. */
export const listMailbox = (db: Db, limit: number) =>
  db
    .select({
      id: mailbox.id,
      messageId: mailbox.messageId,
      sender: mailbox.sender,
      recipient: mailbox.recipient,
      subject: mailbox.subject,
      body: mailbox.body,
      attachments: sql<
        string[]
      >`(select coalesce(jsonb_agg(a ->> 'name'), '[]') from jsonb_array_elements(${mailbox.attachments}) a)`,
      arrivedAt: mailbox.arrivedAt,
    })
    .from(mailbox)
    .orderBy(desc(mailbox.id))
    .limit(limit)

export const findMail = async (db: Db, id: number) =>
  (await db.select().from(mailbox).where(eq(mailbox.id, id)))[0] ?? null
