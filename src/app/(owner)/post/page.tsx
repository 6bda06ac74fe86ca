import type { Metadata } from 'next'
import { To } from '@/ui/To'
import { post } from '@/api/lists/sales'
import { Heading } from '@/ui/Heading'
import { ListExport } from '@/ui/list/ListExport'
import { ListView } from '@/ui/list/ListView'
import { openList } from '../_list'
import { openShop, queryOf, type Search } from '../_shop'

export const metadata: Metadata = { title: 'Mail' }

export default async function Post({ searchParams }: { searchParams: Search }) {
  const shop = await openShop()
  const open = await openList(post, shop, await queryOf(searchParams))
  const { smtpUrl } = shop.business
  return (
    <>
      <Heading
        title="Mail"
        beside={smtpUrl ? 'Sent through your mail server' : 'Test mode: nothing leaves this computer'}
        action={
          <>
            <ListExport name="post" query={open.query} />
            {!smtpUrl && (
              <To className="btn" href="/post/mailbox">
                Open test mailbox
              </To>
            )}
          </>
        }
      />
      <ListView open={open} about={shop} />
    </>
  )
}
