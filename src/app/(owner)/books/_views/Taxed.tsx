import { taxed } from '@/api/lists/books'
import { openList } from '@/app/(owner)/_list'
import { openShop } from '@/app/(owner)/_shop'
import { OF_ONE_VIEW, type Shown } from '@/app/(owner)/books/_views/shown'
import { withQuery } from '@/ui/address'
import { MadeOf } from '@/ui/list/MadeOf'

/** What the tax of a code is made of, document by document. */
export const Taxed = async ({ from, to, query }: Shown) => {
  const shop = await openShop()
  const open = await openList(taxed, shop, { ...query, from, to })
  const [first] = open.of
  return (
    <MadeOf
      of={first ? [first.code, first.component ?? first.name].join(' ') : 'tax'}
      all={{ href: withQuery('/books', query, OF_ONE_VIEW), says: 'All tax codes' }}
      open={open}
      about={shop}
    />
  )
}
