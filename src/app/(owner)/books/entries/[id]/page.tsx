import { readEntry } from '@/model/books/entry'
import type { Metadata } from 'next'
import Link from 'next/link'
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
          <Link prefetch={false} className="underline" href={`/books?view=journal&to=${entry.on}`}>
            Journal
          </Link>
        }
        title={`Entry ${entry.id}`}
        beside={
          <>
            {!href.startsWith('/books') && (
              <Link prefetch={false} className="underline" href={href}>
                the paper that posted it
              </Link>
            )}
            {entry.reversesId && (
              <>
                {' '}
                · reverses{' '}
                <Link prefetch={false} className="underline" href={`/books/entries/${entry.reversesId}`}>
                  entry {entry.reversesId}
                </Link>
              </>
            )}
          </>
        }
      />
      <EntryLines entry={entry} before={before} />
      <p className="sub mt-4">Posted entries never change. A mistake is mended by an entry that reverses it.</p>
    </>
  )
}
