import { openList } from '@/app/(owner)/_list'
import { openShop } from '@/app/(owner)/_shop'
import { journal } from '@/api/lists/books'
import type { Shown } from '@/app/(owner)/books/_views/shown'
import { ListExport } from '@/ui/list/ListExport'
import { ListRows } from '@/ui/list/ListView'
import { To } from '@/ui/To'
import { SearchBox } from '@/ui/SearchBox'

export const Journal = async ({ from, to, query }: Shown) => {
  const shop = await openShop()
  const open = await openList(journal, shop, { ...query, from, to })
  // In its usual order an entry's day and words stand at its first line alone.
  const usual = open.sort.by === journal.list.opensBy.by
  const first = new Set(open.rows.filter((l, i) => !usual || l.entryId !== open.rows[i - 1]?.entryId))
  const onlyOnce = (l: (typeof open.rows)[number]) => (first.has(l) ? undefined : '')
  return (
    <>
      <p className="sub mb-3 max-w-prose">
        Every entry, newest first. Each has two sides that come to the same: debit is where value went, credit where it
        came from.
      </p>
      {query.acrossCash === 'true' && (
        <p className="mb-3">
          Only lines of {open.rows[0]?.account ?? 'this account'} whose entry moved cash.{' '}
          <To className="underline" href={`/books?view=journal&from=${from}&to=${to}`}>
            Show all
          </To>
        </p>
      )}
      <div className="no-print mb-3 flex flex-wrap items-center justify-between gap-3">
        <SearchBox label="Search entries" placeholder="text, account" />
        <ListExport name="journal" query={open.query} />
      </div>
      <ListRows open={open} about={shop} cells={{ on: onlyOnce, text: onlyOnce }} />
    </>
  )
}
