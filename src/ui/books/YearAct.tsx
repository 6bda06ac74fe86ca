'use client'
import { useState } from 'react'
import { lazily } from '../lazily'
import { Panel } from '../Panel'

const CloseYear = lazily(() => import('./YearForms').then((m) => m.CloseYear))
const ReopenYear = lazily(() => import('./YearForms').then((m) => m.ReopenYear))

interface Props {
  readonly year: number
  readonly closed: boolean
  readonly currency: string
}

/** Closes a year that is over, or takes that back. */
export const YearAct = ({ year, closed, currency }: Props) => {
  const [open, setOpen] = useState(false)
  const close = () => setOpen(false)
  return (
    <>
      <button className="btn" onClick={() => setOpen(true)}>
        {closed ? 'Reopen' : 'Close'} <span className="sr-only">{year}</span>
      </button>
      <Panel open={open} onClose={close} title={closed ? `Reopen ${year}` : `Close ${year}`}>
        {closed ? (
          <ReopenYear year={year} onDone={close} />
        ) : (
          <CloseYear year={year} currency={currency} onDone={close} />
        )}
      </Panel>
    </>
  )
}
