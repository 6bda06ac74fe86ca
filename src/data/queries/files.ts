import type { Day } from '@/core/day'
import { and, asc, eq } from 'drizzle-orm'
import { insertOne } from '../builtOnce'
import type { Db } from '../connect'
import { file } from '../schema'

export type FileOwner = (typeof file.$inferSelect)['ownerKind']

export interface FileRow {
  readonly id: number
  readonly name: string
  readonly type: string
  readonly size: number
  readonly addedOn: Day
}

const FACTS = { id: file.id, name: file.name, type: file.type, size: file.size, addedOn: file.addedOn }

export const listFiles = (db: Db, ownerKind: FileOwner, ownerId: number): Promise<FileRow[]> =>
  db
    .select(FACTS)
    .from(file)
    .where(and(eq(file.ownerKind, ownerKind), eq(file.ownerId, ownerId)))
    .orderBy(asc(file.id))

export const findFile = async (db: Db, id: number) => (await db.select().from(file).where(eq(file.id, id)))[0] ?? null

export const insertFile = insertOne(file)

export const deleteFile = async (db: Db, id: number): Promise<void> => {
  await db.delete(file).where(eq(file.id, id))
}
