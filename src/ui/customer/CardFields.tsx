'use client'
import { Text } from '../fields'

/** The number of a card. None of it is kept. */
export const CardFields = ({ card, onCard }: { readonly card: string; readonly onCard: (card: string) => void }) => (
  <Text
    label="Card number"
    inputMode="numeric"
    autoComplete="cc-number"
    maxLength={23}
    placeholder="0000 0000 0000 0000"
    value={card}
    onChange={(e) => onCard(e.target.value)}
    hint="Test mode: no real payment is made. Any 16-digit number works; ending 0001 is declined, ending 0002 is slow."
  />
)
