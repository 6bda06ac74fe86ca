'use client'
import { Text } from '../fields'

/** The number of a card. None of it is kept. */
export const CardFields = ({ card, onCard }: { readonly card: string; readonly onCard: (card: string) => void }) => (
  <div className="grid gap-2">
    <p className="notice">
      Demo: no real payment is made. Any 16-digit number works; one ending in 0001 is declined, in 0002 is slow.
    </p>
    <Text
      label="Card number"
      inputMode="numeric"
      autoComplete="cc-number"
      maxLength={23}
      placeholder="0000 0000 0000 0000"
      value={card}
      onChange={(e) => onCard(e.target.value)}
    />
  </div>
)
