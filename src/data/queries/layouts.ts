import { and, asc, eq } from 'drizzle-orm'
import { insertOne } from '../builtOnce'
import type { Db } from '../connect'
import { paperLayout, postTemplate } from '../schema'

export const listLayouts = (db: Db, paper?: string) =>
  db
    .select()
    .from(paperLayout)
    .where(paper ? eq(paperLayout.paper, paper) : undefined)
    .orderBy(asc(paperLayout.paper), asc(paperLayout.id))

export const findLayout = async (db: Db, id: number) =>
  (await db.select().from(paperLayout).where(eq(paperLayout.id, id)))[0] ?? null

/** The layout a paper is usually made with; null where the program's own holds. */
export const findUsualLayout = async (db: Db, paper: string) =>
  (
    await db
      .select()
      .from(paperLayout)
      .where(and(eq(paperLayout.paper, paper), eq(paperLayout.usual, true)))
  )[0] ?? null

export const insertLayout = insertOne(paperLayout)

export const updateLayout = async (
  db: Db,
  id: number,
  change: Partial<typeof paperLayout.$inferInsert>,
): Promise<void> => {
  await db.update(paperLayout).set(change).where(eq(paperLayout.id, id))
}

/** Of one paper's layouts one at most is the usual one. */
export const clearUsual = async (db: Db, paper: string): Promise<void> => {
  await db.update(paperLayout).set({ usual: false }).where(eq(paperLayout.paper, paper))
}

export const deleteLayout = async (db: Db, id: number): Promise<void> => {
  await db.delete(paperLayout).where(eq(paperLayout.id, id))
}

export const listTemplates = (db: Db) =>
  db
    .select({
      paper: postTemplate.paper,
      language: postTemplate.language,
      subject: postTemplate.subject,
      body: postTemplate.body,
    })
    .from(postTemplate)
    .orderBy(asc(postTemplate.paper), asc(postTemplate.language))

export const findTemplate = async (db: Db, paper: string, language: string) =>
  (
    await db
      .select()
      .from(postTemplate)
      .where(and(eq(postTemplate.paper, paper), eq(postTemplate.language, language)))
  )[0] ?? null

export const keepTemplate = async (db: Db, row: typeof postTemplate.$inferInsert): Promise<void> => {
  await db
    .insert(postTemplate)
    .values(row)
    .onConflictDoUpdate({
      target: [postTemplate.paper, postTemplate.language],
      set: { subject: row.subject, body: row.body },
    })
}

export const deleteTemplate = async (db: Db, paper: string, language: string): Promise<void> => {
  await db.delete(postTemplate).where(and(eq(postTemplate.paper, paper), eq(postTemplate.language, language)))
}
