import { readEntry } from '@/model/books/entry'
import type { Metadata } from 'next'
import { To } from '@/ui/To'
import { notFound } from 'next/navigation'
import { REPEAT_EVERY_NAMES } from '@/core/names'
import { EntryActs } from '@/ui/books/EntryActs'
import { EntryLines } from '@/ui/books/EntryLines'
import { Files } from '@/ui/files/Files'
import { RepeatLine } from '@/ui/sale/RepeatLine'
import { Heading } from '@/ui/Heading'
import { idFrom, openShop } from '../../../_shop'
import { hrefOfSource } from '@/model/books/entrySource'

export const metadata: Metadata = { title: 'Entry' }

export default async function EntryPage({ params }: { params: Promise<{ id: string }> }) {
  const shop = await openShop()
  const { entry, before, ...of } = (await readEntry(shop, await idFrom(params))) ?? notFound()
  const href = hrefOfSource(entry)
  return (
    <>
      <Heading
        above={
          <To className="underline" href={`/books?view=journal&to=${entry.on}`}>
            Journal
          </To>
        }
        title={`Entry ${entry.id}`}
        beside={
          <>
            {!href.startsWith('/books') && (
              <To className="underline" href={href}>
                Source document
              </To>
            )}
            {entry.reversesId && (
              <>
                {' '}
                · reverses{' '}
                <To className="underline" href={`/books/entries/${entry.reversesId}`}>
                  entry {entry.reversesId}
                </To>
              </>
            )}
            {of.reversedBy && (
              <>
                {' '}
                · reversed by{' '}
                <To className="underline" href={`/books/entries/${of.reversedBy}`}>
                  entry {of.reversedBy}
                </To>
              </>
            )}
          </>
        }
        action={of.mayReverse && <EntryActs id={entry.id} on={entry.on} today={shop.today} mayRepeat={of.mayRepeat} />}
      />
      <EntryLines entry={entry} before={before} />
      {of.repeats.map((r) => (
        <div key={r.id} className="mt-3 max-w-sm">
          <RepeatLine
            id={r.id}
            says={r.turned ? 'Reverses automatically' : REPEAT_EVERY_NAMES[r.every]}
            nextOn={r.nextOn}
            done={r.done}
            stop={{ path: `/entry-repeats/${r.id}/stop`, say: 'Stopped. Entries already posted stay.' }}
          />
        </div>
      ))}
      <p className="sub mt-4">Posted entries never change. To correct one, post an entry that reverses it.</p>
      {of.isOwn && (
        <div className="mt-6 max-w-sm">
          <Files ownerKind="entry" ownerId={entry.id} files={of.files} label="Files" />
        </div>
      )}
    </>
  )
}
