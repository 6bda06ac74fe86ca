'use client'
import { LetterForm } from '../post/LetterForm'

const schema = () => import('@/contract/inputs/chase/remind').then((m) => m.remindInput.omit({ customerId: true }))

interface Props {
  readonly customerId: number
  readonly onDone: () => void
}

/** The reminder that is next for a customer, over everything of theirs that is late. */
export const Remind = ({ customerId, onDone }: Props) => (
  <>
    <p>One email about everything that is late, with the list attached. Never two within the days set for its stage.</p>
    <LetterForm
      paper="reminder"
      paperId={customerId}
      path={`/customers/${customerId}/reminders`}
      schema={schema}
      about={{}}
      submit="Send reminder"
      onDone={onDone}
    />
  </>
)
