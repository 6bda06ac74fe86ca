'use client'
import { useEffect } from 'react'
import { useFormContext, useWatch } from 'react-hook-form'
import { addDays, day, formatDay, isDayInReach } from '@/core/day'
import { formatDigits } from '@/core/locale'
import { CommandForm } from '../../form/CommandForm'
import { FormCheck, FormDay } from '../../form/inputs'
import { asLetter, fetchLetter, sayTried, type LetterDraft } from '../../post/letterDraft'
import { LetterFields } from '../../post/LetterFields'
import { Refusal } from '../../Refusal'
import { useSend, useSendAlone } from '../../send'
import { tell } from '../../tell'
import type { PanelProps } from './parts'

interface Draft {
  validUntil: string
  /** The e-mail was filled in: whoever sends before that gets what would have been there. */
  filled: boolean
  mail: boolean
  letter: LetterDraft
}

const schema = () => import('@/contract/inputs/sales/offerSale').then((m) => m.offerSaleInput.omit({ saleId: true }))

/** Sends the estimate: saved as it is now, and mailed where there is an address. */
export const Offer = ({ sale, today, onClose }: PanelProps) => {
  const start: Draft = {
    validUntil: String(addDays(today, sale.estimateDays)),
    filled: false,
    mail: false,
    letter: { to: '', subject: '', body: '' },
  }
  const { send: write, refused } = useSend()
  const { send } = useSendAlone()
  const mailIt = async ({ filled, ...typed }: Draft) => {
    const found = filled ? null : await fetchLetter('estimate', sale.id)
    if (found?.problem) tell(`No email was written. ${found.problem}`)
    const { mail, letter } = found?.letter ? { mail: found.letter.to !== '', letter: found.letter } : typed
    const written = mail && (await write('POST', '/post', { paper: 'estimate', paperId: sale.id, ...asLetter(letter) }))
    if (written) await send('POST', `/post/${written.id}/send`, {}, { say: sayTried })
    if (written || !mail) onClose()
  }
  return (
    <CommandForm
      method="POST"
      path={`/sales/${sale.id}/offer`}
      schema={schema}
      start={start}
      asBody={({ validUntil }) => ({ validUntil })}
      say={(_, d) => `Estimate sent to ${sale.customer}, valid until ${formatDay(day(d.validUntil))}.`}
      onSent={(_, draft) => mailIt(draft)}
      submit="Send the estimate"
    >
      <p className="mb-3">
        A copy of this estimate is saved: {formatDigits(sale.gross)} with tax. Nothing is posted and no stock is set
        aside.
      </p>
      <FormDay name="validUntil" label="Valid until" today={today} />
      <p className="mt-3">
        <a className="underline" href={`/api/v1/export/sales/${sale.id}/estimate.pdf`} target="_blank">
          Preview PDF
        </a>
      </p>
      <FormCheck name="mail" label="Email it with a link to the customer’s page" />
      <Letter saleId={sale.id} />
      <Refusal refused={refused} />
    </CommandForm>
  )
}

/** The words of the e-mail; as long as nobody changed them they say the day that is chosen. */
const Letter = ({ saleId }: { readonly saleId: number }) => {
  const { getValues, setValue, formState } = useFormContext<Draft>()
  const [mail, until] = useWatch<Draft, ['mail', 'validUntil']>({ name: ['mail', 'validUntil'] })
  const { subject, body } = formState.dirtyFields.letter ?? {}
  const touched = Boolean(subject ?? body)
  useEffect(() => {
    if (touched || !isDayInReach(until)) return
    void fetchLetter('estimate', saleId, until).then(({ letter }) => {
      if (!letter || getValues('validUntil') !== until) return
      const before = getValues()
      if (!before.filled) setValue('mail', letter.to !== '')
      setValue('letter', before.filled ? { ...letter, to: before.letter.to } : letter)
      setValue('filled', true)
    })
  }, [until, touched, saleId, getValues, setValue])
  return mail && <LetterFields at="letter." />
}
