'use client'
import { useEffect, useState } from 'react'
import { addDays, formatDay, day } from '@/core/day'
import { DayField } from '../../fields'
import { LetterFields, type LetterDraft } from '../../post/LetterFields'
import { messageFor, Refusal } from '../../Refusal'
import { call, useSend } from '../../send'
import { MainButton } from '../../MainButton'
import type { PanelProps } from './parts'

/** Sends the estimate: kept as it is now, and mailed where there is an address. */
export const Offer = ({ sale, today, onClose }: PanelProps) => {
  const { send, busy, refused } = useSend()
  const [validUntil, setValidUntil] = useState<string>(addDays(today, sale.estimateDays))
  const [letter, setLetter] = useState<LetterDraft | null>(null)
  const [mail, setMail] = useState(false)
  useEffect(() => {
    void call('GET', `/post/draft?paper=estimate&paperId=${sale.id}`).then((d) => {
      if (!d.ok) return
      setLetter(d.value)
      setMail(d.value.to !== '')
    })
  }, [sale.id])
  const go = async () => {
    const sent = await send(
      'POST',
      `/sales/${sale.id}/offer`,
      { validUntil },
      {
        say: () => `Estimate sent to ${sale.customer}, valid until ${formatDay(day(validUntil))}.`,
      },
    )
    if (!sent) return
    if (mail && letter) {
      // The words may speak of the day it is good through, which is only now settled.
      const now = await call('GET', `/post/draft?paper=estimate&paperId=${sale.id}`)
      const untouched = now.ok && letter.touched !== true
      const { to, subject, body } = untouched ? { ...now.value, to: letter.to } : letter
      const written = await send('POST', '/post', {
        paper: 'estimate',
        paperId: sale.id,
        to,
        subject,
        body,
      })
      if (!written) return
      await send(
        'POST',
        `/post/${written.id}/send`,
        {},
        {
          say: (p) => (p.state === 'sent' ? `Sent to ${to}.` : `Email not sent yet: ${p.problem}`),
        },
      )
    }
    onClose()
  }
  return (
    <>
      <p className="mb-3">A copy of this estimate is saved. Nothing is posted and no stock is set aside.</p>
      <DayField
        label="Valid until"
        today={today}
        value={validUntil}
        onValue={setValidUntil}
        problem={messageFor(refused, 'validUntil')}
      />
      <p className="mt-3">
        <a className="underline" href={`/api/v1/export/sales/${sale.id}/estimate.pdf`} target="_blank">
          Preview PDF
        </a>
      </p>
      <label className="mt-3 flex items-center gap-2">
        <input type="checkbox" checked={mail} onChange={(e) => setMail(e.target.checked)} /> Email it with a link to the
        customer’s page
      </label>
      {mail && letter && <LetterFields letter={letter} onLetter={setLetter} refused={refused} />}
      <Refusal refused={refused} />
      <MainButton busy={busy} onDo={() => void go()}>
        Send the estimate
      </MainButton>
    </>
  )
}
