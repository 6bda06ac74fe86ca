'use client'
import { useState } from 'react'
import { CommandForm } from '../form/CommandForm'
import { Panel } from '../Panel'

const schema = () => import('@/contract/inputs/books/yearEnd').then((m) => m.yearEndInput)
const nothing = () => import('zod').then(({ z }) => z.object({}))

interface Props {
  readonly year: number
  readonly closed: boolean
  readonly currency: string
}

/** Closes a year that is over, or takes that back; what it posts is shown first. */
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
          <CommandForm
            method="DELETE"
            path={`/books/year-end/${year}`}
            schema={nothing}
            start={{}}
            asBody={() => ({})}
            say={() => `${year} is open again.`}
            onDone={close}
            submit={`Reopen ${year}`}
          >
            <p>
              The profit of {year} leaves retained earnings again, and every report is as it was before. The books stay
              closed through the day they were closed through before.
            </p>
          </CommandForm>
        ) : (
          <CommandForm
            method="POST"
            path="/books/year-end"
            schema={schema}
            start={{ year: String(year) }}
            asBody={(d) => ({ year: Number(d.year) })}
            say={() => `${year} is closed.`}
            preview={{ currency }}
            onDone={close}
            submit={`Close ${year}`}
          >
            <p>
              What was earned in {year} goes to retained earnings, and nothing can be dated in it any more. The profit
              and loss of {year} stays as it is.
            </p>
          </CommandForm>
        )}
      </Panel>
    </>
  )
}
