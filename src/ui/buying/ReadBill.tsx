'use client'
import { useState } from 'react'
import type { AnswerTo } from '@/contract/calls'
import { FileButton } from '../files/FileButton'
import { tooLarge } from '../files/tooLarge'
import { Refusal } from '../Refusal'
import { sendFile, type Refused } from '../http'

interface Props {
  readonly onRead: (read: AnswerTo<'POST', '/bills/read'>) => void
  /** A photo or PDF of it, kept with the bill. */
  readonly onPaper: (paper: File | null) => void
}

const XML = 'application/xml'

/** A bill that came as a file: an e-invoice fills in the form, a photo or PDF is shown beside it. */
export const ReadBill = ({ onRead, onPaper }: Props) => {
  const [refused, setRefused] = useState<Refused | null>(null)
  const [says, setSays] = useState('')
  const read = async (file: File) => {
    setRefused(null)
    setSays('')
    const large = tooLarge(file)
    if (large) setRefused(large)
    else if (/^image\/|\/pdf$/.test(file.type)) onPaper(file)
    else {
      const sent = await sendFile<AnswerTo<'POST', '/bills/read'>>('/bills/read', file, XML)
      if (!sent.ok) setRefused(sent)
      else {
        onRead(sent.value)
        setSays(
          sent.value.enteredAs
            ? `This bill is entered already, as ${sent.value.enteredAs}.`
            : sent.value.supplierId === null
              ? `Read. ${sent.value.supplier || 'Its supplier'} is not among your suppliers: choose one.`
              : 'Read. Compare it, then enter it.',
        )
      }
    }
  }
  return (
    <div className="mb-4">
      <FileButton
        accept=".xml,image/png,image/jpeg,image/webp,application/pdf"
        hint="An e-invoice (XML: UBL or CII) fills in the form; a photo or PDF stands beside it and is kept."
        onFile={(file) => void read(file)}
      >
        From a file
      </FileButton>
      <p role="status" className={says === '' ? 'sr-only' : 'mt-2'}>
        {says}
      </p>
      <Refusal refused={refused} />
    </div>
  )
}
