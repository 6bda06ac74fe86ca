'use client'
import { Text } from '../fields'
import { messageFor } from '../Refusal'
import type { Refused } from '../send'

export interface LetterDraft {
  readonly to: string
  readonly subject: string
  readonly body: string
  /** The owner changed the words. */
  readonly touched?: boolean
}

interface Props {
  readonly letter: LetterDraft
  readonly onLetter: (letter: LetterDraft) => void
  readonly refused: Refused | null
}

/** Whom to, about what, in which words. */
export const LetterFields = ({ letter, onLetter, refused }: Props) => (
  <div className="mt-2 grid gap-2">
    <Text
      label="To"
      type="email"
      value={letter.to}
      maxLength={200}
      onChange={(e) => onLetter({ ...letter, to: e.target.value })}
      problem={messageFor(refused, 'to')}
    />
    <Text
      label="Subject"
      value={letter.subject}
      maxLength={200}
      onChange={(e) => onLetter({ ...letter, subject: e.target.value, touched: true })}
    />
    <label>
      <span className="label">Message ({'{link}'} is replaced by a link to the customer’s page)</span>
      <textarea
        className="field"
        rows={10}
        maxLength={10000}
        value={letter.body}
        onChange={(e) => onLetter({ ...letter, body: e.target.value, touched: true })}
      />
    </label>
  </div>
)
