import type { Tone } from '@/lists/column'

/** What a tone looks like. */
export const TONE: Readonly<Record<Tone, string>> = {
  late: 'text-oxide-700',
  quiet: 'text-iron-500',
  held: 'text-brass-700',
  paid: 'text-patina-700',
  waits: 'text-rust-600',
  strong: 'font-bold',
  struck: 'text-iron-500 line-through',
}
