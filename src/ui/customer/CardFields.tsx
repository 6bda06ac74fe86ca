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
    hint="A stand-in for a card service: any sixteen digits pay. Ending in 0001 it is refused, in 0002 it is slow."
  />
)
