import { readEntry } from '@/model/books/entry'
import type { Metadata } from 'next'
import { To } from '@/ui/To'
import { notFound } from 'next/navigation'
import { EntryLines } from '@/ui/books/EntryLines'
import { Heading } from '@/ui/Heading'
import { idFrom, openShop } from '../../../_shop'
import { hrefOfSource } from '@/model/books/entrySource'

export const metadata: Metadata = { title: 'Entry' }

export default async function EntryPage({ params }: { params: Promise<{ id: string }> }) {
  const { entry, before } = (await readEntry(await openShop(), await idFrom(params))) ?? notFound()
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
          </>
        }
      />
      <EntryLines entry={entry} before={before} />
      <p className="sub mt-4">Posted entries never change. To correct one, post an entry that reverses it.</p>
    </>
  )
}
