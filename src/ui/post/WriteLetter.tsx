'use client'
import { useEffect, useState } from 'react'
import type { PaperKind } from '@/core/formats'
import { Panel } from '../Panel'
import { Refusal } from '../Refusal'
import { call, useSend } from '../send'
import { LetterFields, type LetterDraft } from './LetterFields'

interface Props {
  readonly paper: PaperKind
  readonly paperId: number
  /** On the button. */
  readonly label?: string
  readonly primary?: boolean
}

/** Writes to the customer about a paper: address, subject and words filled in, the PDF attached, shown before it goes. */
export const WriteLetter = ({ paper, paperId, label = 'Email', primary }: Props) => {
  const [open, setOpen] = useState(false)
  return (
    <>
      <button
        type="button"
        className={`btn ${primary ? 'btn-do' : ''}`}
        data-primary={primary ? true : undefined}
        onClick={() => setOpen(true)}
      >
        {label}
      </button>
      {open && <LetterPanel paper={paper} paperId={paperId} onClose={() => setOpen(false)} />}
    </>
  )
}

const LetterPanel = ({ paper, paperId, onClose }: Props & { readonly onClose: () => void }) => {
  const [letter, setLetter] = useState<LetterDraft | null>(null)
  const [problem, setProblem] = useState('')
  const { send, busy, refused } = useSend()
  useEffect(() => {
    void call('GET', `/post/draft?paper=${paper}&paperId=${paperId}`).then((d) =>
      d.ok ? setLetter(d.value) : setProblem(d.detail),
    )
  }, [paper, paperId])
  const go = async () => {
    if (!letter) return
    const { to, subject, body } = letter
    const written = await send('POST', '/post', {
      paper,
      paperId,
      to: to || undefined,
      subject,
      body,
    })
    if (!written) return
    await send(
      'POST',
      `/post/${written.id}/send`,
      {},
      {
        say: (p) =>
          p.state === 'sent'
            ? `Mailed to ${p.to}.`
            : p.state === 'bounced'
              ? `Bounced: ${p.problem}`
              : `Waiting in Mail: ${p.problem}`,
      },
    )
    onClose()
  }
  return (
    <Panel open onClose={onClose} title="Send email">
      {problem && <p className="text-oxide-700">{problem}</p>}
      {letter && (
        <>
          <LetterFields letter={letter} onLetter={setLetter} refused={refused} />
          <p className="mt-3">
            Attached:{' '}
            <a className="underline" href={`/api/v1/export/papers/${paper}/${paperId}.pdf`} target="_blank">
              PDF
            </a>
            .
          </p>
          <Refusal refused={refused} />
          <button className="btn btn-do mt-4 w-full" data-primary disabled={busy} onClick={() => void go()}>
            Send
          </button>
        </>
      )}
    </Panel>
  )
}
