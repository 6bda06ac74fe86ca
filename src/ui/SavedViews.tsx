'use client'
import { To } from '@/ui/To'
import { useState } from 'react'
import { X } from 'lucide-react'
import { useSendAlone } from './send'

interface Props {
  readonly place: 'invoices' | 'receipts'
  readonly path: string
  readonly views: readonly { readonly id: number; readonly name: string; readonly query: string }[]
  /** What stands in the address now. */
  readonly query: string
}

/** Lists kept by name: one click brings one back, and the one in sight can be kept. */
export const SavedViews = ({ place, path, views, query }: Props) => {
  const { send, busy } = useSendAlone()
  const [name, setName] = useState<string | null>(null)
  const keep = async () => {
    const done = await send(
      'POST',
      '/saved-views',
      { place, name: name ?? '', query },
      { say: () => `Saved as “${name}”.` },
    )
    if (done) setName(null)
  }
  return (
    <div className="no-print mb-3 flex flex-wrap items-center gap-x-4 gap-y-2">
      {views.map((v) => (
        <span key={v.id} className="flex items-center gap-1">
          <To className={v.query === query ? 'font-bold' : 'underline'} href={`${path}?${v.query}`}>
            {v.name}
          </To>
          <button
            aria-label={`Delete view ${v.name}`}
            className="text-iron-500 hover:text-oxide-700"
            disabled={busy}
            onClick={() =>
              void send(
                'DELETE',
                `/saved-views/${v.id}`,
                {},
                {
                  say: () => `View “${v.name}” deleted.`,
                  undo: () => ({
                    method: 'POST',
                    path: '/saved-views',
                    body: { place, name: v.name, query: v.query },
                    say: `Saved as “${v.name}”.`,
                  }),
                },
              )
            }
          >
            <X size={14} />
          </button>
        </span>
      ))}
      {query !== '' &&
        !views.some((v) => v.query === query) &&
        (name === null ? (
          <button className="btn" onClick={() => setName('')}>
            Save this view
          </button>
        ) : (
          <form
            className="flex items-center gap-2"
            onSubmit={(e) => {
              e.preventDefault()
              void keep()
            }}
          >
            <input
              autoFocus
              aria-label="Name of this list"
              className="field w-45"
              maxLength={80}
              value={name}
              onChange={(e) => setName(e.target.value)}
            />
            <button className="btn" disabled={busy || name.trim() === ''}>
              Save
            </button>
          </form>
        ))}
    </div>
  )
}
