import type { Day } from '@/core/day'
import { DayField, Text } from './fields'
import { messageFor } from './Refusal'
import type { Refused } from './send'

interface Props {
  readonly today: Day
  readonly reason: string
  readonly onReason: (reason: string) => void
  readonly on: string
  readonly onOn: (on: string) => void
  readonly refused: Refused | null
}

/** Why something is taken back, and from which day. */
export const WhyAndOn = ({ today, reason, onReason, on, onOn, refused }: Props) => (
  <>
    <Text
      label="Why"
      value={reason}
      maxLength={500}
      onChange={(e) => onReason(e.target.value)}
      problem={messageFor(refused, 'reason')}
    />
    <DayField label="On" today={today} value={on} onValue={onOn} problem={messageFor(refused, 'on')} />
  </>
)
