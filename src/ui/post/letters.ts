import { MAIL_STATE_NAMES } from '@/core/names'
import type { PostState } from '@/model/post/post'

/** How a letter stands, in a word. */
export const sayLetter = (state: PostState): string => MAIL_STATE_NAMES[state]

export const LETTER_COLOUR: Readonly<Record<PostState, string>> = {
  waiting: 'text-rust-600',
  sent: 'text-patina-700',
  bounced: 'text-oxide-700',
  dropped: 'text-iron-500',
}
