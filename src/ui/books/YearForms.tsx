'use client'
import { CommandForm } from '../form/CommandForm'

const schema = () => import('@/contract/inputs/books/yearEnd').then((m) => m.yearEndInput)
const nothing = () => import('zod').then(({ z }) => z.object({}))

interface Props {
  readonly year: number
  readonly onDone: () => void
}

/** Takes the end of a year back. */
export const ReopenYear = ({ year, onDone }: Props) => (
  <CommandForm
    method="DELETE"
    path={`/books/year-end/${year}`}
    schema={nothing}
    start={{}}
    asBody={() => ({})}
    say={() => `${year} is open again.`}
    onDone={onDone}
    submit={`Reopen ${year}`}
  >
    <p>
      The profit of {year} leaves retained earnings again, and every report is as it was before. The books stay closed
      through the day they were closed through before.
    </p>
  </CommandForm>
)

/** Closes a year that is over; what it posts is shown first. */
export const CloseYear = ({ year, currency, onDone }: Props & { readonly currency: string }) => (
  <CommandForm
    method="POST"
    path="/books/year-end"
    schema={schema}
    start={{ year: String(year) }}
    asBody={(d) => ({ year: Number(d.year) })}
    say={() => `${year} is closed.`}
    preview={{ currency }}
    onDone={onDone}
    submit={`Close ${year}`}
  >
    <p>
      What was earned in {year} goes to retained earnings, and nothing can be dated in it any more. The profit and loss
      of {year} stays as it is.
    </p>
  </CommandForm>
)
