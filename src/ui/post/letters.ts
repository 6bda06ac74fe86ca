import type { PostState } from '@/model/post/post'

const SAYS: Readonly<Record<PostState, string>> = {
  waiting: 'waits',
  sent: 'sent',
  bounced: 'came back',
  dropped: 'dropped',
}
/** How a letter stands, in a word. */
export const sayLetter = (state: PostState): string => SAYS[state]

export const LETTER_COLOUR: Readonly<Record<PostState, string>> = {
  waiting: 'text-rust-600',
  sent: 'text-patina-700',
  bounced: 'text-oxide-700',
  dropped: 'text-iron-500',
}
