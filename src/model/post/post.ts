import { listFiles } from '@/data/queries/files'
import { listMailbox } from '@/data/queries/mailbox'
import { countPost, listPost, type PostFilter, type PostState } from '@/data/queries/post'
import type { Where } from '../where'

export { type PostState } from '@/data/queries/post'
export const POST_STATES: readonly PostState[] = ['waiting', 'sent', 'bounced', 'dropped']

/** Letters, the newest first, a page at a time. */
export const readPost = (
  { db }: Where,
  filter: PostFilter,
  page: { readonly limit: number; readonly after?: number },
) => listPost(db, filter, page)

/** A letter with what went with it; null where there is none. */
export const readLetter = async ({ db }: Where, id: number) => {
  const [[letter], files] = await Promise.all([listPost(db, { id }, { limit: 1 }), listFiles(db, 'post', id)])
  return letter ? { letter, files } : null
}

export const readMailbox = ({ db }: Where) => listMailbox(db, 100)

/** How many letters wait or came back and were not looked at. */
export const countLettersToSee = async ({ db }: Where): Promise<number> => {
  const { waiting, bounced } = await countPost(db)
  return waiting + bounced
}
