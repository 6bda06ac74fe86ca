import type { Shown } from '@/app/(owner)/books/_views/shown'
import { openShop } from '@/app/(owner)/_shop'
import { isDay, formatDay } from '@/core/day'
import { readJournal } from '@/model/books/journal'
import { Empty } from '@/ui/Empty'
import Link from 'next/link'
import { hrefOfSource } from '@/model/books/entrySource'
import { formatMoney, negateMoney } from '@/core/money'
import { withQuery } from '@/ui/address'

const JOURNAL_PAGE = 60

export const Journal = async ({ from, to, query }: Shown) => {
  const shop = await openShop()
  const [on, id] = (query.after ?? '').split('_')
  const after = on && isDay(on) && /^\d{1,9}$/.test(id ?? '') ? { on, id: Number(id) } : undefined
  const entries = await readJournal(shop, { from, to }, { limit: JOURNAL_PAGE, after })
  const last = entries.at(-1)
  if (entries.length === 0)
    return (
      <Empty>
        Nothing was posted from {formatDay(from)} through {formatDay(to)}. Papers post by themselves; your own entries
        can be written above.
      </Empty>
    )
  return (
    <>
      <table className="ledger">
        <thead>
          <tr>
            <th scope="col" className="w-[100px]">
              Day
            </th>
            <th scope="col">What</th>
            <th scope="col">Account</th>
            <th scope="col" className="r w-[120px]">
              Debit
            </th>
            <th scope="col" className="r w-[120px]">
              Credit
            </th>
          </tr>
        </thead>
        {entries.map((e) => (
          <tbody key={e.id} className="border-b border-paper-300 [&_td]:h-7 [&_td]:border-b-0">
            {e.lines.map((l, i) => (
              <tr key={i}>
                <td className="sub whitespace-nowrap">{i === 0 && formatDay(e.on)}</td>
                <td className="max-w-[380px] truncate">
                  {i === 0 && (
                    <Link prefetch={false} className="hover:underline" href={hrefOfSource(e)}>
                      {e.text}
                    </Link>
                  )}
                </td>
                <td className={l.amount.minor < 0n ? 'pl-7!' : ''}>
                  <Link prefetch={false} className="hover:underline" href={`/books/accounts/${l.accountId}?to=${to}`}>
                    {l.account}
                  </Link>
                </td>
                <td className="fig">{l.amount.minor > 0n && formatMoney(l.amount)}</td>
                <td className="fig">{l.amount.minor < 0n && formatMoney(negateMoney(l.amount))}</td>
              </tr>
            ))}
          </tbody>
        ))}
      </table>
      {entries.length === JOURNAL_PAGE && last && (
        <p className="pt-3">
          <Link prefetch={false} className="btn" href={withQuery('/books', query, { after: `${last.on}_${last.id}` })}>
            Older entries
          </Link>
        </p>
      )}
    </>
  )
}
