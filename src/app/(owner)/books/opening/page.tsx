import type { Metadata } from 'next'
import { formatDay } from '@/core/day'
import { readOpeningPage } from '@/model/books/opening'
import { OpeningDesk } from '@/ui/books/OpeningDesk'
import { Heading } from '@/ui/Heading'
import { To } from '@/ui/To'
import { openShop } from '../../_shop'

export const metadata: Metadata = { title: 'Opening balances' }

export default async function OpeningPage() {
  const shop = await openShop()
  const { entered, on, accounts, places, pieces } = await readOpeningPage(shop)
  return (
    <>
      <Heading
        above={
          <To className="underline" href="/books">
            Books
          </To>
        }
        title="Opening balances"
      />
      <p className="max-w-prose">
        What you had and owed when your books began here. Type it, or bring spreadsheets; nothing is entered before you
        say so below. What is left over is your own and goes to Opening balances. Customers, suppliers and goods come
        first:{' '}
        <To className="underline" href="/people/import">
          import customers
        </To>
        ,{' '}
        <To className="underline" href="/goods/import">
          import goods
        </To>
        .
      </p>
      {entered.map((e) => (
        <p key={e.id} className="mt-2 border-l-4 border-brass-600 bg-paper-100 px-3 py-2">
          Entered already, from {formatDay(e.on)}:{' '}
          <To className="underline" href={`/books/entries/${e.id}`}>
            see the entry
          </To>
          . What is entered below comes on top of it.
        </p>
      ))}
      <div className="mt-4 max-w-4xl">
        <OpeningDesk
          today={shop.today}
          currency={shop.currency}
          on={on}
          accounts={accounts}
          places={places}
          pieces={pieces}
        />
      </div>
    </>
  )
}
