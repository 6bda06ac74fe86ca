'use client'
import { useEffect, useRef, useState } from 'react'
import type { AnswerTo } from '@/contract/calls'
import { FileButton } from '../files/FileButton'
import { tooLarge } from '../files/tooLarge'
import { Refusal } from '../Refusal'
import { sendFile, type Refused } from '../http'

type Read = AnswerTo<'POST', '/bills/read'>

interface Props {
  readonly onRead: (read: Read) => void
  /** A photo or PDF of it, kept with the bill. */
  readonly onPaper: (paper: File | null) => void
  /** Whether the form has something in it that was typed. */
  readonly isTyped: boolean
}

const PDF = 'application/pdf'
/** What is said where there is nothing to read: it is no failure, and what came is looked at. */
const ONLY_LOOKED_AT = /:(no-e-invoice|e-invoice-unreadable)$/

const sayRead = (read: Read): string => {
  if (read.enteredAs) return `This bill is entered already, as ${read.enteredAs}.`
  return read.supplierId === null
    ? `Read. ${read.supplier || 'Its supplier'} is not among your suppliers: choose one.`
    : 'Read. Compare it, then enter it.'
}

/** A bill that came as a file: an e-invoice, alone or within a PDF, fills in the form; a photo or PDF is shown beside it. */
export const ReadBill = ({ onRead, onPaper, isTyped }: Props) => {
  const [refused, setRefused] = useState<Refused | null>(null)
  const [says, setSays] = useState('')
  // What a PDF brings along does not take the place of what was typed until that is asked for.
  const [waiting, setWaiting] = useState<Read | null>(null)
  const typed = useRef(isTyped)
  useEffect(() => void (typed.current = isTyped), [isTyped])
  const fillIn = (read: Read) => {
    onRead(read)
    setWaiting(null)
    setSays(sayRead(read))
  }
  const read = async (file: File) => {
    setRefused(null)
    setSays('')
    setWaiting(null)
    const large = tooLarge(file)
    if (large) return setRefused(large)
    const isPdf = file.type === PDF
    if (isPdf || file.type.startsWith('image/')) onPaper(file)
    if (file.type.startsWith('image/')) return
    const sent = await sendFile<Read>('/bills/read', file, isPdf ? PDF : 'application/xml')
    if (sent.ok && isPdf && typed.current) {
      setWaiting(sent.value)
      setSays('There is an e-invoice in this PDF.')
    } else if (sent.ok) fillIn(sent.value)
    else if (ONLY_LOOKED_AT.test(sent.type ?? '')) setSays(sent.detail)
    else setRefused(sent)
  }
  return (
    <div className="mb-4">
      <FileButton
        accept={`.xml,image/png,image/jpeg,image/webp,${PDF}`}
        hint="An e-invoice (UBL or CII, as XML or in a PDF) fills in the form; a photo or PDF stands beside it and is kept."
        onFile={(file) => void read(file)}
      >
        From a file
      </FileButton>
      <p role="status" className={says === '' ? 'sr-only' : 'mt-2'}>
        {says}
      </p>
      {waiting && (
        <button type="button" className="btn mt-1" onClick={() => fillIn(waiting)}>
          Fill in the form from it
        </button>
      )}
      <Refusal refused={refused} />
    </div>
  )
}
