/** A card as it is typed. None of it is kept. */
export interface CardTyped {
  readonly number: string
}

export interface CardAnswer {
  readonly approved: boolean
  /** Why not, in words for whoever pays. */
  readonly why: string
}

/** Sixteen digits that end so behave as real ones sometimes do; any other sixteen digits are approved at once. */
export const CARD_ENDINGS = { refused: '0001', slow: '0002', twice: '0003' } as const

/**
 * Asks the card stand-in for money. It answers through `answer`: at once, after three seconds, or twice. Whoever asks must
 * be ready to hear the same answer again.
 */
export const askCard = async (card: CardTyped, answer: (a: CardAnswer) => Promise<void>): Promise<void> => {
  const digits = card.number.replace(/\s/g, '')
  if (!/^\d{16}$/.test(digits)) return answer({ approved: false, why: 'a card number has sixteen digits.' })
  if (digits.endsWith(CARD_ENDINGS.refused)) return answer({ approved: false, why: 'there is not enough on it.' })
  if (digits.endsWith(CARD_ENDINGS.slow)) await new Promise((r) => setTimeout(r, 3000))
  await answer({ approved: true, why: '' })
  if (digits.endsWith(CARD_ENDINGS.twice)) await answer({ approved: true, why: '' })
}

/** Keeps a card for later, as a card company would: what is kept names it, and cannot be read back. Null: no such card. */
export const keepCard = ({ number }: CardTyped): string | null => {
  const digits = number.replace(/\s/g, '')
  return /^\d{16}$/.test(digits) ? `kept-${digits.slice(-4)}` : null
}

/**
 * Asks a kept card for money. It behaves as its ending says. A reference is one payment: asked for again by it, a card company takes
 * nothing more and says what it said.
 */
export const askKeptCard = async ({
  card: kept,
}: {
  readonly card: string
  readonly reference: string
  readonly amount: string
}): Promise<CardAnswer> => {
  if (kept.endsWith(CARD_ENDINGS.slow)) await new Promise((r) => setTimeout(r, 3000))
  return kept.endsWith(CARD_ENDINGS.refused)
    ? { approved: false, why: 'there is not enough on it.' }
    : { approved: true, why: '' }
}
