import { POST_STATES, readPost } from '@/model/post/post'
import { present } from '@/core/present'
import type { Metadata } from 'next'
import Link from 'next/link'
import { formatDayShort } from '@/core/day'
import { withQuery } from '@/ui/address'
import { Empty } from '@/ui/Empty'
import { Heading } from '@/ui/Heading'
import { LETTER_COLOUR, sayLetter } from '@/ui/post/letters'
import { openShop, queryOf, type Search } from '../_shop'

export const metadata: Metadata = { title: 'Post' }
const PAGE = 60

export default async function Post({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const { business, today } = shop
  const query = await queryOf(searchParams)
  const state = POST_STATES.find((s) => s === query.state)
  const after = /^\d{1,9}$/.test(query.after ?? '') ? Number(query.after) : undefined
  const letters = await readPost(shop, { state }, { limit: PAGE, after })
  return (
    <>
      <Heading
        title="Post"
        beside={business.smtpUrl ? 'through your mail server' : 'through the mail stand-in'}
        action={
          !business.smtpUrl && (
            <Link prefetch={false} className="btn" href="/post/mailbox">
              Open the mailbox
            </Link>
          )
        }
      />
      <nav aria-label="States" className="mb-3 flex gap-4">
        {[undefined, ...POST_STATES].map((s) => (
          <Link
            key={s ?? 'all'}
            prefetch={false}
            href={withQuery('/post', query, { state: s, after: undefined })}
            aria-current={state === s ? 'page' : undefined}
            className="text-iron-700 aria-[current]:font-bold aria-[current]:text-rust-600"
          >
            {s ? sayLetter(s) : 'all'}
          </Link>
        ))}
      </nav>
      {letters.length === 0 ? (
        <Empty>
          {state
            ? 'Nothing of that kind.'
            : 'What you write to customers will stand here. Write from a sale, an invoice or a customer’s page.'}
        </Empty>
      ) : (
        <div className="overflow-x-auto">
          <table className="ledger">
            <thead>
              <tr>
                <th scope="col">Day</th>
                <th scope="col">To</th>
                <th scope="col">About</th>
                <th scope="col">How it stands</th>
              </tr>
            </thead>
            <tbody>
              {letters.map((l) => (
                <tr key={l.id} className="row">
                  <td className="sub whitespace-nowrap">{formatDayShort(l.sentOn ?? l.writtenOn, today)}</td>
                  <td className="max-w-[260px] truncate">
                    {l.customerName} <span className="sub">{l.recipient}</span>
                  </td>
                  <td className="max-w-[340px] truncate">
                    <Link prefetch={false} data-row className="cover" href={`/post/${l.id}`}>
                      {l.subject}
                    </Link>
                  </td>
                  <td className={LETTER_COLOUR[l.state]}>
                    {sayLetter(l.state)}
                    {l.problem && <span className="sub"> {l.problem}</span>}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {letters.length === PAGE && (
        <p className="pt-3">
          <Link
            prefetch={false}
            className="btn"
            href={withQuery('/post', query, { after: String(present(letters.at(-1)).id) })}
          >
            Further on
          </Link>
        </p>
      )}
    </>
  )
}
