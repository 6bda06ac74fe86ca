'use client'
import { useFormState, type FieldErrors } from 'react-hook-form'
import type { Refused } from '../send'

/** Every message of a form, however deep its field lies. */
const messagesOf = (errors: FieldErrors): readonly string[] =>
  Object.values(errors).flatMap((error) =>
    error === undefined || error === null || typeof error !== 'object'
      ? []
      : typeof error.message === 'string'
        ? [error.message]
        : messagesOf(error as FieldErrors),
  )

interface Props {
  readonly refused: Refused | null
  /** Only read aloud: in a form of one field it is seen there. */
  readonly unseen?: boolean
}

/** What keeps a form from being sent: read aloud at once, and seen beside the button however long the form is. */
export const FormProblems = ({ refused, unseen = false }: Props) => {
  const { errors } = useFormState()
  const messages = [...new Set(messagesOf(errors))]
  const said = messages.length > 0 ? messages.join(' ') : refused && refused.errors.length === 0 ? refused.detail : null
  return (
    said && (
      <p role="alert" className={unseen ? 'sr-only' : 'notice notice-bad my-2'}>
        {said}
      </p>
    )
  )
}
