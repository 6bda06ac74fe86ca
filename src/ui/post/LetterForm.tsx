'use client'
import { useEffect, useState } from 'react'
import type { z } from 'zod'
import type { PaperKind } from '@/core/formats'
import { CommandForm } from '../form/CommandForm'
import { useSendAlone } from '../send'
import { asLetter, fetchLetter, sayTried, type LetterDraft } from './letterDraft'
import { LetterFields } from './LetterFields'

type LetterPath = '/post' | `/customers/${number}/reminders` | `/purchase-orders/${number}/send`

interface Props<P extends LetterPath> {
  readonly paper: PaperKind
  readonly paperId: number
  /** The call that writes it, and what it needs beside the words. */
  readonly path: P
  readonly schema: () => Promise<z.ZodType>
  readonly about: P extends '/post' ? { readonly paper: PaperKind; readonly paperId: number } : object
  readonly submit: string
  readonly onDone: () => void
}

/** An e-mail about a document, shown before it goes: address, subject and words filled in, the PDF attached. */
export const LetterForm = <P extends LetterPath>({ paper, paperId, path, schema, about, submit, onDone }: Props<P>) => {
  const [{ letter, problem }, setFound] = useState<Awaited<ReturnType<typeof fetchLetter>>>({
    letter: null,
    problem: '',
  })
  const { send } = useSendAlone()
  useEffect(() => void fetchLetter(paper, paperId).then(setFound), [paper, paperId])
  const goNow = async (written: object) => {
    const id = 'postId' in written ? written.postId : 'id' in written ? written.id : null
    await send('POST', `/post/${Number(id)}/send`, {}, { say: sayTried })
    onDone()
  }
  if (problem) return <p className="text-oxide-700">{problem}</p>
  return (
    letter && (
      <CommandForm
        method="POST"
        path={path as '/post'}
        start={letter}
        schema={schema}
        asBody={(d: LetterDraft) => ({ ...(about as { paper: PaperKind; paperId: number }), ...asLetter(d) })}
        onSent={goNow}
        submit={submit}
      >
        <LetterFields autoFocus />
        <p className="mt-3">
          Attached:{' '}
          <a className="underline" href={`/api/v1/export/papers/${paper}/${paperId}.pdf`} target="_blank">
            PDF
          </a>
          .
        </p>
      </CommandForm>
    )
  )
}
