import { listFiles } from '@/data/queries/files'
import type { Part } from '@/data/queries/inOrder'
import { listMailbox } from '@/data/queries/mailbox'
import { countPost, listPost, type PostFilter } from '@/data/queries/post'
import type { Where } from '../where'

export type { PostRow, PostState } from '@/data/queries/post'

/** Letters that fit, the newest first where no order is asked for. */
export const readPost = ({ db }: Where, filter: PostFilter, part: Part) => listPost(db, filter, part)

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
