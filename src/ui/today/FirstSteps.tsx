'use client'
import type { FirstStep } from '@/core/kinds'
import { Refusal } from '../Refusal'
import { useSend } from '../send'
import { To } from '../To'

interface Step {
  readonly title: string
  readonly about: string
  readonly href: string
  readonly other?: { readonly label: string; readonly href: string }
}

const STEPS: Readonly<Record<FirstStep, Step>> = {
  business: {
    title: 'Address and tax ID',
    about: 'They stand on every document, with your logo if you have one.',
    href: '/settings/business',
  },
  goods: {
    title: 'What you sell',
    about: 'Type the first item, or import a list.',
    href: '/goods/new',
    other: { label: 'Import a list', href: '/goods/import' },
  },
  opening: {
    title: 'Figures from before',
    about: 'Bank balance, stock, and what customers and you owed on the first day: typed, or from spreadsheets.',
    href: '/books/opening',
  },
  sale: { title: 'A first sale', about: 'An estimate, an order, or straight at the counter.', href: '/sales/new' },
  backup: {
    title: 'A backup',
    about: 'Everything in one file, saved somewhere outside this computer.',
    href: '/settings/data',
  },
}

interface Props {
  readonly open: readonly FirstStep[]
  readonly skipped: readonly FirstStep[]
}

/** What a new business does first: each step goes when its fact is there, or when it is not needed. */
export const FirstSteps = ({ open, skipped }: Props) => {
  const { send, busy, refused } = useSend()
  if (open.length === 0) return null
  const skip = (step: FirstStep) =>
    send(
      'PATCH',
      '/settings',
      { stepsSkipped: [...skipped, step] },
      {
        say: () => `“${STEPS[step].title}” is left out.`,
        undo: () => ({ method: 'PATCH', path: '/settings', body: { stepsSkipped: skipped }, say: 'It is back.' }),
      },
    )
  return (
    <section className="mb-7 border-l-4 border-rust-600 bg-paper-100 px-4 py-3" aria-label="First steps">
      <h2>First steps</h2>
      <ol>
        {open.map((step) => {
          const { title, about, href, other } = STEPS[step]
          return (
            <li key={step} className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-paper-200 py-2">
              <div className="min-w-0 flex-1 basis-60">
                <To data-row href={href} className="font-bold hover:underline">
                  {title}
                </To>
                <div className="sub">{about}</div>
              </div>
              {other && (
                <To className="btn" href={other.href}>
                  {other.label}
                </To>
              )}
              <button
                className="text-xs underline"
                disabled={busy}
                aria-label={`Skip: ${title}`}
                onClick={() => void skip(step)}
              >
                Skip
              </button>
            </li>
          )
        })}
      </ol>
      <Refusal refused={refused} />
    </section>
  )
}
