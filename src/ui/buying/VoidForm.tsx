'use client'
import type { Day } from '@/core/day'
import { ReasonForm } from '../ReasonForm'
import { TAKEN_BACK, type TakenBack } from './takenBack'

interface Props {
  readonly kind: TakenBack
  readonly id: number
  readonly today: Day
  readonly onDone: () => void
}

/** A supplier's bill, credit, payment or receipt taken back: why, and from which day. */
export const VoidForm = ({ kind, id, today, onDone }: Props) => {
  const what = TAKEN_BACK[kind]
  return <ReasonForm what={what} path={`${what.path}/${id}/${what.call}`} today={today} onDone={onDone} />
}
